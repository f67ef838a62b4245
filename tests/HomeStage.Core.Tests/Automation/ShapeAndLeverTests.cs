using HomeStage.Core.Automation;
using HomeStage.Core.Catalogue;
using HomeStage.Core.Editing;
using HomeStage.Core.Templates;
using HomeStage.TestKit;
using static HomeStage.TestKit.Stages;

namespace HomeStage.Core.Tests.Automation;

public class ShapeAndLeverTests
{
    private static readonly InsertTarget Sweep = new(new("eq"), "high-cut-hz");
    private static readonly Template WithFilter = OneBar(Bus("b", "mix-bus", Insert("eq", ProcessorCatalogue.Equaliser)));

    [Theory]
    [InlineData(0, -60)]
    [InlineData(0.75, -60)]
    [InlineData(0.875, -30)]
    [InlineData(1, 0)]
    public void At_IsStraightBetweenPoints(double place, double value)
    {
        // A send that opens over the last bar of four.
        Assert.Equal(value, new Shape(new LevelTarget(), "verse", [new(0.75, -60), new(1, 0)]).At(place, Scale.Linear), 9);
    }

    [Fact]
    public void PutShape_BeyondTheRangeOfItsValue_IsRefusedWithTheRange()
    {
        var refusal = WithFilter.RefusalOf(new PutShape(new("b"), new(Sweep, "song", [new(0, 1000), new(1, 1e6)])));

        Assert.Equal("out-of-range", refusal.Code);
    }

    [Fact]
    public void PutShape_OfAValueThatIsNotThere_StaysLoose_SoThatASwapLosesNothing()
    {
        var loose = WithFilter.With(new PutShape(new("b"), new(new InsertTarget(new("gone"), "x"), "song", [new(0, 0), new(1, 1)])));

        Assert.Null(loose.Channels[new ChannelId("b")].Shapes[0].Target.RangeOn(loose.Channels[new ChannelId("b")]));
    }

    [Fact]
    public void ControllerTarget_IsOpenToAutomation_OnceItIsShownOnTheChannel()
    {
        var template = OneBar(Tone("t", "mix-bus"));
        var shown = template.With(new SetNoteInput(new("t"), new() { Controllers = [new(74, "Brightness")] }));
        PutShape Curve(double top) => new(new("t"), new(new ControllerTarget(74), "song", [new(0, 0), new(1, top)]));

        Assert.Null(new ControllerTarget(74).RangeOn(template.Channels[new ChannelId("t")]));
        Assert.Equal("Brightness", new ControllerTarget(74).RangeOn(shown.Channels[new ChannelId("t")])!.Name);
        Assert.Single(shown.With(Curve(127)).Channels[new ChannelId("t")].Shapes);
        Assert.Equal("out-of-range", shown.RefusalOf(Curve(128)).Code);
    }

    [Theory]
    [InlineData(1.0, 0.0)]
    [InlineData(0.5, 0.5)]
    public void PutShape_WhosePointsDoNotAscend_IsRefused(double first, double second)
    {
        Assert.Equal("wrong-place", WithFilter.RefusalOf(new PutShape(new("b"), new(new PanTarget(), "song", [new(first, 0), new(second, 0)]))).Code);
    }

    [Fact]
    public void LeverRange_GoesFromOneEndToTheOther_DownwardsToo()
    {
        var range = new LeverRange(new("b"), Sweep, 20000, 600);

        Assert.Equal((20000, 10300, 600), (range.At(0, Scale.Linear), range.At(0.5, Scale.Linear), range.At(1, Scale.Linear)));
    }

    [Fact]
    public void PutLever_WithTwoRangesOfOneValue_IsRefused()
    {
        LeverRange range = new(new("b"), Sweep, 20000, 600);

        Assert.Equal("doubled", WithFilter.RefusalOf(new PutLever(new("dive", "Dive", 0, [range, range with { To = 800 }]))).Code);
    }
}
