using HomeStage.Core.Ducking;

namespace HomeStage.Core.Outside;

/// <summary>Holds what came back from a workstation against the test as it is heard here.</summary>
public static class OutsideCheck
{
    /// <param name="said">What a person said of a recording, by its place among them: null for none of the channels.</param>
    /// <exception cref="OperationCanceledException">Cancelled.</exception>
    public static OutsideAnswer Of(Reference reference, IReadOnlyList<Recording> recordings, IReadOnlyDictionary<int, ChannelId?>? said = null, CancellationToken cancellation = default)
    {
        var placing = Placing.Of(reference, recordings, said ?? new Dictionary<int, ChannelId?>(), cancellation);
        var placed = placing.Recordings.Where(p => p.Channel is not null).ToList();
        // One channel at a time: all of them at once would not fit the memory.
        var likenesses = placed.Select(p => ReaderOf(reference, p, cancellation).Likenesses()).ToList();
        var ground = CommonGround.Of([.. placed.Zip(likenesses, (p, l) => EvidenceOf(reference, p, l))], placing.HaveOneStart);
        var readings = placed.SelectMany((p, i) => ReaderOf(reference, p, cancellation).Read(likenesses[i], ground.GainsDb[i], ground.LagsSeconds[i], ground.SoundsAreThose)).ToList();
        var lags = placed.Select((p, i) => (p.Channel!.Value, Start: p.StartSeconds + ground.LagsSeconds[i], Lag: ground.LagsSeconds[i])).ToDictionary(p => p.Value);
        var upstream = new Upstream(reference.Song.Template);
        var dry = Returns.Read(reference, placed, readings, upstream, c => lags[c].Start, cancellation).ToList();
        var roots = Roots(readings, upstream).Select(r => Returns.Told(r, dry)).ToList();
        var duckers = placed.SelectMany(p => Duckers(reference, p, lags[p.Channel!.Value].Lag, ground.SoundsAreThose, cancellation)).ToList();
        return new(
            placing.Recordings, Rows(reference, placed, readings, [.. roots.OrderBy(r => upstream.Of(r.Channel).Count)]), duckers,
            [.. OutsideFindings.Of(reference.Song.Template, roots).Concat(duckers.Where(d => !IsHitWrongly(d, readings)).SelectMany(d => OutsideFindings.Of(reference.Song.Template, d))).OrderBy(f => f.Kind)],
            [.. OutsideNotes.Of(reference, placing, placed, ground)])
        {
            SoundsAreThose = placed.Count > 0 && ground.SoundsAreThose,
            Proven = placed.Select(p => p.Channel!.Value).Where(c => readings.Any(r => r.Channel == c) && readings.TrueForAll(r => r.Channel != c || (r.IsExpected && r.Faults.Count == 0)) && dry.TrueForAll(d => d.Channel != c)).ToHashSet(),
        };
    }

    private static PadReader ReaderOf(Reference reference, Placed placed, CancellationToken cancellation)
    {
        cancellation.ThrowIfCancellationRequested();
        return new(reference, placed.Channel!.Value, PairOf(reference, placed), placed);
    }

    private static TrackPair PairOf(Reference reference, Placed placed) => new(reference.Tracks[placed.Channel!.Value], placed.Recording.Track, reference.RateHz, placed.StartSeconds);

    private static CommonGround.Evidence EvidenceOf(Reference reference, Placed placed, IReadOnlyList<(FiredSlot Slot, Likeness Likeness)> likenesses)
    {
        var (expected, recorded) = (reference.Tracks[placed.Channel!.Value].Contour, placed.Recording.Track.Contour);
        return new(
            placed.Recording.Track.Tape.Lanes().Count == 1, [.. likenesses.Select(l => l.Likeness)],
            [.. likenesses.Select(l => recorded.Loudest(l.Slot.StartSeconds + placed.StartSeconds, l.Slot.EndSeconds + placed.StartSeconds) - expected.Loudest(l.Slot.StartSeconds, l.Slot.EndSeconds))]);
    }

    /// <summary>A fault is told where it begins: what is fed by a channel that has one with the same source only passes it on.</summary>
    private static IEnumerable<PadReading> Roots(List<PadReading> readings, Upstream upstream)
    {
        var faulty = readings.Where(r => r.Faults.Count > 0).ToLookup(r => r.Slot, r => r.Channel);
        return readings.Select(r => r.Faults.Count > 0 && faulty[r.Slot].Any(upstream.Of(r.Channel).Contains) ? r with { Faults = [], Follows = true } : r);
    }

    /// <summary>Where what steers a detector is not as it should be, the ducker cannot be.</summary>
    private static bool IsHitWrongly(DuckerReading ducker, List<PadReading> readings) => ducker.Trial.Ducker.Way == DuckingWay.Level
        && readings.Exists(r => r.Slot.Source == ducker.Trial.Hit && ducker.Trial.Ducker.By.Contains(r.Channel) && r.Faults.Count > 0);

    private static IEnumerable<DuckerReading> Duckers(Reference reference, Placed placed, double lagSeconds, bool soundsAreThose, CancellationToken cancellation)
    {
        var slots = reference.Song.Slots.OfType<DuckedSlot>().Where(s => s.Trial.Ducker.Channel == placed.Channel).ToList();
        if (slots.Count == 0)
            yield break;
        cancellation.ThrowIfCancellationRequested();
        var pair = PairOf(reference, placed);
        foreach (var under in slots.Where(s => s.HitSeconds is not null && pair.Covers(s.StartSeconds, s.LengthSeconds)))
            yield return DuckerReading.Of(pair, slots.Find(s => s.Trial == under.Trial && s.HitSeconds is null), under, lagSeconds, soundsAreThose);
    }

    private static List<OutsideRow> Rows(Reference reference, List<Placed> placed, List<PadReading> readings, List<PadReading> roots)
    {
        var came = placed.Select(p => p.Channel!.Value).ToHashSet();
        return
        [
            .. from slot in reference.Song.Fired
               let own = readings.Where(r => r.Slot == slot).ToList()
               let heard = reference.Tracks.Where(t => PadReader.IsExpected(t.Value.Contour, slot)).Select(t => t.Key).ToList()
               let verdict = own.Exists(r => r.Faults.Count > 0) || roots.Exists(r => r.Slot == slot && r.Faults.Count > 0) ? OutsideVerdict.Wrong
                   : heard.Count == 0 ? OutsideVerdict.SilentHere
                   : heard.Exists(came.Contains) && own.Count > 0 ? OutsideVerdict.Arrived
                   : OutsideVerdict.NotRecorded
               select new OutsideRow(slot, verdict, [.. roots.Where(r => r.Slot == slot)], heard.Count > 0),
        ];
    }
}
