using HomeStage.Core.Devices;

namespace HomeStage.Core.Templates;

/// <summary>A device of a template.</summary>
/// <param name="StandIn">Id of the instrument or processor that is heard in its place.</param>
public sealed record HeldDevice(DevicePlace Place, OutsideDevice Device, string StandIn)
{
    /// <returns>Every one, in the template's order: a channel's instrument, then its inserts.</returns>
    public static IEnumerable<HeldDevice> Of(Template template) => template.Channels.SelectMany(c => Of(c, _ => true));

    /// <returns>Those of a channel that work in an act.</returns>
    public static IEnumerable<HeldDevice> LiveIn(Template template, string act, Channel channel) =>
        channel.StageIn(act) == StageState.InTheWings ? [] : Of(channel, i => i.IsLiveIn(template, act));

    /// <returns>Every one that works in an act.</returns>
    public static IEnumerable<HeldDevice> LiveIn(Template template, string act) => template.Channels.SelectMany(c => LiveIn(template, act, c));

    private static IEnumerable<HeldDevice> Of(Channel channel, Func<Insert, bool> taken)
    {
        if (channel.Source is InstrumentSource { Device: { } played } source)
            yield return new(new(channel.Id, null), played, source.Instrument);
        foreach (var insert in channel.Inserts)
            if (insert.Device is { } device && taken(insert))
                yield return new(new(channel.Id, insert.Id), device, insert.Processor);
    }
}
