using HomeStage.Core.Templates;

namespace HomeStage.Core.Automation;

/// <summary>One value of a channel that shapes and levers can move.</summary>
/// <remarks>A target may be loose: an instrument or insert that was swapped may come back, and its shape with it. The
/// soundcheck says which ones move nothing.</remarks>
public abstract record Target
{
    /// <returns>The range of the value and its unit, or null where the channel has no such thing.</returns>
    public abstract TargetRange? RangeOn(Channel channel);
}

/// <summary>What a target can be moved between; levels end at silence below.</summary>
public sealed record TargetRange(string Name, double Min, double Max, string Symbol);

/// <summary>The fader, in [−∞, +6] dB.</summary>
public sealed record LevelTarget : Target
{
    public override TargetRange? RangeOn(Channel channel) => new("Level", double.NegativeInfinity, Decibels.FaderTop.Value, "dB");
}

/// <summary>The pan, in [−1, 1].</summary>
public sealed record PanTarget : Target
{
    public override TargetRange? RangeOn(Channel channel) => new("Pan", -1, 1, "");
}

/// <summary>The level of a send, in [−∞, +6] dB.</summary>
public sealed record SendTarget(ChannelId To) : Target
{
    public override TargetRange? RangeOn(Channel channel) =>
        channel.Sends.Any(s => s.To == To) ? new("Send", double.NegativeInfinity, Decibels.FaderTop.Value, "dB") : null;
}

/// <summary>A control of an insert.</summary>
public sealed record InsertTarget(InsertId Insert, string Parameter) : Target
{
    public override TargetRange? RangeOn(Channel channel) =>
        channel.Inserts.FirstOrDefault(i => i.Id == Insert) is { } insert
        && Catalogue.ProcessorCatalogue.Find(insert.Processor)?.Find(Parameter) is { } parameter
            ? TargetRanges.Of(parameter)
            : null;
}

/// <summary>A control of the channel's instrument.</summary>
public sealed record InstrumentTarget(string Parameter) : Target
{
    public override TargetRange? RangeOn(Channel channel) =>
        channel.Source is InstrumentSource source
        && Catalogue.InstrumentCatalogue.Find(source.Instrument)?.Parameters.FirstOrDefault(p => p.Id == Parameter) is { } parameter
            ? TargetRanges.Of(parameter)
            : null;
}

/// <summary>A MIDI controller that is shown on the channel, in [0, 127].</summary>
/// <param name="Number">In [0, 127].</param>
public sealed record ControllerTarget(int Number) : Target
{
    public override TargetRange? RangeOn(Channel channel) =>
        channel.NoteInput?.Controllers.FirstOrDefault(c => c.Number == Number) is { } shown ? new(shown.Name, 0, 127, "") : null;
}

internal static class TargetRanges
{
    public static TargetRange Of(Catalogue.Parameter parameter) =>
        new(parameter.Name, parameter.Min, parameter.Max, Catalogue.UnitNames.Symbol(parameter.Unit));
}
