using HomeStage.Core.Editing;
using HomeStage.Core.Outputs;
using HomeStage.Core.Soundcheck.Findings;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Soundcheck.Rules;

/// <summary>A split that takes an output and does not let it be heard.</summary>
public sealed class SplitNotMonitored : ISoundcheckRule
{
    public string Id => "split-not-monitored";

    public string Group => "Outputs";

    public IEnumerable<Finding> Look(Template template, string act) =>
        from kit in SplitKit.AllOf(template)
        from split in kit.Splits
        where split.Source is OutputSource { Monitored: false }
        select new Finding(Id, Severity.Blocker, [split.Id],
            $"{split.Name} is not monitored, so what leaves by {kit.Kit.JacksSaid(SplitKit.NumberOf(split))} of {kit.Player.Name} is not heard.",
            [new("Switch its monitoring on", [new SetSource(split.Id, ((OutputSource)split.Source!) with { Monitored = true })])]);
}
