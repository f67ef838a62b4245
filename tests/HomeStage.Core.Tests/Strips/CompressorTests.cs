using HomeStage.Core.Sound.Processors;
using HomeStage.Core.Sound.Signals;
using HomeStage.Core.Strips;

namespace HomeStage.Core.Tests.Strips;

/// <summary>Against Giannoulis, Massberg and Reiss, J. Audio Eng. Soc. 60(6), 2012.</summary>
public class CompressorTests
{
    private const int Rate = 48000;

    [Theory]
    [InlineData(-10, -20, 4, -17.5)]
    [InlineData(-20, -20, 4, -20)]
    [InlineData(-30, -20, 4, -30)]
    [InlineData(0, -12, 2, -6)]
    public void OutputDb_WithoutKnee_IsTheWorkedPoint(double input, double threshold, double ratio, double output)
    {
        Assert.Equal(output, CompressorLaw.OutputDb(input, threshold, ratio, 0), 9);
    }

    [Theory]
    [InlineData(-3, -20 - 3.0)]
    [InlineData(3, -20 + 3.0 / 4)]
    public void OutputDb_AtTheEdgesOfTheKnee_MeetsTheStraightLines(double fromThreshold, double output)
    {
        Assert.Equal(output, CompressorLaw.OutputDb(-20 + fromThreshold, -20, 4, 6), 9);
    }

    [Fact]
    public void OutputDb_AtTheThresholdOfASoftKnee_IsDownByAnEighthOfItsWidthTimesTheSlope()
    {
        // Equation 4 at x = T: x + (1/R − 1)·(W/2)² / (2W) = T + (1/R − 1)·W/8.
        Assert.Equal(-20 + (1.0 / 4 - 1) * 6 / 8, CompressorLaw.OutputDb(-20, -20, 4, 6), 9);
    }

    [Theory]
    [InlineData("attack-ms", 10)]
    [InlineData("attack-ms", 40)]
    public void Process_AfterOneAttackTime_HasDone63PercentOfTheStep(string parameter, double milliseconds)
    {
        var compressor = new CompressorProcessor(Settings((parameter, milliseconds), ("release-ms", 500)), null, Rate);

        Feed(compressor, 1, (int)(milliseconds / 1000 * Rate));

        // 0 dBFS over −20 at 4 : 1 wants 15 dB.
        Assert.Equal(15 * (1 - Math.Exp(-1)), compressor.LastReductionDb, 0.01);
    }

    [Fact]
    public void Process_AfterOneReleaseTime_HasKept37PercentOfTheReduction()
    {
        var compressor = new CompressorProcessor(Settings(("attack-ms", 1), ("release-ms", 100)), null, Rate);
        Feed(compressor, 1, Rate / 10);

        Feed(compressor, 0, Rate / 10);

        Assert.Equal(15 * Math.Exp(-1), compressor.LastReductionDb, 0.01);
    }

    [Fact]
    public void Process_WithAKey_HearsTheKeyAlone()
    {
        var compressor = new CompressorProcessor(Settings(("attack-ms", 0.1)), new(true), Rate);
        var (signal, key) = (new SignalBlock(1, 4800), new SignalBlock(2, 4800));
        signal.Lane(0, 4800).Fill(1);

        compressor.Process(signal, key, 4800);

        Assert.Equal(0, compressor.LastReductionDb);
        Assert.All(signal.Lane(0, 4800).ToArray(), s => Assert.Equal(1, s));
    }

    [Fact]
    public void Process_WithAStereoKey_IsLinkedByTheLargerSide()
    {
        var compressor = new CompressorProcessor(Settings(("attack-ms", 0.1)), new(true), Rate);
        var (signal, key) = (new SignalBlock(1, 4800), new SignalBlock(2, 4800));
        key.Lane(1, 4800).Fill(1);

        compressor.Process(signal, key, 4800);

        Assert.Equal(15, compressor.LastReductionDb, 0.01);
    }

    private static Map<double> Settings(params (string Id, double Value)[] values) =>
        values.Aggregate(Map<double>.Empty.With("threshold-db", -20).With("ratio", 4).With("knee-db", 0), (map, v) => map.With(v.Id, v.Value));

    private static void Feed(CompressorProcessor compressor, float level, int frames)
    {
        var block = new SignalBlock(1, frames);
        block.Lane(0, frames).Fill(level);
        compressor.Process(block, null, frames);
    }
}
