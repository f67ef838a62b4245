using HomeStage.Core.Sound.Meters;
using HomeStage.Core.Sound.Signals;

namespace HomeStage.Core.Tests.Sound;

/// <summary>EBU Tech 3341, cases 15 to 19: sines whose peaks fall between samples (values from memory), within +0.2 and −0.4 dB.</summary>
public class TruePeakTests
{
    [Theory]
    [InlineData(4, 0.0, 0.5, -6.0)]
    [InlineData(4, 45.0, 0.5, -6.0)]
    [InlineData(6, 60.0, 0.5, -6.0)]
    [InlineData(8, 67.5, 0.5, -6.0)]
    [InlineData(4, 45.0, 1.41, 3.0)]
    public void TruePeak_OfASineAtAShareOfTheRate_IsItsAmplitude(int share, double degrees, double amplitude, double dbtp)
    {
        var meter = Measured(Enumerable.Range(0, 48000).Select(i => amplitude * Faded(i) * Math.Sin(2 * Math.PI * i / share + degrees * Math.PI / 180)));

        Assert.InRange(meter.TruePeakDbtp!.Value, dbtp - 0.4, dbtp + 0.2);
    }

    [Theory]
    [InlineData(997)]
    [InlineData(12345)]
    [InlineData(19000)]
    public void TruePeak_OfAnySineOfTheBand_IsRightToAFiftiethOfADb(double hz)
    {
        var meter = Measured(Enumerable.Range(0, 48000).Select(i => 0.25 * Faded(i) * Math.Sin(2 * Math.PI * hz * i / 48000)));

        // The largest of four points a sample is at most 1 − cos(π·f/(4·fs)) below the top of the wave.
        var grid = 20 * Math.Log10(Math.Cos(Math.PI * hz / (4 * 48000)));
        Assert.InRange(meter.TruePeakDbtp!.Value, -12.04 + grid - 0.02, -12.04 + 0.02);
    }

    [Fact]
    public void TruePeak_IsTheSame_HoweverTheSoundIsCut()
    {
        var random = new Random(9);
        var samples = Enumerable.Range(0, 5000).Select(_ => random.NextDouble() - 0.5).ToArray();

        Assert.All(new[] { 1, 7, 64, 1000, 4999 }, size => Assert.Equal(Measured(samples).TruePeakDbtp, Measured(samples, size).TruePeakDbtp));
    }

    [Fact]
    public void TruePeak_OfSilence_IsNone()
    {
        Assert.Null(Measured(new double[100]).TruePeakDbtp);
    }

    // An abrupt start is no band-limited signal and would ring.
    private static double Faded(int i) => Math.Min(1, Math.Min(i, 47999 - i) / 2400.0);

    private static TruePeakMeter Measured(IEnumerable<double> samples, int blockFrames = 4096)
    {
        var lane = samples.Select(s => (float)s).ToArray();
        var (meter, block) = (new TruePeakMeter(1), new SignalBlock(1, blockFrames));
        for (var start = 0; start < lane.Length; start += blockFrames)
        {
            var frames = Math.Min(blockFrames, lane.Length - start);
            lane.AsSpan(start, frames).CopyTo(block.Lane(0, frames));
            meter.Add(block, frames);
        }

        meter.End();
        return meter;
    }
}
