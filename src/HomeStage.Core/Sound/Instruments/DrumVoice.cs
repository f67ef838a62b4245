using HomeStage.Core.Sound.Processors;
using HomeStage.Core.Strips;

namespace HomeStage.Core.Sound.Instruments;

/// <summary>One hit of a drum.</summary>
public sealed class DrumVoice : IVoice
{
    // Sounds are followed to 90 dB down, half as far again as their 60 dB, so that none ends in a click.
    private const double LengthOverDecay = 1.5;
    private const double BurstGapMs = 11;

    private readonly DrumToneState[] _tones;
    private readonly NoiseState[] _noises;

    public DrumVoice(DrumRecipe recipe, NoteEvent note, int sampleRateHz)
    {
        var gain = recipe.Gain * note.Strength;
        // A harder hit is brighter: the noise grows faster than the tone.
        var bright = 0.45 + 0.55 * note.Velocity / 127.0;
        _tones = [.. recipe.Tones.Select(t => new DrumToneState(t, gain, sampleRateHz))];
        _noises = [.. recipe.Noises.Select((n, i) => new NoiseState(n, gain * bright * Noise.RateGain(sampleRateHz), (uint)(note.Ordinal * 7 + i + note.Number * 131), sampleRateHz))];
        var lengthMs = Math.Max(
            recipe.Tones.Select(t => t.DelayMs + t.AttackMs + t.DecayMs * LengthOverDecay).DefaultIfEmpty(0).Max(),
            recipe.Noises.Select(n => n.Bursts * BurstGapMs + n.AttackMs + n.DecayMs * LengthOverDecay).DefaultIfEmpty(0).Max());
        LengthFrames = (long)Math.Ceiling(lengthMs / 1000 * sampleRateHz);
    }

    public long LengthFrames { get; }

    public void Next(Span<float> left, Span<float> right)
    {
        left.Clear();
        foreach (var tone in _tones)
            tone.AddTo(left);
        foreach (var noise in _noises)
            noise.AddTo(left);
        left.CopyTo(right);
    }

    /// <returns>The share that one frame keeps of something that is 60 dB down after a time.</returns>
    internal static double Keep(double decayMs, int sampleRateHz) => Math.Pow(10, -3 / (decayMs / 1000 * sampleRateHz));

    private sealed class NoiseState(DrumNoise noise, double gain, uint seed, int sampleRateHz)
    {
        private const float Inaudible = 1e-6f;

        private readonly FilterCascade _band = new(
            [FilterDesign.LowCut(noise.LowHz, sampleRateHz), FilterDesign.HighCut(noise.HighHz, sampleRateHz)]);
        private readonly float _keep = (float)Keep(noise.DecayMs, sampleRateHz);
        private readonly float _burstKeep = (float)Keep(BurstGapMs, sampleRateHz);
        private readonly float _attackStep = (float)(1000 / (noise.AttackMs * sampleRateHz));
        private readonly int _gap = (int)(BurstGapMs / 1000 * sampleRateHz);
        private readonly float[] _chunk = new float[IVoice.Chunk];
        private Noise _source = new(seed);
        private int _bursts = noise.Bursts;
        private int _sinceBurst;
        private float _level = (float)(noise.Gain * gain);
        private float _attack;

        public void AddTo(Span<float> sum)
        {
            if (_level < Inaudible)
                return;
            for (var i = 0; i < _chunk.Length; i++)
                _chunk[i] = _source.Next();
            _band.Process(_chunk);
            for (var i = 0; i < _chunk.Length; i++)
                sum[i] += NextLevel() * _chunk[i];
        }

        private float NextLevel()
        {
            if (_bursts > 0 && _sinceBurst++ == _gap)
            {
                _bursts--;
                (_sinceBurst, _attack, _level) = (0, 0, (float)(noise.Gain * gain));
            }

            if (_attack < 1)
                _attack = Math.Min(1, _attack + _attackStep);
            else
                _level *= _bursts > 0 ? _burstKeep : _keep;
            return _attack * _level;
        }
    }
}
