using HomeStage.Core.Automation;
using HomeStage.Core.Catalogue;
using HomeStage.Core.Editing;
using HomeStage.Core.Editing.Comparing;
using HomeStage.Core.Editing.Words;
using HomeStage.Core.Templates;
using static HomeStage.TestKit.Stages;

namespace HomeStage.Core.Tests.Automation;

public class NoteTriggerTests
{
    private static readonly ChannelId Ducked = new("ducked");
    private static readonly InsertId Duck = new("duck");
    private static readonly NoteTrigger ByPulse = new([new("pulse")], null, [new(0, 1), new(1, 0)]);

    private static readonly Template Stage = OneBar(
        Trigger("pulse"), Bus("ducked", "mix-bus", Insert("duck", ProcessorCatalogue.Ducker), Insert("comp", ProcessorCatalogue.Compressor)));

    public static TheoryData<NoteTrigger, string> Wrong => new()
    {
        { ByPulse with { Notes = [new("nobody")] }, "unknown-channel" },
        { ByPulse with { Notes = [new("pulse"), new("pulse")] }, "doubled" },
        { ByPulse with { EveryQuarters = 0 }, "out-of-range" },
        { ByPulse with { EveryQuarters = double.NaN }, "out-of-range" },
        { ByPulse with { Curve = [new(0, 1)] }, "out-of-range" },
        { ByPulse with { Curve = [new(0, 1.5), new(1, 0)] }, "wrong-place" },
        { ByPulse with { Curve = [new(0.5, 1), new(0.2, 0)] }, "wrong-place" },
    };

    [Theory]
    [MemberData(nameof(Wrong))]
    public void SetTrigger_ToWhatCannotBe_IsRefused(NoteTrigger trigger, string code)
    {
        Assert.Equal(code, Stage.RefusalOf(new SetTrigger(Ducked, Duck, trigger)).Code);
    }

    [Fact]
    public void SetTrigger_OnWhatNothingRestarts_IsRefused()
    {
        Assert.Equal("wrong-place", Stage.RefusalOf(new SetTrigger(Ducked, new("comp"), ByPulse)).Code);
    }

    [Fact]
    public void RemovingAChannel_TakesItOutOfWhatItRestarts_AndUndoPutsItBack()
    {
        var template = Stage.With(new SetTrigger(Ducked, Duck, ByPulse));
        var removed = (BatchResult.Applied)Batch.Apply(template, [new RemoveChannel(new("pulse"))]);

        Assert.Empty(removed.Template.Channels[Ducked].Inserts[0].Trigger!.Notes);
        Assert.Equal(template, ((BatchResult.Applied)Batch.Apply(removed.Template, removed.Inverse)).Template);
    }

    [Fact]
    public void Difference_OfATrigger_IsOneEdit_InWords()
    {
        var edit = Assert.Single(Difference.Between(Stage, Stage.With(new SetTrigger(Ducked, Duck, ByPulse))));

        Assert.Equal("Bus ducked: the ducker by notes is restarted by Trigger pulse", EditWords.Of(edit, Stage));
    }

    [Theory]
    [InlineData(0, 1)]
    [InlineData(0.05, 1)]
    [InlineData(0.55, 0.5)]
    [InlineData(1, 0)]
    public void PlainCurve_IsDownAtOnce_HeldForATenth_AndBackInALine(double place, double share)
    {
        Assert.Equal(share, ShapePoint.At(NoteTrigger.Plain.Curve, place), 9);
    }
}
