using HomeStage.Core.Editing;
using HomeStage.Core.Kits;
using HomeStage.Core.Making;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Outputs;

/// <summary>Splits that a coarser plan has no place for, and their way back.</summary>
internal static class AsideSplits
{
    /// <summary>Whether somebody has put work into a split; one that nobody has is made again as easily.</summary>
    public static bool IsWorkedOn(Template template, Channel split, Kit kit) =>
        split.Feeds.Count + split.Shapes.Count + split.Note.Length > 0 || !HasDefaultStrip(template, split)
        || split.Level != default || split.Muted || split.HueDegrees is not null || split.Role is not null || split.PolarityFlipped || split.PrintTwin is not null
        || (SplitKit.NumberOf(split) is var number && number <= kit.Outputs.Count && split.Name != kit.Outputs[number - 1].Name);

    /// <summary>Whether it has the inserts and sends that a new one gets, and nothing else.</summary>
    private static bool HasDefaultStrip(Template template, Channel split)
    {
        var made = DefaultStrips.On(template, split with { Inserts = [], Sends = [] });
        return made.Sends.Equals(split.Sends) && made.Inserts.Count == split.Inserts.Count
            && made.Inserts.Zip(split.Inserts).All(x => x.First with { Id = x.Second.Id } == x.Second);
    }

    /// <summary>As it is put aside: with the lines that its strip belongs to, under an id that nothing else is kept by.</summary>
    public static AsideSplit Of(Template template, Channel split, Kit kit)
    {
        var home = Home(template, split.Id);
        var id = home is not null ? split.Id : new(Numbering.FreshId(split.Id.Value, i => template.Aside.Any(a => a.Split.Id == i)).Value);
        var carried = kit.Lines.Where(l => l.Output == SplitKit.NumberOf(split)).ToList();
        return new(split with { Id = id }, home?.Lines ?? carried.Select(l => l.Name).ToSequence(), home?.Strokes ?? carried.Select(StrokeOf).ToSequence(),
            template.Channels.SelectMany(c => c.Feeds.Where(f => f.Channel == split.Id).Select(f => new AsideFeed(c.Id, f))).ToSequence());
    }

    /// <summary>What takes a split off the stage: one that somebody has worked on is put aside before.</summary>
    public static IEnumerable<Edit> Leaving(Template template, Channel split, Kit kit)
    {
        if (IsWorkedOn(template, split, kit))
            yield return new PutAside(Of(template, split, kit));
        yield return new RemoveChannel(split.Id);
    }

    /// <summary>Where the strip of a split that is on stage belongs, for one that carries others as well; null for one that is at home.</summary>
    public static AsideSplit? Home(Template template, ChannelId split) => template.Aside.FirstOrDefault(a => a.Stays && a.Split.Id == split);

    /// <returns>The edit that remembers where the strip of a split belongs, or forgets it where it is there again; null for nothing to do.</returns>
    /// <param name="lines">What it carries from now on.</param>
    public static Edit? Remembering(Template template, Channel split, Kit kit, IReadOnlyCollection<KitLine> lines)
    {
        var home = Home(template, split.Id);
        if (home is not null)
            return Same(home, lines) ? new RemoveAside(split.Id) : null;
        var belongs = Of(template, split, kit) with { Stays = true };
        return belongs.Split.Id == split.Id && IsWorkedOn(template, split, kit) && !Same(belongs, lines) ? new PutAside(belongs) : null;
    }

    /// <returns>The one that carried just these lines, or null.</returns>
    public static AsideSplit? Exactly(Template template, ChannelId player, IReadOnlyCollection<KitLine> lines) =>
        template.Aside.FirstOrDefault(a => a.Instrument == player && Same(a, lines) && (!a.Stays || template.Channels.Contains(a.Split.Id)));

    /// <returns>The one away from the stage that carried just these lines; else the first that carried all of these and others besides; null for none.</returns>
    public static AsideSplit? For(Template template, ChannelId player, IReadOnlyCollection<KitLine> lines)
    {
        var away = template.Aside.Where(a => !a.Stays && a.Instrument == player).ToList();
        return away.Find(a => Same(a, lines)) ?? away.Find(a => lines.Count > 0 && lines.All(l => Carried(a, l)));
    }

    private static bool Same(AsideSplit aside, IReadOnlyCollection<KitLine> lines) => aside.Lines.Count == lines.Count && lines.All(l => Carried(aside, l));

    /// <summary>By its name, or, where it was renamed since, by what plays it.</summary>
    private static bool Carried(AsideSplit aside, KitLine line) => aside.Lines.Contains(line.Name) || (line.Piece is not null && aside.Strokes.Contains(StrokeOf(line)));

    private static string StrokeOf(KitLine line) => line.Piece is { } piece ? $"{piece.Note} {line.Microphone.Name}".TrimEnd() : line.Name;

    /// <summary>Puts one back in the place of a plain split that would have been made.</summary>
    /// <param name="made">The plain one: its id, name, width, output, pan and place are as the plan wants them.</param>
    public static Channel Restored(Template template, AsideSplit aside, Channel made)
    {
        bool IsThere(ReferenceKind kind, ChannelId to) => kind == ReferenceKind.CurvedSend || template.Channels.Contains(to);
        var acts = template.Acts.Select(a => a.Id).ToHashSet(StringComparer.Ordinal);
        var fitted = ChannelReferences.Redirected(aside.Split, (kind, to) => IsThere(kind, to) ? to : null);
        return fitted with
        {
            Id = made.Id,
            Name = made.Name,
            Format = made.Format,
            Source = made.Source,
            // A mono output has its place from its piece, a pair may have been turned as a whole.
            Pan = made.Format == ChannelFormat.Stereo && aside.Split.Format == ChannelFormat.Stereo ? aside.Split.Pan : made.Pan,
            Destination = fitted.Destination ?? made.Destination,
            Feeds = fitted.Feeds.Where(f => template.Channels[f.Channel].Inserts.Any(i => i.Id == f.Insert)).ToSequence(),
            Stages = Map<StageState>.From(fitted.Stages.Where(s => acts.Contains(s.Key))),
            Inserts = fitted.Inserts.Select(i => i with { ParkedIn = i.ParkedIn.Where(acts.Contains).ToSequence() }).ToSequence(),
        };
    }

    /// <summary>The feeds that came to its inserts, from those that are still there.</summary>
    public static IEnumerable<Edit> Feeds(Template template, AsideSplit aside, ChannelId now) =>
        aside.Fed.Where(f => template.Channels.Contains(f.From)).Select(f => new PutFeed(f.From, f.Feed with { Channel = now }));
}
