using HomeStage.Core.Automation;
using HomeStage.Core.Controls;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Catalogue;

/// <summary>What shapes and levers can move a value between.</summary>
public static class TargetRanges
{
    /// <returns>The range of the value and its unit, or null where the channel has no such thing.</returns>
    public static TargetRange? RangeOn(this Target target, Channel channel) => target switch
    {
        LevelTarget => Level("Level"),
        PanTarget => new("Pan", -1, 1, ""),
        SendTarget send => channel.Sends.Any(s => s.To == send.To) ? Level("Send") : null,
        InsertTarget moved => channel.Inserts.FirstOrDefault(i => i.Id == moved.Insert) is { } insert ? Of(insert.Find(moved.Parameter)) : null,
        InstrumentTarget moved => channel.Source is InstrumentSource source ? Of(source.Find(moved.Parameter)) : null,
        ControllerTarget moved => channel.NoteInput?.Controllers.FirstOrDefault(c => c.Number == moved.Number) is { } shown ? new(shown.Name, 0, 127, "") : null,
        _ => throw new ArgumentOutOfRangeException(nameof(target), target, "Not a target that is known."),
    };

    private static TargetRange Level(string name) => new(name, double.NegativeInfinity, Decibels.FaderTop.Value, "dB");

    private static TargetRange? Of(Parameter? parameter) => parameter is null ? null : new(parameter.Name, parameter.Min, parameter.Max, parameter.Unit.Symbol());
}
