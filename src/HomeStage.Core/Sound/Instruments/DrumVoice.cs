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
        // Once the fall is a hundredth of a Hz from its end, the tone turns at a constant rate: no sine is spent on it.
        private const double ArrivedHz = 0.01;
        private const double Inaudible = 1e-6;

        private readonly double _keep = Keep(tone.DecayMs, sampleRateHz);
        private readonly double _dropKeep = Math.Exp(-1000 / (tone.DropMs * sampleRateHz));
        private readonly double _attackStep = 1000 / (tone.AttackMs * sampleRateHz);
        private readonly double _turn = tone.EndHz / sampleRateHz;
        private int _wait = (int)(tone.DelayMs / 1000 * sampleRateHz);
        private double _turns;
        private double _above = tone.StartHz - tone.EndHz;
        private double _level = tone.Gain * gain;
        private double _attack;
        private Turning? _turning;

        public double Next()
        {
            if (_wait > 0)
            {
                _wait--;
                return 0;
            }

            if (_turning is { } turning)
                return turning.IsDead ? 0 : turning.Next();
            _turns += _turn + _above / sampleRateHz;
            _above *= _dropKeep;
            var sample = _attack * _level * Sine.OfTurns(_turns);
            if (_attack < 1)
                _attack = Math.Min(1, _attack + _attackStep);
            else
                _level *= _keep;
            if (_attack >= 1 && Math.Abs(_above) < ArrivedHz)
                _turning = new(_turns, _turn, _level, _keep);
            return sample;
        }

        /// <summary>A dying tone as a vector that is turned and shortened at each frame.</summary>
        private sealed class Turning(double turns, double turn, double level, double keep)
        {
            private readonly double _cos = keep * Sine.OfTurns(turn + 0.25);
            private readonly double _sin = keep * Sine.OfTurns(turn);
            private double _x = level * Sine.OfTurns(turns + 0.25);
            private double _y = level * Sine.OfTurns(turns);

            public bool IsDead { get; private set; }

            public double Next()
            {
                (_x, _y) = (_x * _cos - _y * _sin, _x * _sin + _y * _cos);
                IsDead = Math.Abs(_x) + Math.Abs(_y) < Inaudible;
                return _y;
            }
        }
    }

    private sealed class NoiseState(DrumNoise noise, double gain, uint seed, int sampleRateHz)
    {
        private const double Inaudible = 1e-6;

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
            if (_level < Inaudible)
                return 0;
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
