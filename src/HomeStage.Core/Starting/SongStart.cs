using HomeStage.Core.Compiling;
using HomeStage.Core.Editing;
using HomeStage.Core.Editing.Rules;
using HomeStage.Core.Fitting;
using HomeStage.Core.Recording;
using HomeStage.Core.Studios;
using HomeStage.Core.Templates;
using HomeStage.Core.Timing;

namespace HomeStage.Core.Starting;

/// <summary>Makes a song of a template: what waited and has come works, inputs are those of the studio, and what follows the tempo follows it.</summary>
public static class SongStart
{
    /// <param name="studio">The one that is on; null for none: inputs stay as they are.</param>
    /// <returns>The song, or what is in the way.</returns>
    public static (Template? Song, Refusal? Why) Of(Template template, SongWish wish, Studio? studio)
    {
        var work = new GatheredEdits(template);
        var why = work.Do(Timed(template, wish)) ?? work.Do(wish.WithoutPrints.SelectMany(id => LeftBehind(template, id)));
        if (why is null && studio is not null)
            why = work.Do(FittedInputs(work.Now, studio));
        why ??= work.Do(wish.Inputs.SelectMany(i => Taken(work.Now, i, studio)));
        if (why is not null)
            return (null, why);
        var (came, wrong) = Came(work.Now, wish.Key ?? template.Key, wish.Ready, studio);
        if ((wrong ?? work.Do(came!)) is { } late)
            return (null, late);
        var song = work.Now with { Name = wish.Title.Trim(), Parent = null };
        return TemplateRules.Check(song) is { } broken ? (null, broken) : (song, null);
    }

    /// <returns>The edits by which a key and a person's word come to a template, and park for recording what is too late to sing through; or why they cannot.</returns>
    public static (Sequence<Edit>? Edits, Refusal? Why) Came(Template template, MusicalKey? key, IReadOnlyList<ReadyInsert> ready, Studio? studio)
    {
        Sequence<Edit> said =
        [
            .. key == template.Key ? Array.Empty<Edit>() : [new SetMusicalKey(key)],
            .. ready.Select(r => new SetWaitsFor(r.Channel, r.Insert, null)),
        ];
        if (Batch.Apply(template, said) is not BatchResult.Applied { Template: var after })
            return (null, ((BatchResult.Refused)Batch.Apply(template, said)).Why);
        var stands = studio is null ? after : InStudio.Of(after, studio);
        return ([.. said, .. Waking.Parked(template, new CompiledTemplate(stands), studio)], null);
    }

    /// <returns>How the inputs of a template meet a studio, as far as something has to be said about them: those that it gives another, or has not.</returns>
    public static IReadOnlyList<FitLine> InputsToSay(Template template, Studio studio) =>
        [.. StudioFit.Of(template, studio).Lines.Where(l => l.Kind is FitKind.Input && (l.Here is null ? l.Choices.Count > 1 : l.Note is not null))];

    /// <returns>Channels that wait for somebody to say which input they take: audio channels that are heard, take nothing and hold nothing.</returns>
    public static IReadOnlyList<Channel> WithoutInput(Template template)
    {
        var twins = template.PrintChannels();
        return [.. template.Channels.Where(c => c is { Kind: ChannelKind.Audio, Source: null, Spare: false, Starters.Count: 0 } && !twins.Contains(c.Id))];
    }

    /// <returns>Channels that hold the prints of others.</returns>
    public static IReadOnlyList<Channel> WithPrints(Template template) => [.. template.Channels.Where(c => c.Starters.Any(s => s.Through))];

    private static IEnumerable<Edit> Timed(Template template, SongWish wish)
    {
        var was = TimelineWish.Of(template.Timeline);
        var sections = wish.Sections is { } text ? SectionsText.Read(text, template.Timeline) : was.Sections;
        var now = was with { TempoBpm = wish.TempoBpm ?? was.TempoBpm, Meter = wish.Meter ?? was.Meter, Sections = sections, CountIn = wish.CountIn ?? was.CountIn };
        return now.On(template.Timeline).Equals(template.Timeline) ? [] : [new SetTimeline(now)];
    }

    private static IEnumerable<Edit> LeftBehind(Template template, ChannelId id) =>
        template.Channels.TryGet(id, out var channel) ? channel.Starters.Where(s => s.Through).Select(s => new RemoveStarter(id, s.Name)) : [new RemoveStarter(id, "print")];

    /// <summary>What the studio has under the same number stays as the template names it.</summary>
    private static Sequence<Edit> FittedInputs(Template template, Studio studio) => InputsToSay(template, studio).Where(l => l.Here is not null).SelectMany(l => l.ProposedEdits).ToSequence();

    private static IEnumerable<Edit> Taken(Template template, SaidInput said, Studio? studio)
    {
        var second = template.Channels.TryGet(said.Channel, out var channel) && channel.Format == ChannelFormat.Stereo ? said.First + 1 : (int?)null;
        string? NameOf(int? number) => number is { } n && n <= (studio?.Interface.Inputs.Count ?? 0) ? studio!.Interface.InputName(n) : null;
        var before = channel?.Source as InputSource ?? new InputSource(said.First, Monitored: true);
        yield return new TakeInput(said.Channel, before with { First = said.First, FirstName = NameOf(said.First), Second = second, SecondName = NameOf(second) });
    }
}
