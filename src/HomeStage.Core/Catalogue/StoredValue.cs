using HomeStage.Core.Automation;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Catalogue;

/// <summary>Where a value stands by itself, before curves and levers.</summary>
public static class StoredValue
{
    /// <returns>In the unit of what it is; a level of silence is <see cref="Scales.SilenceDb"/>. Null where the channel has no such thing, or it is not stored.</returns>
    public static double? Of(Channel channel, Target target) => target switch
    {
        LevelTarget => Db(channel.Level),
        PanTarget => channel.Pan,
        SendTarget send => channel.Sends.FirstOrDefault(s => s.To == send.To) is { } sent ? Db(sent.Level) : null,
        InsertTarget moved => channel.Inserts.FirstOrDefault(i => i.Id == moved.Insert) is { } insert ? target.ParameterOn(channel)?.In(insert.Settings) : null,
        InstrumentTarget => channel.Source is InstrumentSource played ? target.ParameterOn(channel)?.In(played.Settings) : null,
        ControllerTarget => null,
        _ => throw new ArgumentOutOfRangeException(nameof(target), target, "Not a target that is known."),
    };

    private static double Db(Decibels level) => Math.Max(level.Value, Scales.SilenceDb);
}
