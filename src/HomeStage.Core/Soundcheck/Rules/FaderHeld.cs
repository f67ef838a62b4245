using HomeStage.Core.Automation;
using HomeStage.Core.Editing;
using HomeStage.Core.Soundcheck.Findings;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Soundcheck.Rules;

/// <summary>A curve or a lever that holds the fader, although a gain stage is kept for that.</summary>
public sealed class FaderHeld : ISoundcheckRule
{
    // What the gain stage reaches.
    private const double LowestDb = -60;

    public string Id => "fader-held";

    public string Group => "Strips";

    public IEnumerable<Finding> Look(Template template, string act)
    {
        foreach (var channel in template.Channels)
        {
            if (channel.Inserts.LastOrDefault(i => i.KeptForAutomation && i.IsLiveIn(template, act)) is not { } kept)
                continue;
            var curves = channel.Shapes.Where(s => s.Target is LevelTarget).ToList();
            var levers = template.Levers.Where(l => l.Ranges.Any(r => IsFader(r, channel))).ToList();
            if (curves.Count + levers.Count == 0)
                continue;
            var target = new InsertTarget(kept.Id, "gain-db");
            var isFree = channel.Shapes.All(s => s.Target != target) && template.Levers.All(l => l.Ranges.All(r => r.Channel != channel.Id || r.Target != target));
            yield return new(Id, Severity.Warning, [channel.Id],
                $"{(curves.Count > 0 ? "A curve" : $"The lever {levers[0].Name}")} holds the fader of {channel.Name}, although a gain stage is kept there for automation.",
                isFree ? [new("Let it move the gain stage", Moved(channel, curves, levers, target).ToSequence())] : [new("Leave the fader alone", Freed(channel, curves, levers).ToSequence())]);
        }
    }

    private static bool IsFader(LeverRange range, Channel channel) => range.Channel == channel.Id && range.Target is LevelTarget;

    private static IEnumerable<Edit> Moved(Channel channel, List<Shape> curves, List<Lever> levers, InsertTarget target)
    {
        static double Within(double db) => Math.Max(db, LowestDb);
        foreach (var curve in curves)
        {
            yield return new RemoveShape(channel.Id, curve.Target, curve.Section);
            yield return new PutShape(channel.Id, curve with { Target = target, Points = curve.Points.Select(p => p with { Value = Within(p.Value) }).ToSequence() });
        }

        foreach (var lever in levers)
            yield return new PutLever(lever with { Ranges = lever.Ranges.Select(r => IsFader(r, channel) ? r with { Target = target, From = Within(r.From), To = Within(r.To) } : r).ToSequence() });
    }

    private static IEnumerable<Edit> Freed(Channel channel, List<Shape> curves, List<Lever> levers) =>
        curves.Select(c => (Edit)new RemoveShape(channel.Id, c.Target, c.Section))
            .Concat(levers.Select(l => new PutLever(l with { Ranges = l.Ranges.Where(r => !IsFader(r, channel)).ToSequence() })));
}
