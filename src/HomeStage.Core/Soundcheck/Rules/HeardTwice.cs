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
        let twice = kit.Kit.Pieces.Where(p => p.AlsoOnFirst && p.Output != 1 && kit.HasSplit(p.Output)).ToList()
        where twice.Count > 0
        let first = kit.Kit.JackLabel(1)
        select new Finding(Id, Severity.Warning, [kit.Player.Id],
            $"{string.Join(", ", twice.Select(p => p.Name))} also {(twice.Count == 1 ? "reaches" : "reach")} {first}: heard on {(twice.Count == 1 ? "its split" : "their splits")} and in the rest.",
            [new($"Take {(twice.Count == 1 ? "it" : "them")} off {first}", [new SetOutputs(kit.Player.Id, kit.Kit with { Pieces = kit.Kit.Pieces.Select(p => twice.Contains(p) ? p with { AlsoOnFirst = false } : p).ToSequence() }, [])])]);
}
