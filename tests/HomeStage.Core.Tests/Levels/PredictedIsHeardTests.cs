using HomeStage.Core.Catalogue;
using HomeStage.Core.Levels;
using HomeStage.Core.Sound.Kernels;
using HomeStage.Core.Sound.Processors;
using HomeStage.Core.Sound.Signals;
using HomeStage.Core.Strips;
using static HomeStage.TestKit.Stages;

namespace HomeStage.Core.Tests.Levels;

/// <summary>The static curves that predictions ask are those that the processors keep to: on a level that stands still, over their whole
/// ranges, each alone and in lockstep.</summary>
public class PredictedIsHeardTests
{
    private const int Rate = 48000;
    private const int Frames = 24000;

    // Kernels work in single precision, with logarithms and powers by polynomials of degree six.
    private const double WithinDb = 5e-4;

    private static readonly Map<double> Quick = Map<double>.Empty.With("attack-ms", 0.1).With("release-ms", 5);

    [Fact]
    public void Compressor_TakesOffWhatItsLawSays_AloneAndInLockstep()
    {
        var chance = new Random(1207);
        for (var i = 0; i < 300; i++)
        {
            double Of(string id) => ProcessorCatalogue.Find(ProcessorCatalogue.Compressor)!.Find(id) is var p ? p!.Min + chance.NextDouble() * (p.Max - p.Min) : 0;
            var (threshold, ratio, knee, level) = (Of("threshold-db"), Of("ratio"), i % 4 == 0 ? 0 : Of("knee-db"), -60 * chance.NextDouble());
            var settings = Quick.With("threshold-db", threshold).With("ratio", ratio).With("knee-db", knee).With("detector", i % 2).With("hold-ms", 0);
            var expected = level - CompressorLaw.OutputDb(level, threshold, ratio, knee);
            var compressor = new CompressorProcessor(settings, null, Rate);

            compressor.Process(Level(level), null, Frames);
            Assert.Equal(expected, compressor.LastReductionDb, WithinDb);

            if (compressor.Plain is not { } lane)
                continue;
            var lockstep = new LockstepCompressor([lane, .. Enumerable.Repeat(CompressorLane.Idle, 7)], pairs: false);
            var lanes = new EightLanes(Frames);
            for (var t = 0; t < Frames; t++)
                System.Runtime.CompilerServices.Unsafe.Add(ref lanes.First, EightLanes.Width * t) = (float)new Decibels(level).Linear;
            lockstep.Process(lanes, Frames);
            Assert.Equal(expected, lockstep.LargestReductionDb(0), WithinDb);
        }
    }

    [Theory]
    // The limiter goes by the peaks between samples: its interpolation reads a level that stands still up to 0.03 dB too high.
    [InlineData(ProcessorCatalogue.Limiter, 0.03)]
    [InlineData(ProcessorCatalogue.Clipper, 0.001)]
    public void LimiterAndClipper_HoldAtTheirCeiling(string processor, double withinDb)
    {
        var chance = new Random(77);
        for (var i = 0; i < 60; i++)
        {
            double Of(string id) => ProcessorCatalogue.Find(processor)!.Find(id) is var p ? p!.Min + chance.NextDouble() * (p.Max - p.Min) : 0;
            var (input, ceiling, level) = (Of("input-db"), Of("ceiling-db"), -40 * chance.NextDouble());
            var settings = Map<double>.Empty.With("input-db", input).With("ceiling-db", ceiling);
            var block = Level(level);

            ProcessorFactory.Create(new(new("x"), processor) { Settings = settings }, 2, new(Rate, 120)).Process(block, null, Frames);

            var turned = new Decibels(level + input).Linear;
            var heard = 20 * Math.Log10(block.Lane(0, Frames)[Frames / 2]);
            Assert.Equal(level + input + 20 * Math.Log10(CeilingLaw.Gain(turned, new Decibels(ceiling).Linear)), heard, withinDb);
        }
    }

    [Theory]
    [InlineData(0.01, 0)]
    [InlineData(-0.01, 1)]
    public void Gate_IsOpenFromItsThresholdOn(double overDb, double shareOfTheRange)
    {
        var gate = new GateProcessor(Quick.With("threshold-db", -33).With("range-db", 27).With("hold-ms", 0), null, Rate);

        gate.Process(Level(-33 + overDb), null, Frames);

        Assert.Equal(27 * shareOfTheRange, gate.LastReductionDb, WithinDb);
    }

    [Fact]
    public void EveryProcessorOfTheCatalogue_IsKnownToThePrediction()
    {
        Assert.All(ProcessorCatalogue.All, kind =>
            Assert.NotNull(LevelBudget.Of(OneBar(Tone("a", "mix-bus", strip: Insert("x", kind.Id) with { Device = new("Box") })), InMix).Levels.Single(l => l.Channel.Value == "a").ExpectedLufs));
    }

    private static SignalBlock Level(double db)
    {
        var block = new SignalBlock(2, Frames);
        block.Lane(0, Frames).Fill((float)new Decibels(db).Linear);
        block.Lane(1, Frames).Fill((float)new Decibels(db - 3).Linear);
        return block;
    }
}
