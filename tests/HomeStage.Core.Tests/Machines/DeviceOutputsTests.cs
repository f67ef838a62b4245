using HomeStage.Core.Catalogue;
using HomeStage.Core.Devices;
using HomeStage.Core.Editing;
using HomeStage.Core.Kits;
using HomeStage.Core.Soundcheck;
using HomeStage.Core.Soundcheck.Findings;
using HomeStage.Core.Soundcheck.Rules;
using HomeStage.Core.Templates;
using static HomeStage.TestKit.Stages;

namespace HomeStage.Core.Tests.Machines;

/// <summary>A kit that stands in for a device which says by what it leaves.</summary>
public class DeviceOutputsTests
{
    private static readonly ChannelId Drums = new("drums");

    [Fact]
    public void OutputsCalledAfterDrums_GetTheirs_AndTheRestLeavesByTheFirst()
    {
        var after = Laid(("Rest", ChannelFormat.Stereo), ("Snare", ChannelFormat.Mono), ("Kick", ChannelFormat.Mono));

        string[] Carried(int number) => [.. KitOf(after).Lines.Where(l => l.Output == number).Select(l => l.Name).Order()];
        Assert.Equal(["Kick"], Carried(3));
        // A rim is a stroke of the snare.
        Assert.Equal(["Rim", "Snare"], Carried(2));
        Assert.Equal(KitOf(after).Lines.Count - 3, Carried(1).Length);
        Assert.Equal(["Kick", "Snare"], Splits(after).Order());
    }

    [Fact]
    public void OutputsCalledAfterNothing_AreFilledByPlan_EachWithItsSplit()
    {
        var after = Laid(("Thud", ChannelFormat.Mono), ("Snap", ChannelFormat.Stereo), ("Tin", ChannelFormat.Mono), ("Sky", ChannelFormat.Stereo));

        Assert.Equal(["Thud", "Snap", "Tin", "Sky"], KitOf(after).Outputs.Select(o => o.Name));
        Assert.Equal([2, 3, 4], KitOf(after).Lines.Select(l => l.Output).Where(n => n > 1).Distinct().Order());
        Assert.Equal(["Snap", "Tin", "Sky"], Splits(after));
        Assert.DoesNotContain(Report.Of(after, InMix).Open, f => f.Rule is "other-outputs" or "piece-unheard" or "empty-split");
    }

    [Theory]
    [InlineData(1, Severity.Blocker)]
    [InlineData(9, Severity.Blocker)]
    [InlineData(11, Severity.Warning)]
    public void OtherOutputs_WeighsByWhetherThereAreEnough(int outputs, Severity weight)
    {
        // The stand-in has ten mono outputs.
        var device = new OutsideDevice("Crate") { Outputs = Enumerable.Range(1, outputs).Select(n => new KitOutput($"Jack {n}", ChannelFormat.Mono)).ToSequence() };
        var finding = Assert.Single(new OtherOutputs().Look(Kit().With(new SetDevice(Drums, null, device)), InMix));

        Assert.Equal(weight, finding.Severity);
        Assert.Empty(new OtherOutputs().Look(Kit().With(new SetDevice(Drums, null, device)).With([.. finding.Mends[0].Edits]), InMix));
        Assert.Empty(new OutputBeyond().Look(Kit().With(new SetDevice(Drums, null, device)), InMix));
    }

    [Fact]
    public void OtherOutputs_SaysNothing_WhereTheWidthsAreThose_OrNobodyKnows()
    {
        var kit = Kit();
        var same = new OutsideDevice("Crate") { Outputs = KitOf(kit).Outputs.Select((o, i) => o with { Name = $"Jack {i}" }).ToSequence() };

        Assert.Empty(new OtherOutputs().Look(kit.With(new SetDevice(Drums, null, same)), InMix));
        Assert.Empty(new OtherOutputs().Look(kit.With(new SetDevice(Drums, null, new("Crate"))), InMix));
    }

    private static Template Kit() => OneBar(new MakeChannel(new(ChannelKind.Instrument) { Name = "Drums", Instrument = InstrumentCatalogue.Breakwater }));

    private static Template Laid(params (string Name, ChannelFormat Format)[] outputs)
    {
        var template = Kit().With(new SetDevice(Drums, null, new("Crate") { Outputs = outputs.Select(o => new KitOutput(o.Name, o.Format)).ToSequence() }));
        return template.With([.. Assert.Single(Assert.Single(new OtherOutputs().Look(template, InMix)).Mends).Edits]);
    }

    private static Kit KitOf(Template template) => ((InstrumentSource)template.Channels[Drums].Source!).Kit!;

    private static IEnumerable<string> Splits(Template template) => template.Channels.Where(c => c.Source is OutputSource).Select(c => c.Name);
}
