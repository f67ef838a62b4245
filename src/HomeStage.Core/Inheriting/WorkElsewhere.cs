using HomeStage.Core.Editing;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Inheriting;

/// <summary>What was done to a song in a workstation, as changes of the song itself. Nothing is taken by itself.</summary>
public static class WorkElsewhere
{
    /// <param name="was">The project as it went out: only what a project can say, under the song's ids.</param>
    /// <param name="now">The same as it came back.</param>
    /// <param name="song">As it is now; it may have been changed here meanwhile.</param>
    /// <returns>In the order in which they can be taken.</returns>
    public static IReadOnlyList<ChangeElsewhere> Of(Template was, Template now, Template song)
    {
        // What a project calls itself, and what is said of it, is its own matter.
        var silent = Silent(now) with { Name = was.Name, Note = was.Note, Category = was.Category, Tags = was.Tags };
        var changes = Inheritance.Offered(Silent(was), silent, song).Select(c => Fitting(c, was, song)).ToList();
        changes.AddRange(Notes(was, now, song));
        return changes;
    }

    /// <returns>The template that the project was made of, as a song with all that was done there; what cannot be done is left.</returns>
    /// <param name="own">As it was then.</param>
    public static Template AsSong(Template was, Template now, Template own)
    {
        var song = own with { Name = now.Name, Parent = null };
        foreach (var change in Of(was, now, own).Where(c => c.Standing != Standing.Impossible))
            song = Batch.Apply(song, change.Edits) is BatchResult.Applied applied ? applied.Template : song;
        return song;
    }

    private static Template Silent(Template template) => template with { Channels = ChannelList.From(template.Channels.Select(c => c with { Patterns = [] })) };

    /// <summary>A channel put back whole would lose here what a project cannot say.</summary>
    private static ChangeElsewhere Fitting(InheritedChange change, Template was, Template song) => change.Edit is RestoreChannels
        ? new(change.Words, Standing.Impossible, new Refusal.WrongPlace("This", "can only be done by hand: a project does not say all of the channel"), [change.Edit])
        : new(change.Words, IsAsItWas(change.Edit, was, song) ? Standing.Open : change.Standing, change.Why, [change.Edit]);

    /// <summary>Names and colours of a template are its own; of a song that was worked on elsewhere they are changed there like anything else.</summary>
    private static bool IsAsItWas(Edit edit, Template was, Template song) => edit switch
    {
        RenameChannel e => song.Channels.TryGet(e.Channel, out var here) && was.Channels.TryGet(e.Channel, out var there) && here.Name == there.Name,
        SetHue e => song.Channels.TryGet(e.Channel, out var here) && was.Channels.TryGet(e.Channel, out var there) && here.HueDegrees == there.HueDegrees,
        _ => false,
    };

    /// <summary>Notes come back as they lie on the timeline: the groove is in them, and what the channel played goes.</summary>
    private static IEnumerable<ChangeElsewhere> Notes(Template was, Template now, Template song) =>
        from channel in now.Channels
        where was.Channels.TryGet(channel.Id, out var before) ? !before.Patterns.Equals(channel.Patterns) : channel.Patterns.Count > 0
        let here = song.Channels.TryGet(channel.Id, out var there) ? there : null
        let edits = (here?.Patterns ?? []).Select(p => (Edit)new RemovePattern(channel.Id, p.Name))
            .Concat(here?.Groove is null ? [] : [new SetGroove(channel.Id, null)])
            .Concat(channel.Patterns.Select(p => new PutPattern(channel.Id, p))).ToSequence()
        select new ChangeElsewhere($"{here?.Name ?? channel.Name} plays other notes: {Counted(channel)}", Standing.Open, null, edits);

    private static string Counted(Channel channel) => channel.Patterns.Count switch { 0 => "none any more", 1 => channel.Patterns[0].Name, var many => $"{many} patterns" };
}

/// <summary>One thing that was done elsewhere.</summary>
/// <param name="Words">A sentence without a full stop, of the names and values of the song.</param>
/// <param name="Why">Where it cannot be taken: what is in the way. Null otherwise.</param>
/// <param name="Edits">Take it over.</param>
public sealed record ChangeElsewhere(string Words, Standing Standing, Refusal? Why, Sequence<Edit> Edits);
