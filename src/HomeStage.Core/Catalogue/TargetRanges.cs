using HomeStage.Core.Automation;
using HomeStage.Core.Controls;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Catalogue;

/// <summary>What shapes and levers can move a value between.</summary>
public static class TargetRanges
{
    /// <returns>The range of the value and its unit, or null where the channel has no such thing, or nothing can move it.</returns>
    public static TargetRange? RangeOn(this Target target, Channel channel) => target switch
    {
        LevelTarget => Level("Level"),
        PanTarget => new("Pan", -1, 1, ""),
        SendTarget send => channel.Sends.Any(s => s.To == send.To) ? Level("Send") : null,
        InsertTarget or InstrumentTarget => Of(target.ParameterOn(channel)),
        ControllerTarget moved => channel.NoteInput?.Controllers.FirstOrDefault(c => c.Number == moved.Number) is { } shown ? new(shown.Name, 0, 127, "") : null,
        _ => throw new ArgumentOutOfRangeException(nameof(target), target, "Not a target that is known."),
    };

    /// <returns>The control that it is; null for what is none, or is not there.</returns>
    public static Parameter? ParameterOn(this Target target, Channel channel) => target switch
    {
        InsertTarget moved => channel.Inserts.FirstOrDefault(i => i.Id == moved.Insert)?.Find(moved.Parameter),
        InstrumentTarget moved => (channel.Source as InstrumentSource)?.Find(moved.Parameter),
        _ => null,
    };

    private static TargetRange Level(string name) => new(name, double.NegativeInfinity, Decibels.FaderTop.Value, "dB");

    private static TargetRange? Of(Parameter? parameter) => parameter is null or { StandsStill: not null } ? null : new(parameter.Name, parameter.Min, parameter.Max, parameter.Unit.Symbol());
}
