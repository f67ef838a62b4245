using HomeStage.Core.Editing;
using HomeStage.Core.Kits;
using HomeStage.Core.Outputs;
using HomeStage.Core.Soundcheck.Findings;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Soundcheck.Rules;

/// <summary>Pieces on an output that no channel takes: nobody hears them.</summary>
public sealed class PieceUnheard : ISoundcheckRule
{
    public string Id => "piece-unheard";

    public string Group => "Outputs";

    public IEnumerable<Finding> Look(Template template, string act) =>
        from kit in SplitKit.AllOf(template)
        let unheard = kit.Kit.Lines.Where(l => l.Microphone.SoundsOn().All(o => o != 1 && !kit.HasSplit(o))).ToList()
        where unheard.Count > 0
        select new Finding(Id, Severity.Blocker, [kit.Player.Id],
            $"{string.Join(", ", unheard.Select(p => p.Name))}: no channel takes {kit.Kit.JacksSaid([.. unheard.Select(p => p.Output).Distinct()])} of {kit.Player.Name}, so nobody hears {(unheard.Count == 1 ? "it" : "them")}.",
            [
                new(unheard.Count == 1 ? "Give it a split" : "Give them splits", MissingSplits.Of(template, kit.Player, kit.Kit, unheard.Select(p => p.Output)).ToSequence()),
                new($"Put {(unheard.Count == 1 ? "it" : "them")} on the first output", [new SetOutputs(kit.Player.Id, OnFirst(kit.Kit, unheard), [])]),
            ]);

    private static Kit OnFirst(Kit kit, List<KitLine> unheard) => kit.Rewired(l => unheard.Contains(l) ? l.Microphone with { Output = 1 } : l.Microphone);
}
