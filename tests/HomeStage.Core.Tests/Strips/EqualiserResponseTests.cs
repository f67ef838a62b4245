using HomeStage.Core.Catalogue;
using HomeStage.Core.Sound.Processors;
using HomeStage.Core.Tests.Sound;

namespace HomeStage.Core.Tests.Strips;

/// <summary>What is drawn of equalisers and dynamics is what they do.</summary>
public class EqualiserResponseTests
{
    private static readonly Map<double> Settings = Map<double>.Empty
        .With("low-cut", 1).With("low-cut-hz", 90).With("low-cut-slope", 1).With("bell-1-hz", 240).With("bell-1-db", -3.5).With("bell-1-q", 1.1)
        .With("high-shelf-db", 4).With("notch", 1).With("notch-hz", 3000).With("high-cut", 1).With("high-cut-hz", 9000);

    [Fact]
    public void Response_AtEveryPoint_IsThatOfSinesSentThrough()
    {
        var response = EqualiserResponse.Of(Settings, Signals.Rate, 41);

        Assert.Equal((20, 20000), (response.FrequenciesHz[0], Math.Round(response.FrequenciesHz[^1], 6)));
        for (var i = 4; i < response.FrequenciesHz.Count; i += 4)
        {
            var hz = response.FrequenciesHz[i];
            var heard = Signals.Through(new EqualiserProcessor(Settings, 1, Signals.Rate), Signals.Sine(hz, 0.25, 3 * Signals.Rate))[Signals.Rate..];
            if (response.WholeDb[i] > -60)
                Assert.Equal(response.WholeDb[i], Signals.Db(Signals.Amplitude(heard, hz) / 0.25), 0.1);
        }
    }

    [Fact]
    public void Sections_AddUpToTheWhole_AndThoseThatRestAreFlat()
    {
        var response = EqualiserResponse.Of(Settings, Signals.Rate, 61);

        Assert.Equal(["low-cut", "bell-1", "notch", "high-shelf", "high-cut"], response.Sections.Where(s => s.IsOn).Select(s => s.Id));
        Assert.All(response.Sections.Where(s => !s.IsOn), s => Assert.All(s.GainsDb, g => Assert.Equal(0, g, 1e-9)));
        Assert.All(Enumerable.Range(0, 61), i => Assert.Equal(response.WholeDb[i], response.Sections.Sum(s => s.GainsDb[i]), 1e-9));
        Assert.Equal(-3.5, EqualiserResponse.Of(Map<double>.Empty.With("bell-1-hz", 20).With("bell-1-db", -3.5), Signals.Rate, 2).WholeDb[0], 1e-6);
    }

    [Theory]
    // Giannoulis, Massberg and Reiss 2012: 10 dB over a threshold of −20 at 4 : 1 is −17.5.
    [InlineData(ProcessorCatalogue.Compressor, -10, -17.5)]
    [InlineData(ProcessorCatalogue.Compressor, -40, -40)]
    [InlineData(ProcessorCatalogue.Limiter, -10, -10)]
    [InlineData(ProcessorCatalogue.Limiter, 0, -1)]
    [InlineData(ProcessorCatalogue.Gate, -50, -90)]
    [InlineData(ProcessorCatalogue.Gate, -30, -30)]
    public void Levels_AreThoseOfTheLaw(string processor, double inputDb, double outputDb)
    {
        var settings = processor == ProcessorCatalogue.Compressor ? Map<double>.Empty.With("threshold-db", -20).With("ratio", 4).With("knee-db", 0) : Map<double>.Empty;

        Assert.Equal(outputDb, DynamicsLaw.OutputDb(processor, settings, inputDb), 1e-9);
    }
}
