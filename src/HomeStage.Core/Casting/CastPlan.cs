using HomeStage.Core.Editing;
using HomeStage.Core.Media;
using HomeStage.Core.Soundcheck;
using HomeStage.Core.Soundcheck.Findings;
using HomeStage.Core.Templates;
using HomeStage.Core.Timing;

namespace HomeStage.Core.Casting;

/// <summary>What a cast list makes of a template: ordinary edits, and what it leaves as it is.</summary>
/// <param name="Edits">Apply whole.</param>
/// <param name="After">What they make.</param>
/// <param name="Marks">What of the list was not understood or cannot be, in the order of the list.</param>
/// <param name="Left">What stands otherwise than the list says, and stays, a sentence each.</param>
/// <param name="Made">Channels that are new.</param>
/// <param name="Changed">Channels that were there and are changed.</param>
public sealed record CastPlan(Sequence<Edit> Edits, Template After, Sequence<CastMark> Marks, Sequence<string> Left, IReadOnlySet<ChannelId> Made, IReadOnlySet<ChannelId> Changed)
{
    /// <summary>Whom each channel makes room for, as far as that is only said and not solved yet.</summary>
    public IReadOnlyDictionary<ChannelId, CastDetails> Rooms { get; init; } = new Dictionary<ChannelId, CastDetails>();

    /// <summary>The same with whatever the soundcheck finds wrong above a hint mended, as far as it has a mend for it.</summary>
    /// <returns>And what was mended, a sentence each.</returns>
    public (CastPlan Plan, Sequence<string> Mended) Sound()
    {
        var work = new GatheredEdits(After);
        var mended = new List<string>();
        // A mend may uncover something else; what comes back is left.
        for (var round = 0; round < MostRounds; round++)
            foreach (var act in After.Acts)
                foreach (var finding in Report.Of(work.Now, act.Id).Open.Where(f => f.Severity != Severity.Hint && f.Mends.Count > 0))
                    if (Batch.Apply(work.Now, finding.Mends[0].Edits) is BatchResult.Applied && work.Do(finding.Mends[0].Edits) is null)
                        mended.Add($"{finding.Mends[0].Name}: {finding.Sentence}");
        return (this with { Edits = Edits.Concat(work.Edits).ToSequence(), After = work.Now }, mended.Distinct().ToSequence());
    }

    private const int MostRounds = 3;

    /// <param name="text">The list.</param>
    /// <param name="was">The list as it was read from the template, before somebody changed it; null for a list from elsewhere. What falls out of it
    /// goes; what somebody changed in it is changed. What was set by hand stays in any case.</param>
    /// <param name="solved">Whether duckers are solved, which takes longer than a key stroke; otherwise they are left out.</param>
    /// <param name="shelf">Where uploaded sound is found; null for none.</param>
    /// <exception cref="OperationCanceledException">Cancelled.</exception>
    public static CastPlan Of(Template template, string text, string? was = null, bool solved = true, IMediaShelf? shelf = null, CancellationToken cancellation = default)
    {
        var (sheet, before) = (CastReader.Read(text), was is null ? null : CastReader.Read(was));
        var work = new GatheredEdits(template);
        var marks = sheet.Marks.ToList();
        var left = new List<string>();
        Timed(work, sheet, marks);
        var stage = new CastStage(work, template, before, marks, left);
        stage.Stand(sheet, cancellation);
        stage.Connect(sheet);
        stage.Drop(sheet);
        var rooms = new CastRooms(work, marks, shelf, cancellation).Make([.. sheet.Entries.Zip(stage.Channels).Where(x => x.First.Details.RoomFor is not null && x.Second is not null).Select(x => (x.First, x.Second!.Value))], solved);
        return new(
            work.Edits, work.Now, marks.OrderBy(m => m.At.Line).ThenBy(m => m.At.Start).ToSequence(), left.ToSequence(),
            work.Now.Channels.Where(c => !template.Channels.Contains(c.Id)).Select(c => c.Id).ToHashSet(),
            work.Now.Channels.Where(c => template.Channels.TryGet(c.Id, out var then) && !then.Equals(c)).Select(c => c.Id).ToHashSet())
        {
            Rooms = rooms,
        };
    }

    private static void Timed(GatheredEdits work, CastSheet sheet, List<CastMark> marks)
    {
        var now = TimelineWish.Of(work.Now.Timeline);
        var wish = now with { TempoBpm = sheet.TempoBpm ?? now.TempoBpm, Meter = sheet.Meter ?? now.Meter, Sections = Sections(now.Sections, sheet.Sections) };
        if (!wish.Equals(now) && work.Do([new SetTimeline(wish)]) is { } wrong)
            marks.Add(new(default, wrong.Sentence));
        if (sheet.Key is { } key && key != work.Now.Key)
            work.Do([new SetMusicalKey(key)]);
    }

    /// <summary>A section that is there keeps what it has of its own.</summary>
    private static Sequence<SectionWish> Sections(Sequence<SectionWish> now, Sequence<SectionWish> said) =>
        said.Count == 0 ? now : said.Select(s => now.FirstOrDefault(n => n.Name == s.Name) is { } there ? there with { Bars = s.Bars } : s).ToSequence();
}
