using HomeStage.Core.Sound.Processors;
using HomeStage.Core.Strips;

namespace HomeStage.Core.Sound.Instruments;

/// <summary>One hit of a drum.</summary>
public sealed class DrumVoice : IVoice
{
    // Sounds are followed to 90 dB down, half as far again as their 60 dB, so that none ends in a click.
    private const double LengthOverDecay = 1.5;
    private const double BurstGapMs = 11;

    private readonly ToneState[] _tones;
    private readonly NoiseState[] _noises;
    private readonly PanGains _pan;

    /// <param name="pan">What each side hears of it; both 1 for a mono output.</param>
    public DrumVoice(DrumRecipe recipe, NoteEvent note, int output, PanGains pan, int sampleRateHz)
    {
        var gain = recipe.Gain * note.Strength;
        // A harder hit is brighter: the noise grows faster than the tone.
        var bright = 0.45 + 0.55 * note.Velocity / 127.0;
        _tones = [.. recipe.Tones.Select(t => new ToneState(t, gain, sampleRateHz))];
        _noises = [.. recipe.Noises.Select((n, i) => new NoiseState(n, gain * bright, (uint)(note.Ordinal * 7 + i + note.Number * 131), sampleRateHz))];
        _pan = pan;
        Output = output;
        var lengthMs = Math.Max(
            recipe.Tones.Select(t => t.DelayMs + t.AttackMs + t.DecayMs * LengthOverDecay).DefaultIfEmpty(0).Max(),
            recipe.Noises.Select(n => n.Bursts * BurstGapMs + n.AttackMs + n.DecayMs * LengthOverDecay).DefaultIfEmpty(0).Max());
        LengthFrames = (long)Math.Ceiling(lengthMs / 1000 * sampleRateHz);
    }

    public long LengthFrames { get; }

    public int Output { get; }

    public (float Left, float Right) Next()
    {
        var sum = 0.0;
        foreach (var tone in _tones)
            sum += tone.Next();
        foreach (var noise in _noises)
            sum += noise.Next();
        return ((float)(sum * _pan.Left), (float)(sum * _pan.Right));
    }

    /// <returns>The share that one frame keeps of something that is 60 dB down after a time.</returns>
    private static double Keep(double decayMs, int sampleRateHz) => Math.Pow(10, -3 / (decayMs / 1000 * sampleRateHz));

    private sealed class ToneState(DrumTone tone, double gain, int sampleRateHz)
    {
        private readonly double _step = 2 * Math.PI / sampleRateHz;
        private readonly double _keep = Keep(tone.DecayMs, sampleRateHz);
        private readonly double _dropKeep = Math.Exp(-1000 / (tone.DropMs * sampleRateHz));
        private readonly double _attackStep = 1000 / (tone.AttackMs * sampleRateHz);
        private int _wait = (int)(tone.DelayMs / 1000 * sampleRateHz);
        private double _phase;
        private double _above = tone.StartHz - tone.EndHz;
        private double _level = tone.Gain * gain;
        private double _attack;

        public double Next()
        {
            if (_wait > 0)
            {
                _wait--;
                return 0;
            }

            _phase += _step * (tone.EndHz + _above);
            _above *= _dropKeep;
            if (_attack < 1)
                _attack = Math.Min(1, _attack + _attackStep);
            else
                _level *= _keep;
            return _attack * _level * Math.Sin(_phase);
        }
    }

    private sealed class NoiseState(DrumNoise noise, double gain, uint seed, int sampleRateHz)
    {
        private readonly FilterCascade _band = new(
            [FilterDesign.LowCut(noise.LowHz, sampleRateHz), FilterDesign.HighCut(noise.HighHz, sampleRateHz)]);
        private readonly double _keep = Keep(noise.DecayMs, sampleRateHz);
        private readonly double _burstKeep = Keep(BurstGapMs, sampleRateHz);
        private readonly double _attackStep = 1000 / (noise.AttackMs * sampleRateHz);
        private readonly int _gap = (int)(BurstGapMs / 1000 * sampleRateHz);
        private Noise _source = new(seed);
        private int _bursts = noise.Bursts;
        private int _sinceBurst;
        private double _level = noise.Gain * gain;
        private double _attack;

        public double Next()
        {
            if (_bursts > 0 && _sinceBurst++ == _gap)
            {
                _bursts--;
                (_sinceBurst, _attack, _level) = (0, 0, noise.Gain * gain);
            }

            if (_attack < 1)
                _attack = Math.Min(1, _attack + _attackStep);
            else
                _level *= _bursts > 0 ? _burstKeep : _keep;
            return _attack * _level * _band.Next(_source.Next());
        }
    }
}
