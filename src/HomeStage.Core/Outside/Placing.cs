namespace HomeStage.Core.Outside;

/// <summary>A recording in its place.</summary>
/// <param name="Channel">What it is a recording of; null where nothing tells.</param>
/// <param name="StartSeconds">Where in the recording the test begins; below 0 where the recording begins later.</param>
/// <param name="By">How its channel was found.</param>
/// <param name="Likely">What else it may be, the likeliest first, where its channel is not sure.</param>
public sealed record Placed(Recording Recording, ChannelId? Channel, double StartSeconds, PlacedBy By, IReadOnlyList<ChannelId> Likely);

/// <summary>How a recording came to its channel.</summary>
public enum PlacedBy
{
    /// <summary>A person said so, or that it is none of them.</summary>
    Word,

    /// <summary>Its file is called so.</summary>
    Name,

    /// <summary>It sounds like it.</summary>
    Content,

    /// <summary>It has none.</summary>
    Nothing,
}

/// <summary>Finds which recording is of which channel, and where in it the test begins.</summary>
/// <param name="HaveOneStart">Whether they were recorded from one start; otherwise each was begun by itself, and none can be said to be late as a whole.</param>
public sealed record Placing(IReadOnlyList<Placed> Recordings, bool HaveOneStart)
{
    /// <summary>What agrees less is not the same thing.</summary>
    private const double LeastLikeness = 0.6;

    /// <summary>What agrees less says nothing of where anything begins.</summary>
    private const double LeastHint = 0.1;

    /// <summary>By how much one channel must be likelier than the next.</summary>
    private const double Margin = 0.03;

    /// <summary>A start that agrees with so much less than a recording's own is another one.</summary>
    private const double NearlyAsGood = 0.8;

    /// <summary>How far from the common start a channel may be looked for that is late.</summary>
    private const int LateHundredths = 35;

    /// <summary>More nameless recordings and channels than this are not tried on one another: each pair takes some 70 KB and a hundredth of a second.</summary>
    private const int MostPairs = 2000;

    /// <param name="said">What a person said of a recording, by its place among them: null for none of the channels.</param>
    public static Placing Of(Reference reference, IReadOnlyList<Recording> recordings, IReadOnlyDictionary<int, ChannelId?> said, CancellationToken cancellation = default)
    {
        var candidates = Candidates(reference, recordings, said);
        var scores = recordings.Select((r, i) => candidates[i].Channels.Select(c => Scores.Of(c, reference.Tracks[c].Contour, r.Track.Contour, cancellation)).ToList()).ToList();
        var common = Common(scores);
        var near = scores.Where(s => s.Count > 0).Select(s => s.Max(c => c.Near(common, 2)) >= NearlyAsGood * s.Max(c => c.Best)).ToList();
        var oneStart = near.Count(n => n) * 2 >= near.Count;
        var taken = new HashSet<ChannelId>();
        var placed = new Placed[recordings.Count];
        double Likeness(Scores s) => oneStart ? s.Near(common, LateHundredths) : s.Best;
        // What is silent begins where the others do.
        double Start(Scores s) => (oneStart || s.Best < LeastHint ? common : s.BestShift) / (double)Contour.RateHz;
        // What is said and called goes first, then what is surest by its sound.
        foreach (var i in Enumerable.Range(0, recordings.Count).OrderBy(i => candidates[i].By).ThenByDescending(i => scores[i].Select(Likeness).DefaultIfEmpty(0).Max()))
        {
            var ranked = scores[i].Where(s => !taken.Contains(s.Channel)).OrderByDescending(Likeness).ToList();
            var sure = candidates[i].By is PlacedBy.Word or PlacedBy.Name && candidates[i].Channels.Count == 1
                ? ranked.FirstOrDefault()
                : ranked is [var best, ..] && Likeness(best) >= LeastLikeness && (ranked.Count == 1 || Likeness(best) >= Likeness(ranked[1]) + Margin || candidates[i].By == PlacedBy.Name) ? best : null;
            if (sure is not null)
                taken.Add(sure.Channel);
            placed[i] = new(recordings[i], sure?.Channel, sure is null ? common / (double)Contour.RateHz : Start(sure), sure is null && candidates[i].By != PlacedBy.Word ? PlacedBy.Nothing : candidates[i].By,
                sure is null ? [.. ranked.Where(s => Likeness(s) >= LeastLikeness).Take(4).Select(s => s.Channel)] : []);
        }

        return new(placed, oneStart);
    }

