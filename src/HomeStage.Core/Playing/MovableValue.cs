using HomeStage.Core.Automation;
using HomeStage.Core.Catalogue;
using HomeStage.Core.Controls;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Playing;

/// <summary>A value of a channel that curves and levers can move.</summary>
/// <param name="Name">"Level", "Send to Hall", "Equaliser: low cut at".</param>
/// <param name="Min">A level begins at <see cref="Scales.FloorDb"/> on its way out of silence.</param>
/// <param name="Symbol">Its unit; empty for none.</param>
/// <param name="Stored">Where it stands by itself; null where nothing is stored.</param>
/// <param name="Scale">How it goes from one value to another.</param>
public sealed record MovableValue(ChannelId Channel, Target Target, string Name, double Min, double Max, string Symbol, double? Stored, Scale Scale)
{
    /// <summary>Whether this is what moves the channel's level, so that its fader stays free: a gain stage kept for automation, else the fader.</summary>
    public bool MovesTheLevel { get; init; }

    /// <summary>What its numbers count, so that they can be written as people write them; null for levels, pans and controllers.</summary>
    public Unit? Counts { get; init; }

    /// <summary>What its whole numbers mean, from 0; none where they are numbers.</summary>
    public Sequence<string> Words { get; init; } = [];

    /// <summary>The switch without which it is not heard, and which is off; null where it is heard.</summary>
    public Parameter? Off { get; init; }

    /// <returns>Every one on a channel: level and pan, sends, inserts in order, the instrument, controllers.</returns>
    public static IEnumerable<MovableValue> On(Template template, Channel channel) => Targets(channel).Select(t => Of(template, channel, t)).OfType<MovableValue>();

    /// <returns>Null where the channel has no such thing, or nothing can move it.</returns>
    public static MovableValue? Of(Template template, Channel channel, Target target)
    {
        if (target.RangeOn(channel) is not { } range)
            return null;
        var scale = target switch
        {
            LevelTarget or SendTarget => Scale.Level,
            _ => target.ParameterOn(channel)?.Unit == Unit.Hertz ? Scale.Octaves : Scale.Linear,
        };
        return new(channel.Id, target, NameOf(template, channel, target, range), scale == Scale.Level ? Scales.FloorDb : range.Min, range.Max, range.Symbol, StoredValue.Of(channel, target), scale)
        {
            Off = target.OffOn(channel),
            Counts = target.ParameterOn(channel)?.Unit,
            Words = target.ParameterOn(channel)?.Words() ?? [],
            MovesTheLevel = target == LevelOf(channel),
        };
    }

    private static Target LevelOf(Channel channel) =>
        channel.Inserts.LastOrDefault(i => i.KeptForAutomation) is { } kept ? new InsertTarget(kept.Id, "gain-db") : new LevelTarget();

    private static IEnumerable<Target> Targets(Channel channel)
    {
        var can = Capabilities.Of(channel.Kind);
        if (can.Sounds)
            yield return new LevelTarget();
        if (can.Sounds)
            yield return new PanTarget();
        foreach (var send in channel.Sends)
            yield return new SendTarget(send.To);
        foreach (var insert in channel.Inserts)
            foreach (var parameter in insert.Parameters())
                yield return new InsertTarget(insert.Id, parameter.Id);
        if (channel.Source is InstrumentSource played)
            foreach (var parameter in played.Parameters())
                yield return new InstrumentTarget(parameter.Id);
        foreach (var controller in channel.NoteInput?.Controllers ?? [])
            yield return new ControllerTarget(controller.Number);
    }

    private static string NameOf(Template template, Channel channel, Target target, TargetRange range) => target switch
    {
        SendTarget send => $"Send to {(template.Channels.TryGet(send.To, out var to) ? to.Name : send.To.Value)}",
        InsertTarget moved => $"{channel.Inserts.First(i => i.Id == moved.Insert).Title()}: {Lower(range.Name)}",
        InstrumentTarget => $"Instrument: {Lower(range.Name)}",
        _ => range.Name,
    };

    private static string Lower(string name) => name.Length == 0 ? name : char.ToLowerInvariant(name[0]) + name[1..];
}
