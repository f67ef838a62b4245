using HomeStage.Core.Editing;
using HomeStage.Core.Outputs;
using HomeStage.Core.Soundcheck.Findings;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Soundcheck.Rules;

/// <summary>Pieces that sound on their split and in the rest as well.</summary>
public sealed class HeardTwice : ISoundcheckRule
{
    public string Id => "heard-twice";

    public string Group => "Outputs";

    public IEnumerable<Finding> Look(Template template, string act) =>
        from kit in SplitKit.AllOf(template)
        let twice = kit.Kit.Lines.Where(l => l.Microphone.AlsoOnFirst && l.Output != 1 && kit.HasSplit(l.Output)).ToList()
        where twice.Count > 0
        let first = kit.Kit.JacksSaid(1)
        select new Finding(Id, Severity.Warning, [kit.Player.Id],
            $"{string.Join(", ", twice.Select(p => p.Name))} also {(twice.Count == 1 ? "leaves" : "leave")} {kit.Player.Name} by {first}: heard on {(twice.Count == 1 ? "its split" : "their splits")} and in the rest.",
            [new($"Take {(twice.Count == 1 ? "it" : "them")} off {first}", [new SetOutputs(kit.Player.Id, kit.Kit.Rewired(l => twice.Contains(l) ? l.Microphone with { AlsoOnFirst = false } : l.Microphone), [])])]);
}
