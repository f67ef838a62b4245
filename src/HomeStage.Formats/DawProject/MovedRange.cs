using HomeStage.Core.Automation;
using HomeStage.Core.Templates;

namespace HomeStage.Formats.DawProject;

/// <summary>Where a value can be that a curve moves, and how nearly it is heard.</summary>
/// <param name="Stored">Where it stands by itself.</param>
internal sealed record MovedRange(double Min, double Max, double Stored, Scale Scale)
{
    private const double LevelDb = 0.03;
    private const double Octaves = 0.005;

    /// <summary>Of the whole range.</summary>
    private const double Share = 0.001;

    /// <returns>Null where the channel has no such value.</returns>
    public static MovedRange? Of(Channel channel, Target target) => target switch
    {
        LevelTarget => new(Scales.SilenceDb, Core.Values.Decibels.FaderTop.Value, Db(channel.Level), Scale.Level),
        PanTarget => new(-1, 1, channel.Pan, Scale.Linear),
        SendTarget send when channel.Sends.FirstOrDefault(s => s.To == send.To) is { } open => new(Scales.SilenceDb, Core.Values.Decibels.FaderTop.Value, open.Open ? Db(open.Level) : Scales.SilenceDb, Scale.Level),
        _ => Core.Playing.MovableValue.Of(Nothing, channel, target) is { Stored: { } stored } value ? new(value.Min, value.Max, stored, value.Scale) : null,
    };

    /// <summary>In the range; rounded to what is told apart.</summary>
    public double Held(double value) => Math.Round(Math.Clamp(value, Min, Max), 4);

    /// <summary>In steps that are just told apart; below the floor of levels nothing is.</summary>
    public double Heard(double value) => Scale switch
    {
        Scale.Level => Math.Max(value, Scales.FloorDb) / LevelDb,
        Scale.Octaves => Math.Log2(value) / Octaves,
        _ => value / (Share * (Max - Min)),
    };

    private static double Db(Core.Values.Decibels level) => level.IsSilence ? Scales.SilenceDb : level.Value;

    /// <summary>What a value is called does not matter here.</summary>
    private static readonly Template Nothing = EmptyStage.Create("Nothing");
}