    private static List<(PlacedBy By, IReadOnlyList<ChannelId> Channels)> Candidates(Reference reference, IReadOnlyList<Recording> recordings, IReadOnlyDictionary<int, ChannelId?> said)
    {
        var open = Enumerable.Range(0, recordings.Count).Where(i => !said.ContainsKey(i)).ToList();
        var byWord = said.Values.OfType<ChannelId>().ToHashSet();
        var called = open.Zip(new SaidChannel(reference.Song.Template, reference.Tracks.Keys.Where(c => !byWord.Contains(c))).Of([.. open.Select(i => recordings[i].Name)])).ToDictionary(x => x.First, x => x.Second);
        var claimed = called.Values.Where(c => c.Count == 1).Select(c => c[0]).Concat(byWord).ToHashSet();
        List<ChannelId> left = [.. reference.Tracks.Keys.Where(c => !claimed.Contains(c) && reference.Tracks[c].Contour.LoudestDb > Contour.SilenceDb)];
        if (called.Values.Count(c => c.Count == 0) * left.Count > MostPairs)
            left = [];
        return [.. Enumerable.Range(0, recordings.Count).Select(i =>
            said.TryGetValue(i, out var word) ? (PlacedBy.Word, word is { } c ? [c] : [])
            : called[i].Count > 0 ? (PlacedBy.Name, called[i])
            : (PlacedBy.Content, (IReadOnlyList<ChannelId>)left))];
    }

    /// <summary>The start that most recordings agree with.</summary>
    private static int Common(List<List<Scores>> scores)
    {
        var asked = scores.Where(s => s.Count > 0).ToList();
        if (asked.Count == 0)
            return 0;
        var (least, most) = (asked.Min(s => s.Min(c => c.Least)), asked.Max(s => s.Max(c => c.Most)));
        return asked.Max(s => s.Max(c => c.Best)) < LeastHint ? 0 : Enumerable.Range(least, most - least + 1).MaxBy(shift => asked.Sum(s => s.Max(c => c.Near(shift, 1))));
    }

    /// <summary>How a recording agrees with a channel, by where in it the test would begin, in hundredths of a second.</summary>
    private sealed record Scores(ChannelId Channel, int Least, float[] Values)
    {
        public int Most => Least + Values.Length - 1;

        public double Best { get; } = Values.Max();

        public int BestShift { get; } = Least + Array.IndexOf(Values, Values.Max());

        public static Scores Of(ChannelId channel, Contour reference, Contour recording, CancellationToken cancellation)
        {
            cancellation.ThrowIfCancellationRequested();
            float[] a = [.. reference.Shape().Select(v => (float)v)], b = [.. recording.Shape().Select(v => (float)v)];
            var (least, most) = (-a.Length + 1, Math.Max(0, b.Length - 1));
            var energy = Math.Sqrt(a.Sum(v => (double)v * v) * b.Sum(v => (double)v * v));
            return new(channel, least, [.. CrossCorrelation.Of(a, b, least, most).Select(v => energy > 0 ? (float)(v / energy) : 0)]);
        }

        public double Near(int shift, int within)
        {
            var (from, to) = (Math.Max(0, shift - within - Least), Math.Min(Values.Length - 1, shift + within - Least));
            return to < from ? 0 : Values.AsSpan(from..(to + 1)).ToArray().Max();
        }
    }
}
