using HomeStage.Core.Editing;
using HomeStage.Core.Kits;
using HomeStage.Core.Making;
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
        let unheard = kit.Kit.Lines.Where(l => l.Output != 1 && !kit.HasSplit(l.Output)).ToList()
        where unheard.Count > 0
        select new Finding(Id, Severity.Blocker, [kit.Player.Id],
            $"{string.Join(", ", unheard.Select(p => p.Name))}: no channel takes {string.Join(", ", unheard.Select(p => p.Output).Distinct().Select(kit.Kit.JackLabel))} of {kit.Player.Name}, so nobody hears {(unheard.Count == 1 ? "it" : "them")}.",
            [
                new(unheard.Count == 1 ? "Give it a split" : "Give them splits", Splits(template, kit, unheard)),
                new($"Put {(unheard.Count == 1 ? "it" : "them")} on the first output", [new SetOutputs(kit.Player.Id, OnFirst(kit.Kit, unheard), [])]),
            ]);

    private static Sequence<Edit> Splits(Template template, SplitKit kit, List<KitLine> unheard)
    {
        var place = template.Channels.IndexOf(kit.Splits.Count > 0 ? kit.Splits[^1].Id : kit.Player.Id) + 1;
        return unheard.Select(p => p.Output).Distinct().Order().Select((number, i) => (Edit)new AddChannel(
            ChannelFactory.Split(kit.Player, kit.Kit, number) with { Id = Numbering.FreshId($"{kit.Player.Id}-output-{number}", template.Channels.Contains) }, place + i)).ToSequence();
    }

    private static Kit OnFirst(Kit kit, List<KitLine> unheard) => kit.Rewired(l => unheard.Contains(l) ? l.Microphone with { Output = 1 } : l.Microphone);
}
