using HomeStage.Core.Kits;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Outputs;

/// <summary>An instrument with a kit, and the channels that take its outputs.</summary>
/// <param name="Splits">In the order of the template.</param>
public sealed record SplitKit(Channel Player, Kit Kit, IReadOnlyList<Channel> Splits)
{
    public static IEnumerable<SplitKit> AllOf(Template template)
    {
        var splits = template.Channels.Where(c => c.Source is OutputSource).ToLookup(c => ((OutputSource)c.Source!).Instrument);
        return from channel in template.Channels
               where channel is { Kind: ChannelKind.Instrument, Source: InstrumentSource { Kit: not null } }
               select new SplitKit(channel, ((InstrumentSource)channel.Source!).Kit!, [.. splits[channel.Id]]);
    }

    /// <param name="player">Id of a channel, as somebody sent it.</param>
    /// <returns>Null where the channel is no instrument with a kit.</returns>
    public static SplitKit? Of(Template template, string player) =>
        template.KitOf(player) is { } kit && template.Channels[new ChannelId(player)] is { Kind: ChannelKind.Instrument } channel
            ? new(channel, kit, [.. template.Channels.Where(c => c.Source is OutputSource split && split.Instrument == channel.Id)])
            : null;

    /// <param name="split">One of the splits.</param>
    /// <returns>Number of the output it takes.</returns>
    public static int NumberOf(Channel split) => ((OutputSource)split.Source!).Output;

    public IEnumerable<KitLine> LinesAt(int number) => Kit.Lines.Where(l => l.Output == number);

    public bool HasSplit(int number) => Splits.Any(s => NumberOf(s) == number);

    /// <summary>"output 3–4 (Snare)", for people.</summary>
    public string Spoken(int number) => $"{Kit.JacksSaid(number)} ({Kit.Outputs[number - 1].Name})";
}
