namespace HomeStage.Core.Outside;

/// <summary>A channel's sound as it is expected and as it came back, stretch by stretch.</summary>
internal sealed class TrackPair
{
    /// <summary>Both strokes of a slot are within it.</summary>
    private const double LookedAtSeconds = 1.8;

    /// <summary>The first stroke is alone in it.</summary>
    private const double FirstSeconds = 0.5;

    private readonly IReadOnlyList<float[]> _expected;
    private readonly IReadOnlyList<float[]> _recorded;
    private readonly int _rate;
    private readonly double _start;

    /// <param name="startSeconds">Where in the recording the test begins.</param>
    public TrackPair(TestTrack expected, TestTrack recorded, int rateHz, double startSeconds)
    {
        (_rate, _start) = (rateHz, startSeconds);
        (_expected, _recorded) = (expected.Tape.Lanes(), recorded.Tape.Lanes());
        // A mono recording is held against the louder side.
        if (_recorded.Count < _expected.Count)
            _expected = [_expected.MaxBy(lane => lane.Sum(v => (double)v * v))!];
    }

    public bool IsStereo => _expected.Count == 2;

    /// <summary>Whether the recording holds so much of a stretch that something can be said of it.</summary>
    public bool Covers(double fromSeconds, double seconds) => fromSeconds + _start >= -0.005 && fromSeconds + _start + Math.Min(seconds, 0.5) <= (double)_recorded[0].Length / _rate;

    public Likeness Likeness(TestSlot slot) => Outside.Likeness.Of(Expected(slot), Heard(slot), _rate);

    /// <summary>How far the first stroke of a slot is from that of a slot as it is expected, in dB; null where one is silent.</summary>
    public double? DistanceDb(TestSlot heard, TestSlot expected, double lagSeconds) =>
        Timbre.Of(Cut(_recorded, heard.StartSeconds + _start + lagSeconds, FirstSeconds), _rate) is { } one && Timbre.Of(Expected(expected, FirstSeconds), _rate) is { } other ? one.DistanceDb(other) : null;

    public double? Twice(TestSlot slot) => Outside.Likeness.Twice(Expected(slot), Heard(slot), _rate);

    /// <summary>How each side agrees with each: left with left, right with right, left with right, right with left.</summary>
    public (Likeness Left, Likeness Right, Likeness LeftAtRight, Likeness RightAtLeft) Sides(TestSlot slot)
    {
        var (expected, heard) = (Expected(slot), Heard(slot));
        Likeness Of(int a, int b) => Outside.Likeness.Of([expected[a]], [heard[b]], _rate);
        return (Of(0, 0), Of(1, 1), Of(0, 1), Of(1, 0));
    }

    /// <summary>How loud a stretch is of what was recorded, or expected, each millisecond, in dBFS: the mean power of the ten around it.</summary>
    public double[] Loudness(TestSlot slot, bool recorded, double lateSeconds)
    {
        var lanes = recorded ? Cut(_recorded, slot.StartSeconds + _start + lateSeconds, slot.LengthSeconds) : Cut(_expected, slot.StartSeconds, slot.LengthSeconds);
        var millisecond = _rate / 1000.0;
        var db = new double[(int)(slot.LengthSeconds * 1000)];
        var upTo = new double[lanes[0].Length + 1];
        foreach (var lane in lanes)
        {
            var sum = 0.0;
            for (var n = 0; n < lane.Length; n++)
                upTo[n + 1] += sum += (double)lane[n] * lane[n];
        }

        for (var i = 0; i < db.Length; i++)
        {
            var (from, to) = (Math.Max(0, (int)((i - 5) * millisecond)), Math.Min(lanes[0].Length, (int)((i + 5) * millisecond)));
            db[i] = to > from ? 10 * Math.Log10((upTo[to] - upTo[from]) / ((to - from) * lanes.Count) + 1e-12) : Contour.SilenceDb;
        }

        return db;
    }

    private IReadOnlyList<float[]> Expected(TestSlot slot, double seconds = LookedAtSeconds) => Cut(_expected, slot.StartSeconds, seconds);

    private IReadOnlyList<float[]> Heard(TestSlot slot) =>
        Cut(_recorded, slot.StartSeconds + _start - Outside.Likeness.MostLagSeconds, LookedAtSeconds + 2 * Outside.Likeness.MostLagSeconds);

    /// <summary>What lies before or behind the sound is silence.</summary>
    private IReadOnlyList<float[]> Cut(IReadOnlyList<float[]> lanes, double fromSeconds, double seconds)
    {
        var (from, frames) = ((int)Math.Round(fromSeconds * _rate), (int)Math.Round(seconds * _rate));
        return [.. lanes.Select(lane =>
        {
            var cut = new float[frames];
            var (first, last) = (Math.Clamp(from, 0, lane.Length), Math.Clamp(from + frames, 0, lane.Length));
            if (last > first)
                lane.AsSpan(first..last).CopyTo(cut.AsSpan(first - from));
            return cut;
        })];
    }
}
