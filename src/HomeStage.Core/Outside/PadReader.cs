namespace HomeStage.Core.Outside;

/// <summary>Reads what came back of every pad and instrument on one channel.</summary>
/// <remarks>What is judged against what: a sound that is the same as here by its waveform; one that is another (the workstation's own instrument in place of
/// a stand-in) only by whether it is there. The limits are common practice: a decibel is just heard, and two milliseconds are two thirds of a metre of air.</remarks>
internal sealed class PadReader(Reference reference, ChannelId channel, TrackPair pair, Placed placed)
{
    public const double LevelToleranceDb = 1;
    public const double LateToleranceMs = 2;

    /// <summary>Of what agrees as well as this there is nothing more to ask.</summary>
    private const double NearlySame = 0.98;

    private const double LeastDb = -75;
    private const double BelowLoudestDb = 45;
    private const double ArrivesByDb = 3;
    private const double MissingDb = 40;

    private readonly Contour _expected = reference.Tracks[channel].Contour;
    private readonly Contour _recorded = placed.Recording.Track.Contour;

    /// <summary>Whether a source is heard anew on the channel: what still rings of another does not count.</summary>
    public static bool IsExpected(Contour contour, TestSlot slot) =>
        contour.Loudest(slot.StartSeconds, slot.EndSeconds) is var loudest && loudest >= Math.Max(LeastDb, contour.LoudestDb - BelowLoudestDb)
        && contour.RiseDb(slot.StartSeconds - Likeness.MostLagSeconds, slot.StartSeconds + 0.6) >= 2 * ArrivesByDb;

    public bool Covers(TestSlot slot) => pair.Covers(slot.StartSeconds, slot.LengthSeconds);

    /// <returns>The same sound as here, or not, for each slot that is expected; what the gain and the start of all are reckoned from.</returns>
    public IReadOnlyList<(FiredSlot Slot, Likeness Likeness)> Likenesses() =>
        [.. reference.Song.Fired.Where(s => IsExpected(_expected, s) && Covers(s)).Select(s => (s, pair.Likeness(s)))];

    /// <param name="gainDb">Of all that came back, or of this one.</param>
    /// <param name="lagSeconds">What is left of the common start.</param>
    /// <param name="soundsAreThose">Whether most of what came back is the sound that is heard here.</param>
    public IEnumerable<PadReading> Read(IReadOnlyList<(FiredSlot Slot, Likeness Likeness)> likenesses, double gainDb, double lagSeconds, bool soundsAreThose)
    {
        foreach (var slot in reference.Song.Fired.Where(Covers))
        {
            var start = slot.StartSeconds + placed.StartSeconds + lagSeconds;
            var heardDb = _recorded.Loudest(start - Likeness.MostLagSeconds / 2, start + slot.LengthSeconds) - gainDb;
            if (likenesses.FirstOrDefault(l => l.Slot == slot) is (not null, var likeness))
                yield return Expected(slot, likeness, likenesses, heardDb, start, gainDb, lagSeconds, soundsAreThose);
            else if (IsElsewhere(slot, heardDb, start))
                yield return new(channel, slot, IsExpected: false, null, null, IsSame: false, [new(FaultKind.Doubled)]);
        }
    }

    private PadReading Expected(
        FiredSlot slot, Likeness likeness, IReadOnlyList<(FiredSlot Slot, Likeness Likeness)> all, double heardDb, double start, double gainDb, double lagSeconds, bool soundsAreThose)
    {
        var expectedDb = _expected.Loudest(slot.StartSeconds, slot.EndSeconds);
        PadReading With(bool same, double? off, double? late, params Fault[] faults) => new(channel, slot, IsExpected: true, off, late, same, faults.ToSequence());
        if (heardDb < Math.Max(expectedDb - MissingDb, LeastDb - 10) || _recorded.RiseDb(start - Likeness.MostLagSeconds, start + 0.6) < ArrivesByDb)
            return With(false, null, null, new Fault(FaultKind.Missing));
        likeness = likeness.Near(lagSeconds);
        if (likeness.Share < NearlySame && Sides(slot) is { } sides)
            return With(true, null, null, sides);
        if (!likeness.IsSame)
            return With(false, heardDb - expectedDb, null, soundsAreThose ? [Other(slot, all, lagSeconds)] : []);
        var (off, late) = (likeness.GainDb - gainDb, (likeness.LagSeconds - lagSeconds) * 1000);
        List<Fault> faults = [];
        if (likeness.Share < NearlySame && pair.Twice(slot) is { } apart)
            return With(true, null, null, new Fault(FaultKind.Twice, apart * 1000));
        if (likeness.Gain < 0)
            faults.Add(new(FaultKind.UpsideDown));
        if (Math.Abs(off) > LevelToleranceDb)
            faults.Add(new(FaultKind.Level, off));
        if (Math.Abs(late) > LateToleranceMs)
            faults.Add(new(FaultKind.Late, late));
        return With(true, off, late, [.. faults]);
    }

    /// <summary>What the sides have become where each is the sound that is heard here.</summary>
    private Fault? Sides(FiredSlot slot)
    {
        if (!pair.IsStereo)
            return null;
        var (left, right, leftAtRight, rightAtLeft) = pair.Sides(slot);
        if (!(left.IsSame && right.IsSame))
            return leftAtRight.IsSame && rightAtLeft.IsSame ? new(FaultKind.SidesSwapped) : null;
        if (left.Gain * right.Gain < 0)
            return new(FaultKind.SideUpsideDown, Instead: left.Gain < 0 ? "left" : "right");
        return right.GainDb - left.GainDb is var further && Math.Abs(further) > LevelToleranceDb ? new(FaultKind.Balance, further) : null;
    }

    /// <summary>Why the sound is another where all else is as it is here.</summary>
    private Fault Other(FiredSlot slot, IReadOnlyList<(FiredSlot Slot, Likeness Likeness)> all, double lagSeconds)
    {
        if (pair.Twice(slot) is { } apart)
            return new(FaultKind.Twice, apart * 1000);
        if (pair.DistanceDb(slot, slot, lagSeconds) is not { } own || own <= Timbre.SameDb)
            return new(FaultKind.Otherwise);
        var instead = all.Where(o => o.Slot != slot && o.Slot.Source.Channel == slot.Source.Channel).Select(o => (o.Slot, Distance: pair.DistanceDb(slot, o.Slot, lagSeconds) ?? own))
            .Where(o => o.Distance <= Math.Min(Timbre.SameDb, own / 2)).OrderBy(o => o.Distance).Select(o => o.Slot).FirstOrDefault();
        return instead is null ? new(FaultKind.Otherwise) : new(FaultKind.Swapped, Instead: instead.Source.Name);
    }

    /// <summary>Heard anew where nothing of it is expected.</summary>
    private bool IsElsewhere(FiredSlot slot, double heardDb, double start) =>
        heardDb >= Math.Max(LeastDb, _expected.LoudestDb - BelowLoudestDb) + 10
        && heardDb >= _expected.Loudest(slot.StartSeconds, slot.EndSeconds) + 10
        && _recorded.RiseDb(start - Likeness.MostLagSeconds, start + 0.6) >= 2 * ArrivesByDb;
}
