using HomeStage.Core.Catalogue;
using HomeStage.Core.Sound;
using HomeStage.Core.Sound.Processors;
using HomeStage.Core.Templates;

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

    [Fact]
    public void EveryProcessorOfTheCatalogue_HasAMaker()
    {
        Assert.All(ProcessorCatalogue.All, kind => Assert.NotNull(Create(kind.Id, "default", 2)));
    }

    private static IProcessor Create(string id, string ends, int lanes)
    {
        var settings = ProcessorCatalogue.Find(id)!.Parameters.Aggregate(Map<double>.Empty,
            (map, p) => ends switch { "lowest" => map.With(p.Id, p.Min), "highest" => map.With(p.Id, p.Max), _ => map });
        return ProcessorFactory.Create(new(new("x"), id) { Settings = settings }, lanes, new(Rate, 120));
    }

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
