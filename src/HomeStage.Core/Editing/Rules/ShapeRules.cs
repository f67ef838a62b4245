using HomeStage.Core.Automation;
using HomeStage.Core.Catalogue;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Editing.Rules;

/// <summary>What the prepared curves of a channel must keep to.</summary>
internal static class ShapeRules
{
    /// <returns>The first thing that is wrong on a channel, or null.</returns>
    public static Refusal? Check(Channel channel)
    {
        if (channel.Shapes.Count > Shape.MostOnAChannel)
            return new Refusal.TooMany($"shapes on {channel.Name}", Shape.MostOnAChannel);
        return channel.Shapes.Select(s => CheckOne(channel, s)).FirstOrDefault(r => r is not null)
            ?? Doubles.Check(channel.Shapes.Select(s => $"{s.Target} in {s.Section}"), $"shape on {channel.Name}");
    }

    private static Refusal? CheckOne(Channel channel, Shape shape)
    {
        var range = shape.Target.RangeOn(channel);
        var outside = range is null ? null : shape.Points.FirstOrDefault(p => !(p.Value >= Math.Max(range.Min, Scales.SilenceDb) && p.Value <= range.Max));
        return ShapePoint.Check($"A shape on {channel.Name}", shape.Points)
            ?? (outside is null ? null : new Refusal.OutOfRange($"A shape of {range!.Name} on {channel.Name}", outside.Value, Math.Max(range.Min, Scales.SilenceDb), range.Max, range.Symbol));
    }
}
