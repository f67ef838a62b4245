using HomeStage.Core.Catalogue;
using HomeStage.Core.Editing;
using HomeStage.Core.Kits;
using HomeStage.Core.Outputs;
using HomeStage.Core.Soundcheck.Findings;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Soundcheck.Rules;

/// <summary>Outputs that the instrument does not have, as a table of pieces may name them.</summary>
public sealed class OutputBeyond : ISoundcheckRule
{
    public string Id => "output-beyond";

    public string Group => "Outputs";

    public IEnumerable<Finding> Look(Template template, string act) =>
        from kit in SplitKit.AllOf(template)
        let has = JacksOf((InstrumentSource)kit.Player.Source!)
        let within = Within(kit.Kit, has)
        where within < kit.Kit.Outputs.Count
        select new Finding(Id, Severity.Blocker, [kit.Player.Id],
            $"{kit.Player.Name} has {has} jacks; {kit.Spoken(within + 1)} lies beyond them.",
            [new("Put what lies beyond on the first output", Trimmed(kit, within))]);

    /// <summary>What stands in for a device has none of its own: those of the device are looked at by <see cref="OtherOutputs"/>.</summary>
    private static int JacksOf(InstrumentSource played) => played.Device is not null ? int.MaxValue
        : InstrumentCatalogue.Find(played.Instrument) is { HasJacksOfItsOwn: false, Kit: { } kit } ? KitJacks.Of(kit).Total : int.MaxValue;

    /// <returns>How many outputs there is room for.</returns>
    private static int Within(Kit kit, int jacks)
    {
        var used = 0;
        return kit.Outputs.TakeWhile(o => (used += o.Format == ChannelFormat.Mono ? 1 : 2) <= jacks).Count();
    }

    private static Sequence<Edit> Trimmed(SplitKit kit, int within)
    {
        var trimmed = kit.Kit.Rewired(l => l.Output > within ? l.Microphone with { Output = 1 } : l.Microphone) with { Outputs = kit.Kit.Outputs.Take(within).ToSequence() };
        return kit.Splits.Where(s => SplitKit.NumberOf(s) > within).Select(s => (Edit)new RemoveChannel(s.Id)).Append(new SetOutputs(kit.Player.Id, trimmed, [])).ToSequence();
    }
}
