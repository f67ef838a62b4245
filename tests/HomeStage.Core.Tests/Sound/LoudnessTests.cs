using HomeStage.Core.Sound.Meters;
using HomeStage.Core.Sound.Signals;

namespace HomeStage.Core.Tests.Sound;

/// <summary>ITU-R BS.1770-5 and the synthetic stereo cases of EBU Tech 3341 (the signals from memory).</summary>
public class LoudnessTests
{
    private const double ToleranceLu = 0.1;

    [Fact]
    public void KWeighting_At48kHz_HasTheCoefficientsOfTheTables()
    {
        var sections = KWeighting.Sections(48000);

        // BS.1770-5 Annex 1, table 1 (shelf) and table 2 (low cut); printed with 14 decimals.
        double[] shelf = [1.53512485958697, -2.69169618940638, 1.19839281085285, -1.69065929318241, 0.73248077421585];
        double[] cut = [1, -2, 1, -1.99004745483398, 0.99007225036621];
        Assert.All(shelf.Zip([sections[0].B0, sections[0].B1, sections[0].B2, sections[0].A1, sections[0].A2]), x => Assert.Equal(x.First, x.Second, 1e-9));
        Assert.All(cut.Zip([sections[1].B0, sections[1].B1, sections[1].B2, sections[1].A1, sections[1].A2]), x => Assert.Equal(x.First, x.Second, 1e-9));
    }

    /// <summary>Tech 3341 table 1, cases 1 to 5: dBFS of each side and seconds, in order.</summary>
    [Theory]
    [InlineData(-23.0, new[] { -23.0 }, new[] { 20.0 })]
    [InlineData(-33.0, new[] { -33.0 }, new[] { 20.0 })]
    [InlineData(-23.0, new[] { -36.0, -23, -36 }, new[] { 10.0, 60, 10 })]
    [InlineData(-23.0, new[] { -72.0, -36, -23, -36, -72 }, new[] { 10.0, 10, 60, 10, 10 })]
    [InlineData(-23.0, new[] { -26.0, -20, -26 }, new[] { 20.0, 20.1, 20 })]
    public void Integrated_OfTheSineCases_IsWhatTheDocumentSays(double lufs, double[] levels, double[] seconds)
    {
        foreach (var rate in new[] { 44100, 48000, 96000 })
            Assert.Equal(lufs, Measure(rate, 2, levels, seconds)!.Value, ToleranceLu);
    }

    [Fact]
    public void Integrated_OfAMonoSine_IsThreeDbUnderTheSameOnBothSides()
    {
        Assert.Equal(-23 - 10 * Math.Log10(2), Measure(48000, 1, [-23], [20])!.Value, ToleranceLu);
    }

    [Fact]
    public void Integrated_OfLessThan400Milliseconds_IsNotMeasurable()
    {
        Assert.Null(Measure(48000, 2, [-23], [0.399]));
        Assert.NotNull(Measure(48000, 2, [-23], [0.4]));
    }

    [Fact]
    public void Integrated_OfSilence_IsNotMeasurable()
    {
        Assert.Null(Measure(48000, 2, [double.NegativeInfinity], [3]));
    }

    [Fact]
    public void Integrated_FedInOddBlocks_IsTheSame()
    {
        Assert.Equal(Measure(48000, 2, [-36, -23], [3, 5], 512), Measure(48000, 2, [-36, -23], [3, 5], 337));
    }

    private static double? Measure(int rate, int lanes, double[] levels, double[] seconds, int blockFrames = 512)
    {
        var samples = levels.Zip(seconds).SelectMany(part => Enumerable.Repeat(Math.Pow(10, part.First / 20), (int)Math.Round(part.Second * rate)))
            .Select((amplitude, i) => (float)(amplitude * Math.Sin(2 * Math.PI * 1000 * i / rate))).ToArray();
        var meter = new LoudnessMeter(lanes, rate);
        var block = new SignalBlock(lanes, blockFrames);
        for (var start = 0; start < samples.Length; start += blockFrames)
        {
            var frames = Math.Min(blockFrames, samples.Length - start);
            for (var lane = 0; lane < lanes; lane++)
                samples.AsSpan(start, frames).CopyTo(block.Lane(lane, frames));
            meter.Add(block, frames);
        }

        return meter.IntegratedLufs;
    }
}
