using HomeStage.Core.Automation;
using HomeStage.Core.Catalogue;
using HomeStage.Core.Controls;
using HomeStage.Core.Editing;
using HomeStage.Core.Soundcheck.Findings;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Soundcheck.Rules;

/// <summary>A curve or a lever on a value whose switch is off, and which nothing switches on: it moves, and is not heard.</summary>
public sealed class MovesWhatIsOff : ISoundcheckRule
{
    public string Id => "moves-what-is-off";

    public string Group => "Strips";

    public IEnumerable<Finding> Look(Template template, string act)
    {
        var levers = template.Levers.SelectMany(l => l.Ranges).ToLookup(r => r.Channel, r => r.Target);
        foreach (var channel in template.Channels)
        {
            var moved = channel.Shapes.Select(s => s.Target).Concat(levers[channel.Id]).ToHashSet();
            var off = moved.Select(t => (Target: t, Switch: t.OffOn(channel))).Where(x => x.Switch is not null && !moved.Contains(x.Target.With(x.Switch.Id)!)).ToList();
            if (off.Count == 0)
                continue;
            var names = off.Select(x => x.Switch!.Name.InASentence()).Distinct();
            yield return new(Id, Severity.Hint, [channel.Id], $"What moves on {channel.Name} is not heard: {string.Join(", ", names)} {(names.Count() == 1 ? "is" : "are")} off.",
                [new("Switch it on", off.Select(x => On(channel.Id, x.Target, x.Switch!)).Distinct().ToSequence())]);
        }
    }

    private static Edit On(ChannelId channel, Target target, Parameter off) => target is InsertTarget moved
        ? new SetParameter(channel, moved.Insert, off.Id, 1)
        : new SetInstrumentSetting(channel, off.Id, 1);
}
