using HomeStage.Core.Editing;
using HomeStage.Core.Roles;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Striking;

/// <summary>What of a song may be left behind in the template that was struck from it.</summary>
public enum Leftover
{
    Notes,

    /// <summary>Recorded sound that is laid on channels: takes, prints, loops.</summary>
    Sounds,

    Curves,

    /// <summary>Fader, pan or mute as the song's mix had it.</summary>
    Levels,

    /// <summary>Names that are those of one take.</summary>
    Names,
}

/// <summary>Looks for what is in a template as it was in the song that it was struck from. What was written since is nobody's leftover.</summary>
public static class Leftovers
{
    /// <summary>What the finding is known by that tells of it.</summary>
    public static string RuleOf(Leftover what) => $"{what.ToString().ToLowerInvariant()}-left";

    internal static string KeyOf(Leftover what) => $"{RuleOf(what)}/";

    /// <returns>The channels that still hold it, each with the edits that take it away; in the template's order.</returns>
    public static IEnumerable<(Channel Channel, Sequence<Edit> Edits)> Of(Leftover what, Template template, Template song) =>
        from channel in template.Channels
        let was = song.Channels.TryGet(channel.Id, out var known) ? known : null
        where was is not null
        let edits = Taking(what, template, channel, was).ToSequence()
        where edits.Count > 0
        select (channel, edits);

    private static IEnumerable<Edit> Taking(Leftover what, Template template, Channel channel, Channel was) => what switch
    {
        Leftover.Notes => channel.Patterns.Where(p => !PlaysForOthers(channel) && was.Patterns.Any(w => w.Name == p.Name && w.Notes.Equals(p.Notes))).Select(p => new RemovePattern(channel.Id, p.Name)),
        Leftover.Sounds => channel.Starters.Where(s => was.Starters.Any(w => w.Sound.Content == s.Sound.Content)).Select(s => new RemoveStarter(channel.Id, s.Name)),
        Leftover.Curves => channel.Shapes.Where(was.Shapes.Contains).Select(s => new RemoveShape(channel.Id, s.Target, s.Section)),
        Leftover.Levels => Resting.Edits(channel, was),
        _ => channel.Name == was.Name && channel.Kind == ChannelKind.Audio && !template.IsPrintChannel(channel) && TakeName.Read(channel.Name) is { Marks: not TakeMarks.None, Stem: var stem }
            ? [new RenameChannel(channel.Id, template.FreeName(stem, channel.Id))]
            : [],
    };

    /// <summary>What a trigger or a count-in plays is none of the song's music: it is what steers a sidechain, or counts.</summary>
    internal static bool PlaysForOthers(Channel channel) => channel.Kind is ChannelKind.Trigger or ChannelKind.Direct;
}
