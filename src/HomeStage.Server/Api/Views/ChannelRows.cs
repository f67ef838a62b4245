using HomeStage.Core.Catalogue;
using HomeStage.Core.Colours;
using HomeStage.Core.Making;
using HomeStage.Core.Playing;
using HomeStage.Core.Roles;
using HomeStage.Core.Routing;
using HomeStage.Core.Templates;

namespace HomeStage.Server.Api.Views;

/// <summary>The rows of the running order with their words.</summary>
internal static class ChannelRows
{
    private static readonly RoleGuess Unread = RoleReader.Read("");

    /// <summary>Whole rows, with their roles.</summary>
    public static IReadOnlyList<ChannelView> Of(Template template) => [.. WithoutRoles(template).Select(WithRole)];

    /// <summary>A name costs more to read than all else in a row, so it is read for the rows that travel only.</summary>
    public static ChannelView WithRole(ChannelView row) => row with { Role = ChannelRole.Of(row.Channel) };

    public static IReadOnlyList<ChannelView> WithoutRoles(Template template)
    {
        var keys = template.Channels.SelectMany(c => c.Feeds.Select(f => (To: f.Channel, From: c.Name))).ToLookup(x => x.To, x => x.From);
        var senders = template.Channels.SelectMany(c => c.Sends.Select(s => s.To)).CountBy(id => id).ToDictionary();
        var rows = RunningOrder.Of(template);
        var held = HeldValue.Of(template);
        var colours = Palette.Of(rows);
        return [.. rows.Select(row => new ChannelView(
            row.Channel, row.Depth, row.HueDegrees, row.Feeders,
            ComesFrom(template, row, senders.GetValueOrDefault(row.Channel.Id)),
            [.. keys[row.Channel.Id].Distinct()],
            [.. row.Channel.Feeds.Select(f => template.Channels[f.Channel].Name).Distinct()],
            Unread, colours.GetValueOrDefault(row.Channel.Id), [.. held[row.Channel.Id]],
            row.Channel.Inserts.All(i => i.WaitsFor is null) ? [] : [.. row.Channel.Inserts.Where(i => i.IsIdle(template)).Select(i => i.Id)],
            [.. from chain in row.Channel.Chains from control in chain.Controls where !ChainTurning.IsAsSaid(row.Channel, control) select $"{chain.Id}/{control.Id}"]))];
    }

    private static string ComesFrom(Template template, RunningOrderRow row, int senders) => row.Channel switch
    {
        { Kind: ChannelKind.Main, OutputPair: { } pair } channel => $"to outputs {2 * pair - 1}–{2 * pair}{(channel.OutputName is { } name ? $" · {name}" : "")}",
        { Source: InstrumentSource { Kit: { } kit } } => $"{Count(kit.Pieces.Count, "piece")}, {Count(kit.Outputs.Count, "output")}",
        { Source: InstrumentSource { Device: not null } source } => $"heard through {InstrumentCatalogue.Find(source.Instrument)?.Name ?? source.Instrument}",
        { Source: InstrumentSource source } => InstrumentCatalogue.Find(source.Instrument)?.About ?? source.Instrument,
        { Source: OutputSource source } => Split(template, source),
        { Source: InputSource source } channel => Input(channel, source),
        { Source: InternalSource source } => $"records {template.Channels[source.From].Name}",
        { Starters.Count: > 0 } channel => Count(channel.Starters.Count, "sound"),
        { Kind: ChannelKind.Notes } channel => Plays(template, channel),
        { Spare: true } => "waits for a part",
        { Kind: ChannelKind.Return } => Count(senders, "send"),
        { Kind: ChannelKind.Bus } => Count(row.Feeders, "channel") + (senders > 0 ? $", {Count(senders, "send")}" : ""),
        _ => "nothing yet",
    };

    /// <summary>An input that nobody hears says so, unless sound is laid there to be heard.</summary>
    private static string Input(Channel channel, InputSource source)
    {
        var input = (source.FirstName, source.Second) switch
        {
            ({ } name, null) => $"{source.First} · {name}",
            ({ } name, { } second) => $"{source.First}, {second} · {name}{(source.SecondName is { } other ? $", {other}" : "")}",
            (null, { } second) => $"inputs {source.First}, {second}",
            _ => $"input {source.First}",
        };
        return channel.Starters.Count > 0 ? $"{Count(channel.Starters.Count, "sound")}, {input}" : source.Monitored ? input : $"{input}, not monitored";
    }

    private static string Plays(Template template, Channel channel)
    {
        var targets = channel.Plays.Select(id => template.Channels[id].Name).Concat(channel.MidiOut is { } port ? [port.Device] : Array.Empty<string>()).ToList();
        return targets.Count == 0 ? "plays nothing yet" : $"plays {string.Join(", ", targets)}";
    }

    private static string Split(Template template, OutputSource source)
    {
        var player = template.Channels[source.Instrument];
        return player.Source is InstrumentSource { Kit: { } kit } ? $"{kit.JackLabel(source.Output)} · {player.Name}" : $"output {source.Output} · {player.Name}";
    }

    private static string Count(int count, string what) => count == 1 ? $"1 {what}" : $"{count} {what}s";
}
