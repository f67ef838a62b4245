using HomeStage.Core.Editing;
using HomeStage.Core.Editing.Rules;
using HomeStage.Core.Making;
using HomeStage.Core.Roles;
using HomeStage.Core.Templates;
using HomeStage.Core.Timing;

namespace HomeStage.Core.Striking;

/// <summary>Makes a template of a finished song: what was recorded, written and mixed for it goes; channels, routing, strips, sends, keys, splits and spares stay,
/// hidden, resting and switched-off ones among them. The song itself is a value and is not touched.</summary>
public static class Strike
{
    /// <returns>What comes of it; or what is in the way.</returns>
    public static (StrikeReport? Report, Refusal? Why) Of(StruckSong struck, StrikeWish wish)
    {
        if (TextRules.Name("The template’s name", wish.Name.Trim()) is { } unnamed)
            return (null, unnamed);
        var lines = new StrikeLines(struck, wish);
        var work = new GatheredEdits(struck.Song);
        if ((work.Do(lines.Edits) ?? Channels(work, lines) ?? Named(work, struck, lines) ?? work.Do(Timed(work.Now, struck.TimelineAfter(wish)))) is { } why)
            return (null, why);
        var bare = work.Now with { Name = wish.Name.Trim(), Key = wish.Key ? work.Now.Key : struck.Begun?.Key, Parent = null, Opening = null };
        var template = Accepted(bare, struck.Song);
        if (TemplateRules.Check(template) is { } broken)
            return (null, broken);
        var names = Renamed(template, struck.Song);
        return (new(template, [.. lines.Lines, .. names, .. StrikeOddities.In(template, struck.Song)], StrikeCounts.Of(struck.Song), StrikeCounts.Of(template)), null);
    }

    /// <summary>What a take that goes was joined to is joined to the one that carries on.</summary>
    private static Refusal? Channels(GatheredEdits work, StrikeLines lines)
    {
        var gone = lines.Gone;
        foreach (var group in lines.Groups)
            foreach (var other in group.Others.Where(o => gone.Contains(o.Id)))
                if (work.Do(HandedOn(work.Now, work.Now.Channels[group.Kept.Id], other)) is { } why)
                    return why;
        return work.Do(gone.Select(id => new RemoveChannel(id)));
    }

    private static IEnumerable<Edit> HandedOn(Template template, Channel kept, Channel other)
    {
        foreach (var feed in other.Feeds.Where(f => kept.Feeds.All(k => (k.Channel, k.Insert) != (f.Channel, f.Insert))))
            yield return new PutFeed(kept.Id, feed);
        foreach (var send in other.Sends.Where(s => kept.Sends.All(k => k.To != s.To)))
            yield return new PutSend(kept.Id, send);
        if (kept.Inserts.Count == 0 && other.Inserts.Count > 0)
            yield return new LayStrip([kept.Id], new() { Inserts = StripLaying.Of(template, other).Inserts });
    }

    /// <summary>The take that stays is called after what it is; where the bus that it goes into is called so, it is the take in it.</summary>
    private static Refusal? Named(GatheredEdits work, StruckSong struck, StrikeLines lines)
    {
        var stems = lines.Groups.ToDictionary(g => g.Kept.Id, g => g.Stem);
        var twins = work.Now.PrintChannels();
        foreach (var channel in work.Now.Channels.Where(c => c.Kind == ChannelKind.Audio && !twins.Contains(c.Id) && struck.Prepared(c) is null))
        {
            var stem = stems.GetValueOrDefault(channel.Id) ?? TakeName.Read(channel.Name).Stem;
            var under = channel.Destination is { } to ? work.Now.Channels[to].Name : "";
            var name = stem.Equals(under, StringComparison.OrdinalIgnoreCase) ? $"{stem[..Math.Min(stem.Length, TextRules.LongestName - 5)]} take" : stem;
            if (stem != channel.Name && work.Do([new RenameChannel(channel.Id, work.Now.FreeName(name, channel.Id))]) is { } why)
                return why;
        }

        return null;
    }

    /// <summary>Starters that stay and whose sections go play in all that there are.</summary>
    private static IEnumerable<Edit> Timed(Template template, Timeline after)
    {
        var sections = after.Sections.Select(s => s.Id).ToHashSet(StringComparer.Ordinal);
        foreach (var channel in template.Channels)
        {
            foreach (var pattern in channel.Patterns.Where(p => !p.Sections.All(sections.Contains)))
                yield return new PutPattern(channel.Id, pattern with { Sections = pattern.Sections.Where(sections.Contains).ToSequence() });
            foreach (var sound in channel.Starters.Where(p => !p.Sections.All(sections.Contains)))
                yield return new PutStarter(channel.Id, sound with { Sections = sound.Sections.Where(sections.Contains).ToSequence() });
        }

        if (!after.Equals(template.Timeline))
            yield return new SetTimeline(TimelineWish.Of(after));
    }

    /// <summary>What stays by choice is told once, and is no finding.</summary>
    private static Template Accepted(Template template, Template song) =>
        Enum.GetValues<Leftover>().Where(what => Leftovers.Of(what, template, song).Any())
            .Aggregate(template, (t, what) => t with { Accepted = t.Accepted.With(Leftovers.KeyOf(what), "It was to stay when the song was struck.") });

    private static IEnumerable<StrikeLine> Renamed(Template template, Template song) =>
        from channel in template.Channels
        let was = song.Channels[channel.Id].Name
        where was != channel.Name
        select new StrikeLine($"names/{channel.Id}", StrikeGroup.Names, [channel.Id], channel.Name, $"was {was}", 1, Goes: true, MayTurn: false);
}

/// <summary>What comes of a strike.</summary>
/// <param name="Template">Keeps every rule.</param>
/// <param name="Lines">In the order of their groups.</param>
/// <param name="Before">The song, counted.</param>
/// <param name="After">The template, counted.</param>
public sealed record StrikeReport(Template Template, Sequence<StrikeLine> Lines, StrikeCounts Before, StrikeCounts After);
