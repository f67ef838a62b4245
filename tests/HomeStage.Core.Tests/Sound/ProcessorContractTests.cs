using HomeStage.Core.Catalogue;
using HomeStage.Core.Sound.Processors;
using HomeStage.Core.Sound.Signals;

namespace HomeStage.Core.Tests.Sound;

/// <summary>What every processor keeps to, at rest and at the ends of its parameters.</summary>
public class ProcessorContractTests
{
    private const int Rate = 48000;
    private const int Frames = 6000;

    public static TheoryData<string, string, int> Cases()
    {
        var cases = new TheoryData<string, string, int>();
        foreach (var kind in ProcessorCatalogue.All)
            foreach (var ends in new[] { "default", "lowest", "highest" })
                foreach (var lanes in new[] { 1, 2 })
                    cases.Add(kind.Id, ends, lanes);
        return cases;
    }

    [Theory]
    [MemberData(nameof(Cases))]
    public void SilenceIn_GivesSilenceOut(string id, string ends, int lanes)
    {
        Assert.All(Run(Create(id, ends, lanes), new SignalBlock(lanes, Frames), Frames), s => Assert.Equal(0, s));
    }

    [Theory]
    [MemberData(nameof(Cases))]
    public void AnyBlockSize_GivesTheSameSamples(string id, string ends, int lanes)
    {
        var whole = Run(Create(id, ends, lanes), Noise(lanes), Frames);

        foreach (var size in new[] { 1, 37, 256, 1000 })
            Assert.Equal(whole, Run(Create(id, ends, lanes), Noise(lanes), size));
    }

    [Theory]
    [MemberData(nameof(Cases))]
    public void Reset_MakesItAsNew(string id, string ends, int lanes)
    {
        var processor = Create(id, ends, lanes);
        var first = Run(processor, Noise(lanes), 512);
        processor.Reset();

        Assert.Equal(first, Run(processor, Noise(lanes), 512));
    }

    [Theory]
    [MemberData(nameof(Cases))]
    public void NoInput_GivesANumberThatIsNone(string id, string ends, int lanes)
    {
        float[] nasty = [0, 1, -1, 1e-38f, 100, float.Epsilon, -1e-20f, 3];
        var block = new SignalBlock(lanes, Frames);
        for (var lane = 0; lane < lanes; lane++)
            for (var i = 0; i < Frames; i++)
                block.Lane(lane, Frames)[i] = nasty[(i / 50 + lane) % nasty.Length];

        Assert.All(Run(Create(id, ends, lanes), block, 256), s => Assert.True(float.IsFinite(s)));
    }

    /// <summary>Half a minute of nothing after a burst: whatever rings has died, to the last bit.</summary>
    [Theory]
    [MemberData(nameof(Kinds))]
    public void AfterItsTail_ItIsSilentAgain(string id)
    {
        var processor = Create(id, "default", 2);
        Run(processor, Noise(2), 256);
        for (var stretch = 0; stretch < 30 * Rate / Frames; stretch++)
            Run(processor, new SignalBlock(2, Frames), Frames);

        Assert.All(Run(processor, new SignalBlock(2, Frames), Frames), s => Assert.Equal(0, s));
    }

    /// <summary>Numbers near zero slow some processors down a hundredfold; what dies must not end among them.</summary>
    [Theory]
    [MemberData(nameof(Kinds))]
    public void WhatDies_LeavesNoNumbersThatSlowTheMachineDown(string id)
    {
        var processor = Create(id, "default", 2);
        Run(processor, Noise(2), 256);
        for (var i = 0; i < 20; i++)
            Assert.DoesNotContain(Run(processor, new SignalBlock(2, Frames), Frames), float.IsSubnormal);
    }

    [Theory]
    [MemberData(nameof(Kinds))]
    public void AtEveryRate_AnyBlockSizeGivesTheSameFiniteSamples(string id)
    {
        foreach (var rate in new[] { 44100, 88200, 96000 })
            foreach (var ends in new[] { "default", "lowest", "highest" })
            {
                var whole = Run(Create(id, ends, 2, rate), Noise(2), Frames);
                Assert.All(whole, s => Assert.True(float.IsFinite(s)));
                Assert.Equal(whole, Run(Create(id, ends, 2, rate), Noise(2), 171));
            }
    }

    [Theory]
    [MemberData(nameof(Kinds))]
    public void RetunedToWhatItIs_NothingChanges(string id)
    {
        var (left, turned) = (Create(id, "default", 2), Create(id, "default", 2));
        Assert.Equal(Run(left, Noise(2), 256), Run(turned, Noise(2), 256));

        turned.Retune(Map<double>.Empty);

        Assert.Equal(Run(left, Noise(2), 256), Run(turned, Noise(2), 256));
    }

