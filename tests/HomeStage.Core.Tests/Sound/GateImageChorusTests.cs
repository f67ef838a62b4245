using HomeStage.Core.Sound.Processors;
using HomeStage.Core.Sound.Signals;

namespace HomeStage.Core.Tests.Sound;

public class GateImageChorusTests
{
    private const int Rate = 48000;

    [Fact]
    public void Gate_Closed_IsDownByItsRange_AndOpenAtUnity()
    {
        var settings = Map<double>.Empty.With("threshold-db", -30).With("range-db", 24);
        // A steady −40 dBFS under the threshold, then a steady −20 over it.
        var quiet = Steady(new GateProcessor(settings, null, Rate), 0.01f);
        var loud = Steady(new GateProcessor(settings, null, Rate), 0.1f);

        Assert.Equal(-40 - 24, Db(quiet[^1]), 0.01);
        Assert.Equal(-20, Db(loud[^1]), 0.01);
    }

    [Fact]
    public void Gate_HasDone63PercentOfItsStepAtItsRelease_AfterTheHold()
    {
        var gate = new GateProcessor(Map<double>.Empty.With("threshold-db", -30).With("range-db", 40).With("hold-ms", 50).With("release-ms", 100), null, Rate);
        Steady(gate, 0.1f);
        var falling = Steady(gate, 0.01f);

        Assert.Equal(-40, Db(falling[50 * Rate / 1000 - 1]), 0.01);
        // Giannoulis, Massberg and Reiss: 1 − 1/e of the step in dB is done after the time constant.
        Assert.Equal(-40 - 40 * (1 - 1 / Math.E), Db(falling[150 * Rate / 1000]), 0.1);
    }

    [Fact]
    public void Gate_ThatListensToAKey_OpensByItAlone()
    {
        var gate = new GateProcessor(Map<double>.Empty, new(true), Rate);
        var (signal, key) = (Filled(0.5f), Filled(0));
        gate.Process(signal, key, Rate);

        Assert.Equal(0.005f, signal.Lane(0, Rate)[^1], 4);
    }

    [Fact]
    public void Image_AtNoWidth_IsMono_AndAtFullTwiceAsWide()
    {
        var (left, right) = Imaged(Map<double>.Empty.With("width-percent", 0), 0.8f, 0.2f);
        var (wideLeft, wideRight) = Imaged(Map<double>.Empty.With("width-percent", 200), 0.8f, 0.2f);

        // M = 0.5, S = 0.3.
        Assert.Equal((0.5, 0.5), (Math.Round(left, 6), Math.Round(right, 6)));
        Assert.Equal((1.1, -0.1), (Math.Round(wideLeft, 6), Math.Round(wideRight, 6)));
    }

    [Theory]
    [InlineData(30, true)]
    [InlineData(4000, false)]
    public void Image_MonoBelowACorner_TakesTheSidesOfLowsAway_AndLeavesTheHighs(double hz, bool mono)
    {
        var image = new ImageProcessor(Map<double>.Empty.With("mono-below", 1).With("mono-below-hz", 250), Rate);
        var block = new SignalBlock(2, Rate);
        for (var i = 0; i < Rate; i++)
            block.Lane(0, Rate)[i] = (float)Math.Sin(2 * Math.PI * hz * i / Rate);
        image.Process(block, null, Rate);
        var side = Enumerable.Range(Rate / 2, Rate / 2).Max(i => Math.Abs(block.Lane(0, Rate)[i] - block.Lane(1, Rate)[i]));

        Assert.Equal(mono ? 0 : 1, side, mono ? 0.02 : 0.01);
    }

    [Fact]
    public void Image_FlippedOnOneSide_TurnsThatSideOver()
    {
        var (left, right) = Imaged(Map<double>.Empty.With("flip-left", 1), 0.8f, 0.2f);

        Assert.Equal((-0.8, 0.2), (Math.Round(left, 6), Math.Round(right, 6)));
    }

    [Fact]
    public void Chorus_WithoutDepth_IsItsInputFiveMillisecondsLate()
    {
        var chorus = new ChorusProcessor(Map<double>.Empty.With("depth-ms", 0).With("mix-percent", 100), 1, Rate);
        var block = new SignalBlock(1, 1000);
        block.Lane(0, 1000)[100] = 1;
        chorus.Process(block, null, 1000);

        Assert.Equal([100 + 240], Enumerable.Range(0, 1000).Where(i => block.Lane(0, 1000)[i] != 0));
    }

    [Fact]
    public void Chorus_SwaysTheDelayByItsDepth_AtItsRate()
    {
        // A ramp shows the delay: what is missing of it, frame by frame.
        var chorus = new ChorusProcessor(Map<double>.Empty.With("depth-ms", 4).With("rate-hz", 2).With("mix-percent", 100), 1, Rate);
        var block = new SignalBlock(1, Rate);
        for (var i = 0; i < Rate; i++)
            block.Lane(0, Rate)[i] = i / (float)Rate;
        chorus.Process(block, null, Rate);
        var delays = Enumerable.Range(2000, Rate - 2000).Select(i => (i / (double)Rate - block.Lane(0, Rate)[i]) * 1000).ToArray();

        Assert.Equal(5, delays.Min(), 0.02);
        Assert.Equal(9, delays.Max(), 0.02);
        // From the top of one wave to the next: half a second.
        Assert.Equal(delays[1000], delays[1000 + Rate / 2], 0.02);
    }

    private static float[] Steady(GateProcessor gate, float value)
    {
        var block = Filled(value);
        gate.Process(block, null, Rate);
        return block.Lane(0, Rate).ToArray();
    }

    private static (float Left, float Right) Imaged(Map<double> settings, float left, float right)
    {
        var block = new SignalBlock(2, 1);
        (block.Lane(0, 1)[0], block.Lane(1, 1)[0]) = (left, right);
        new ImageProcessor(settings, Rate).Process(block, null, 1);
        return (block.Lane(0, 1)[0], block.Lane(1, 1)[0]);
    }

    private static SignalBlock Filled(float value)
    {
        var block = new SignalBlock(2, Rate);
        block.Lane(0, Rate).Fill(value);
        block.Lane(1, Rate).Fill(value);
        return block;
    }

    private static double Db(float sample) => 20 * Math.Log10(Math.Abs(sample));
}
