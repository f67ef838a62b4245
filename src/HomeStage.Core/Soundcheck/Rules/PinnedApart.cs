using HomeStage.Core.Editing;
using HomeStage.Core.Kits;
using HomeStage.Core.Outputs;
using HomeStage.Core.Soundcheck.Findings;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Soundcheck.Rules;

/// <summary>A piece that is to have an output to itself and shares one.</summary>
public sealed class PinnedApart : ISoundcheckRule
{
    public string Id => "pinned-apart";

    public string Group => "Outputs";

    public IEnumerable<Finding> Look(Template template, string act) =>
        from kit in SplitKit.AllOf(template)
        let crowded = kit.Kit.Lines.Where(l => l.Microphone.Stay == PieceStay.Alone && kit.LinesAt(l.Output).Count() > 1).ToList()
        where crowded.Count > 0
        let first = crowded[0]
        let others = kit.LinesAt(first.Output).Where(l => l != first).Select(p => p.Name)
        select new Finding(Id, Severity.Warning, [kit.Player.Id],
            $"{first.Name} is to have an output to itself and shares {kit.Spoken(first.Output)} with {string.Join(", ", others)}.",
            Mends(template, kit, crowded));

    private static Sequence<Mend> Mends(Template template, SplitKit kit, List<KitLine> crowded)
    {
        var jacks = KitJacks.Of(kit.Kit);
        var used = kit.Splits.Select(SplitKit.NumberOf).Distinct().Count();
        var share = new Mend("Let it share", crowded.Select(l => (Edit)new SetPiecePlace(kit.Player.Id, l.Name, PieceStay.ByPlan, l.Microphone.Importance)).ToSequence());
        return jacks.Plans(kit.Kit) is PlanResult.Planned { Plans: var plans }
            && (plans.FirstOrDefault(p => p.Groups.Count > used) ?? plans.LastOrDefault()) is { } plan
            ? [new($"Split {kit.Player.Name} over {plan.Groups.Count} outputs", SplitBatch.Of(template, kit.Player.Id, plan)), share]
            : [share];
    }
}