    [Theory]
    [MemberData(nameof(Kinds))]
    public void RetunedFromEndToEnd_ItStaysFinite(string id)
    {
        var processor = Create(id, "lowest", 2);
        for (var i = 0; i < 6; i++)
        {
            processor.Retune(Ends(id, i % 2 == 0 ? "highest" : "lowest"));
            Assert.All(Run(processor, Noise(2), 256), s => Assert.True(float.IsFinite(s)));
        }
    }

    /// <summary>A render lasts minutes and runs beside the screen: what it makes on the heap, a collector has to stop it for.</summary>
    [Theory]
    [MemberData(nameof(Cases))]
    public void Process_MakesNothingOnTheHeap(string id, string ends, int lanes)
    {
        var processor = Create(id, ends, lanes);
        var block = Noise(lanes);
        processor.Process(block, null, Frames);

        // The runtime makes things of its own now and then, when a path is met for the first time; what a processor makes, it makes in each round.
        Assert.Equal(0, Enumerable.Range(0, 4).Min(_ => MadeBy(() => processor.Process(block, null, Frames))));

        static long MadeBy(Action process)
        {
            var before = GC.GetAllocatedBytesForCurrentThread();
            for (var i = 0; i < 8; i++)
                process();
            return GC.GetAllocatedBytesForCurrentThread() - before;
        }
    }

    /// <summary>A click comes out where the catalogue says, for every processor that lets one through.</summary>
    [Theory]
    [InlineData(ProcessorCatalogue.Equaliser, "oversampled", 1)]
    [InlineData(ProcessorCatalogue.Equaliser, "oversampled", 0)]
    [InlineData(ProcessorCatalogue.Limiter, "look-ahead-ms", 7.5)]
    [InlineData(ProcessorCatalogue.Saturator, "drive-db", 0)]
    [InlineData(ProcessorCatalogue.Saturator, "oversampling", 0)]
    [InlineData(ProcessorCatalogue.Clipper, "oversampling", 0)]
    [InlineData(ProcessorCatalogue.PitchCorrection, "amount-percent", 100)]
    [InlineData(ProcessorCatalogue.Compressor, "ratio", 1)]
    public void AClick_IsAsLateAsTheCatalogueSays(string id, string parameter, double value)
    {
        var settings = Map<double>.Empty.With(parameter, value);
        var processor = ProcessorFactory.Create(new(new("x"), id) { Settings = settings }, 1, new(Rate, 120));
        var click = new SignalBlock(1, Frames);
        click.Lane(0, Frames)[100] = 0.01f;

        var output = Run(processor, click, 256);

        Assert.Equal(100 + ProcessorCatalogue.Find(id)!.LatencyFrames(settings, Rate), Array.IndexOf(output, output.MaxBy(Math.Abs)));
    }

    [Fact]
    public void EveryProcessorOfTheCatalogue_HasAMaker()
    {
        Assert.All(ProcessorCatalogue.All, kind => Assert.NotNull(Create(kind.Id, "default", 2)));
    }

    [Fact]
    public void ShortNames_FitARow_AndAreTheirOwn()
    {
        Assert.All(ProcessorCatalogue.All.Where(kind => !kind.StandsInOnly), kind => Assert.InRange(kind.ShortName.Length, 2, 6));
        Assert.Equal(ProcessorCatalogue.All.Count, ProcessorCatalogue.All.Select(kind => kind.ShortName).Distinct().Count());
    }

    public static TheoryData<string> Kinds() => [.. ProcessorCatalogue.All.Select(p => p.Id)];

    private static IProcessor Create(string id, string ends, int lanes, int rate = Rate) =>
        ProcessorFactory.Create(new(new("x"), id) { Settings = Ends(id, ends) }, lanes, new(rate, 120));

    private static Map<double> Ends(string id, string ends) => ProcessorCatalogue.Find(id)!.Parameters.Aggregate(Map<double>.Empty,
        (map, p) => ends switch { "lowest" => map.With(p.Id, p.Min), "highest" => map.With(p.Id, p.Max), _ => map });

    private static SignalBlock Noise(int lanes)
    {
        var random = new Random(5);
        var block = new SignalBlock(lanes, Frames);
        for (var lane = 0; lane < lanes; lane++)
            for (var i = 0; i < Frames; i++)
                block.Lane(lane, Frames)[i] = (float)(random.NextDouble() * 2 - 1) * (i % 2000 < 1000 ? 1 : 0);
        return block;
    }

    private static float[] Run(IProcessor processor, SignalBlock input, int blockFrames)
    {
        var output = new List<float>();
        var block = new SignalBlock(input.Lanes, blockFrames);
        for (var start = 0; start < Frames; start += blockFrames)
        {
            var frames = Math.Min(blockFrames, Frames - start);
            for (var lane = 0; lane < input.Lanes; lane++)
                input.Lane(lane, Frames).Slice(start, frames).CopyTo(block.Lane(lane, frames));
            processor.Process(block, null, frames);
            for (var i = 0; i < frames; i++)
                for (var lane = 0; lane < input.Lanes; lane++)
                    output.Add(block.Lane(lane, frames)[i]);
        }

        return [.. output];
    }
}
