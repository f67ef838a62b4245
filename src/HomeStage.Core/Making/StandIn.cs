using HomeStage.Core.Automation;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Making;

/// <summary>What lets a print stand in for its instrument: all that lies behind the point at which it is taken.</summary>
public static class StandIn
{
    /// <param name="print">Taken before the fader of what it stands in for.</param>
    /// <returns>The print with fader, pan, sends, feeds and destination of the other, and with what moves them.</returns>
    public static Channel For(Channel instrument, Channel print) => print with
    {
        Role = instrument.Role,
        Format = instrument.Format,
        HueDegrees = instrument.HueDegrees,
        Destination = instrument.Destination,
        Level = instrument.Level,
        Pan = instrument.Pan,
        Sends = instrument.Sends,
        Feeds = instrument.Feeds.Where(f => f.Channel != print.Id).ToSequence(),
        Shapes = instrument.Shapes.Where(s => LiesBehind(s.Target)).ToSequence(),
    };

    /// <returns>The lever that moves the print as it moves the instrument; the same where that is not, or where it would move too many values.</returns>
    public static Lever Moving(Lever lever, ChannelId instrument, ChannelId print)
    {
        var ranges = lever.Ranges.Where(r => r.Channel == instrument && LiesBehind(r.Target)).Select(r => r with { Channel = print }).Where(r => !lever.Ranges.Any(o => o.Channel == r.Channel && o.Target.Equals(r.Target))).ToList();
        return ranges.Count == 0 || lever.Ranges.Count + ranges.Count > Lever.MostRanges ? lever : lever with { Ranges = [.. lever.Ranges, .. ranges] };
    }

    private static bool LiesBehind(Target target) => target is LevelTarget or PanTarget or SendTarget;
}
