using HomeStage.Core.Media;
using HomeStage.Core.Sound.Signals;
using HomeStage.Core.Timing;

namespace HomeStage.Core.Sound.Rendering;

/// <summary>An uploaded sound as a starter lays it out in a section: whole, at another speed, or in pieces on the beats.</summary>
internal sealed class LaidSound
{
    private const double Never = 1e9;

    private readonly AudioStarter _starter;
    private readonly int _rateHz;
    private readonly float[][] _plain;
    private readonly Dictionary<double, float[][]> _fitted = [];

    public LaidSound(AudioStarter starter, MediaSound sound, int sampleRateHz)
    {
        _starter = starter;
        _rateHz = sampleRateHz;
        _plain = [.. sound.Lanes.Select(l => Resampler.Convert(l, sound.SampleRateHz, sampleRateHz))];
    }

    /// <param name="tempoBpm">Of the section.</param>
    /// <param name="loops">Whether it repeats to the section's end.</param>
    /// <returns>What sounds, in order; the last pieces may begin or end after the section.</returns>
    public IEnumerable<Piece> Pieces(double tempoBpm, double sectionSeconds, bool loops)
    {
        var once = _starter.Fit == LoopFit.AsRecorded ? (double)_plain[0].Length / _rateHz : NoteValue.Milliseconds(_starter.Quarters, tempoBpm) / 1000;
        for (var turn = 0; turn == 0 || (loops && turn * once < sectionSeconds); turn++)
            foreach (var piece in _starter.Fit == LoopFit.CutAtBeats ? OnBeats(once) : [Whole(tempoBpm, once)])
                yield return piece with { StartSeconds = turn * once + piece.StartSeconds, LatestEndSeconds = turn * once + piece.LatestEndSeconds };
    }

    private Piece Whole(double tempoBpm, double seconds)
    {
        if (_starter.Fit == LoopFit.AsRecorded)
            return new(_plain, 0, _plain[0].Length, 0, Never, false);
        if (!_fitted.TryGetValue(tempoBpm, out var lanes))
            _fitted[tempoBpm] = lanes = [.. _plain.Select(l => Resampler.Fit(l, Math.Max(1, (int)Math.Round(seconds * _rateHz))))];
        return new(lanes, 0, lanes[0].Length, 0, Never, false);
    }

    private IEnumerable<Piece> OnBeats(double seconds)
    {
        for (var beat = 0; beat < _starter.Quarters; beat++)
        {
            var first = (int)((long)_plain[0].Length * beat / _starter.Quarters);
            var next = (int)((long)_plain[0].Length * (beat + 1) / _starter.Quarters);
            // Pieces that meet again go on into each other as they were recorded.
            var leavesAGap = next - first < seconds / _starter.Quarters * _rateHz - 1;
            yield return new(
                _plain, first, next - first, seconds * beat / _starter.Quarters, seconds * (beat + 1) / _starter.Quarters, leavesAGap);
        }
    }

    /// <param name="FirstFrame">In the lanes.</param>
    /// <param name="StartSeconds">From the section's start.</param>
    /// <param name="LatestEndSeconds">From the section's start; it is cut there.</param>
    /// <param name="EndsWithin">Whether its end lies in the middle of the sound, where it would click.</param>
    internal sealed record Piece(float[][] Lanes, int FirstFrame, int Frames, double StartSeconds, double LatestEndSeconds, bool EndsWithin);
}
