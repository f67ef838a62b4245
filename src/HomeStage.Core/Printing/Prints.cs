using HomeStage.Core.Compiling;
using HomeStage.Core.Editing;
using HomeStage.Core.Editing.Comparing;
using HomeStage.Core.Making;
using HomeStage.Core.Media;
using HomeStage.Core.Sound;
using HomeStage.Core.Sound.Listening;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Printing;

/// <summary>Prints of many instruments at once: which can be, where each is taken, and the one batch that lays them down and lets them play.</summary>
public static class Prints
{
    /// <summary>What a print is called on its channel, where that takes no other.</summary>
    public const string Name = "Print";

    /// <returns>Instruments and outputs of them that can be printed in an act, in the template's order: those that lead to the main and do not rest. What is heard by nobody, as a trigger, has no print.</returns>
    public static IReadOnlyList<Channel> Able(CompiledTemplate compiled, string act) =>
        [.. StemRender.Able(compiled, act).Where(c => c.Kind is ChannelKind.Instrument or ChannelKind.Split)];

    /// <returns>Those that are asked for, and with an instrument its other outputs: they rest when it does.</returns>
    /// <param name="able">What can be printed.</param>
    public static IReadOnlyList<Channel> Together(IReadOnlyList<Channel> able, IReadOnlyCollection<ChannelId> asked) =>
        [.. able.Where(c => asked.Contains(c.Id) || (c.Source is OutputSource { Instrument: var player } && asked.Contains(player)))];

    /// <returns>Where the print of a channel is taken: where its print channel records it, else before the fader.</returns>
    public static Stem StemOf(Template template, Channel channel) =>
        new(channel.Id, template.TwinOf(channel)?.Source is InternalSource { Tap: TapPoint.Post } recorded && recorded.From == channel.Id ? StemPoint.AfterFader : StemPoint.BeforeFader);

    /// <returns>The other outputs of an instrument, which rest when it does.</returns>
    public static IEnumerable<Channel> OutputsOf(Template template, Channel channel) =>
        template.Channels.Where(c => c.Source is OutputSource { Instrument: var player } && player == channel.Id);

    /// <param name="act">The one in which they play, where they shall.</param>
    /// <param name="printed">Channels of the template that can be printed, with their sound.</param>
    /// <param name="playing">Whether the prints play in the act, and the instruments rest.</param>
    /// <returns>One batch: print channels where they are missing, mixed as their instruments are now where they hold no print yet, the sounds on them; or why that cannot be.</returns>
    public static (Sequence<Edit> Edits, Refusal? Why) Laid(Template template, string act, IReadOnlyList<(ChannelId Channel, MediaRef Sound)> printed, bool playing)
    {
        var work = new GatheredEdits(template);
        var why = work.Do(printed.Where(p => template.Channels[p.Channel].PrintTwin is null).Select(p => new AddPrintTwin(p.Channel)));
        why ??= work.Do(Difference.Between(work.Now, printed.Aggregate(work.Now, (now, p) => Mixed(now, now.Channels[p.Channel]))));
        why ??= work.Do(printed.Select(p => Laid(work.Now, work.Now.Channels[p.Channel], p.Sound)));
        if (why is null && playing)
            why = work.Do(Playing(work.Now, act, [.. printed.Select(p => p.Channel)]));
        return (work.Edits, why);
    }

    /// <param name="channels">With a print channel each; others stay as they are.</param>
    /// <returns>What lets the prints play in an act, and the instruments rest.</returns>
    public static IReadOnlyList<Edit> Playing(Template template, string act, IReadOnlyList<ChannelId> channels) =>
        [
            // What comes on stage brings what it records: that rests again afterwards.
            .. channels.Select(c => template.TwinOf(template.Channels[c])).OfType<Channel>().Select(t => new SetStage(t.Id, act, StageState.OnStage)),
            .. channels.Where(c => template.TwinOf(template.Channels[c]) is not null).Select(c => new SetStage(c, act, StageState.InTheWings)),
        ];

    /// <summary>A print channel that holds none yet has been mixed by nobody.</summary>
    private static Template Mixed(Template template, Channel channel) =>
        template.TwinOf(channel) is { } twin && !template.IsPrinted(channel) && twin.Source is InternalSource { Tap: TapPoint.Pre } recorded && recorded.From == channel.Id
            ? template.Replace(StandIn.For(channel, twin)) with { Levers = template.Levers.Select(l => StandIn.Moving(l, channel.Id, twin.Id)).ToSequence() }
            : template;

    private static PutStarter Laid(Template template, Channel channel, MediaRef sound)
    {
        var twin = template.TwinOf(channel)!;
        var isAlone = template.Channels.Count(c => c.PrintTwin == twin.Id) == 1;
        var name = isAlone ? Name : TextRules.Cleaned($"{Name} of {channel.Name}", TextRules.LongestName);
        return new(twin.Id, new(name, sound, Loops: false, default, []) { Through = true });
    }
}
