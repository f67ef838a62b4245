using HomeStage.Core.Automation;
using HomeStage.Core.Catalogue;
using HomeStage.Core.Editing;
using HomeStage.Core.Playing;
using static HomeStage.TestKit.Stages;

namespace HomeStage.Core.Tests.Automation;

public class ScaleTests
{
    [Theory]
    // Equal ratios: a quarter of four octaves is one.
    [InlineData(Scale.Octaves, 100, 1600, 0.25, 200)]
    [InlineData(Scale.Octaves, 100, 1600, 0.5, 400)]
    [InlineData(Scale.Octaves, 8000, 500, 0.5, 2000)]
    [InlineData(Scale.Linear, 0, 10, 0.3, 3)]
    [InlineData(Scale.Level, -20, 0, 0.5, -10)]
    // Out of silence a level begins at −60 dB.
    [InlineData(Scale.Level, Scales.SilenceDb, 0, 0.5, -30)]
    [InlineData(Scale.Level, 0, Scales.SilenceDb, 0.75, -45)]
    public void Between_GoesAsTheValueIsHeard(Scale scale, double from, double to, double share, double expected)
    {
        Assert.Equal(expected, scale.Between(from, to, share), 9);
    }

    [Theory]
    [InlineData(Scale.Linear)]
    [InlineData(Scale.Octaves)]
    [InlineData(Scale.Level)]
    public void Between_AtItsEnds_IsTheEnds(Scale scale)
    {
        Assert.Equal(Scales.SilenceDb, scale.Between(Scales.SilenceDb, 6, 0));
        Assert.Equal(6, scale.Between(Scales.SilenceDb, 6, 1));
    }

    [Fact]
    public void Lever_OfAFilterCorner_RunsInOctaves_AndOfAMixInALine()
    {
        var (filter, mix) = (new InsertTarget(new("eq"), "high-cut-hz"), new InsertTarget(new("hall"), "mix-percent"));
        var template = OneBar(
            Bus("b", "mix-bus", Insert("eq", ProcessorCatalogue.Equaliser), Insert("hall", ProcessorCatalogue.Reverb)),
            new PutLever(new("sweep", "Sweep", 0.5, [new(new("b"), filter, 1000, 16000), new(new("b"), mix, 0, 100)])));
        var movement = new Movement(template);

        Assert.Equal(4000, movement.At(new("b"), filter, 0, 0), 6);
        Assert.Equal(50, movement.At(new("b"), mix, 0, 0), 9);
    }
}
