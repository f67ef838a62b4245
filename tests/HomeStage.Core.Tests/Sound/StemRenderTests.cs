using HomeStage.Core.Automation;
using HomeStage.Core.Catalogue;
using HomeStage.Core.Compiling;
using HomeStage.Core.Editing;
using HomeStage.Core.Sound;
using HomeStage.Core.Sound.Listening;
using HomeStage.Core.Templates;
using HomeStage.TestKit;
using static HomeStage.TestKit.Stages;

namespace HomeStage.Core.Tests.Sound;

/// <summary>Stems, held against renders of one listening point and against the sum that they make.</summary>
public class StemRenderTests
{
    /// <summary>Late, keyed, panned, mono and moving channels under a bus and beside it, a return, a second bus before the main.</summary>
    private static readonly Template Company = OneBar(
        Bus("low", "mix-bus", Insert("comp", ProcessorCatalogue.Compressor, ("threshold-db", -30))), Return("hall", "mix-bus", Insert("verb", ProcessorCatalogue.Reverb, ("decay-s", 1))),
        Tone("a", "low", ChannelFormat.Mono, Insert("limit", ProcessorCatalogue.Limiter, ("look-ahead-ms", 7))), Tone("b", "low"), Tone("c", "mix-bus", ChannelFormat.Mono),
        new SetPan(new("a"), -0.7), new SetPan(new("c"), 0.4), new SetLevel(new("b"), new(-9)), new SetLevel(new("c"), new(-4)),
        new PutSend(new("a"), new(new("hall"), new(-6), TapPoint.Pre)), new PutSend(new("c"), new(new("hall"), new(-3))),
        new PutShape(new("c"), new(new PanTarget(), "song", [new(0, -1), new(1, 1)])),
        new AddInsert(EmptyStage.MixBus, Insert("clip", ProcessorCatalogue.Clipper)));

    [Fact]
    public void StemsOfAllThatFeedsTheLastSum_AddUpToWhatComesIntoIt_Under120DbFs()
    {
        var compiled = new CompiledTemplate(Company);
        var feeding = Company.Channels.Where(c => c.Destination == EmptyStage.MixBus).Select(c => new Stem(c.Id, StemPoint.AfterFader)).ToList();
        Assert.Equal(["c", "hall", "low"], feeding.Select(s => s.Channel.Value).Order());

        var stems = Taken(compiled, feeding, tailSeconds: 0);

        var sum = Renderer.Render(compiled, new(InMix, EmptyStage.MixBus) { Point = ListeningPoint.Feeding });
        Assert.True(sum.PeakDbfs > -20);
        var worst = Enumerable.Range(0, sum.Left.Length).Max(i => Math.Max(
            Math.Abs(sum.Left[i] - stems.Sum(s => s.Left[i])), Math.Abs(sum.Right[i] - stems.Sum(s => s.Right[i]))));
        Assert.InRange(20 * Math.Log10(worst + 1e-30), double.NegativeInfinity, -120);
    }

    [Fact]
    public void EachStem_IsTheRenderOfItsChannelAlone_ToTheLastBit()
    {
        var compiled = new CompiledTemplate(Company);
        ChannelId[] channels = [new("low"), new("a"), new("b"), new("hall"), EmptyStage.MixBus, EmptyStage.Main];

        var stems = Taken(compiled, [.. channels.Select(c => new Stem(c, StemPoint.AfterFader))], tailSeconds: 0);

        foreach (var (stem, channel) in stems.Zip(channels))
        {
            var alone = Renderer.Render(compiled, new(InMix, channel));
            Assert.Equal(alone.Left, stem.Left);
            Assert.Equal(alone.Right, stem.Right);
        }
    }

    [Fact]
    public void StemsThroughASumThatDoesTheSameToEach_AddUpToWhatComesOutOfIt_Under120DbFs()
    {
        // An equaliser, a gain, a fader that moves and a pan: what is done to the sum of them is done to each.
        var even = Company.With(
            new RemoveInsert(EmptyStage.MixBus, new("clip")), new AddInsert(EmptyStage.MixBus, Insert("eq", ProcessorCatalogue.Equaliser, ("bell-1-db", 6), ("bell-1-hz", 900), ("low-cut", 1))), new AddInsert(EmptyStage.MixBus, Insert("gain", ProcessorCatalogue.Gain, ("gain-db", -3))),
            new SetPan(EmptyStage.MixBus, 0.3), new SetPolarity(EmptyStage.MixBus, true), new PutShape(EmptyStage.MixBus, new(new LevelTarget(), "song", [new(0, -12), new(1, 0)])));
        var compiled = new CompiledTemplate(even);

        var stems = Taken(compiled, [.. even.Channels.Where(c => c.Destination == EmptyStage.MixBus).Select(c => new Stem(c.Id, StemPoint.AfterFader) { Through = EmptyStage.MixBus })], 0);

        var sum = Renderer.Render(compiled, new(InMix, EmptyStage.MixBus));
        Assert.True(sum.PeakDbfs > -20);
        var worst = Enumerable.Range(0, sum.Left.Length).Max(i => Math.Max(Math.Abs(sum.Left[i] - stems.Sum(s => s.Left[i])), Math.Abs(sum.Right[i] - stems.Sum(s => s.Right[i]))));
        Assert.InRange(20 * Math.Log10(worst + 1e-30), double.NegativeInfinity, -120);
    }

    [Fact]
    public void AStemThroughASum_IsThatSumWhereNothingElseFeedsIt_WhateverItsStripDoes()
    {
        // Late, limiting, keyed by another channel: as the whole, since the others are muted.
        var worked = Company.With(
            new AddInsert(EmptyStage.MixBus, Insert("limit", ProcessorCatalogue.Limiter, ("look-ahead-ms", 5), ("ceiling-db", -12))), new AddInsert(EmptyStage.MixBus, Insert("glue", ProcessorCatalogue.Compressor, ("threshold-db", -30)) with { Key = new(true) }),
            Trigger("beat"), new PutFeed(new("beat"), new(EmptyStage.MixBus, new("glue"), new(0))));
        var alone = worked.With(new SetMute(new("a"), true), new SetMute(new("c"), true), new SetMute(new("hall"), true));

        var stem = Taken(new(alone), [new Stem(new("low"), StemPoint.AfterFader) { Through = EmptyStage.MixBus }], 0)[0];

        var sum = Renderer.Render(alone, new(InMix, EmptyStage.MixBus));
        Assert.All(Enumerable.Range(0, sum.Left.Length), i => Assert.Equal(sum.Left[i], stem.Left[i], 1e-6));
        Assert.True(sum.Left.Max(Math.Abs) > 0.05);
    }

    [Fact]
    public void WhatLeadsToNoSuchSum_OrIsIt_GoesThroughNone()
    {
        var compiled = new CompiledTemplate(Company);
        ChannelId[] channels = [EmptyStage.MixBus, EmptyStage.Main];

        Assert.Equal(
            Taken(compiled, [.. channels.Select(c => new Stem(c, StemPoint.AfterFader))], 0).Select(s => s.Left),
            Taken(compiled, [.. channels.Select(c => new Stem(c, StemPoint.AfterFader) { Through = EmptyStage.MixBus })], 0).Select(s => s.Left));
    }

    [Fact]
    public void AMonoChannelWhosePanMoves_MovesWhereItIsHeardAlone_AsInTheSum()
    {
        var alone = Renderer.Render(Company, new(InMix, new("c")));
        double turned(int from) => alone.Right.Skip(from).Take(4800).Sum(x => (double)x * x) / alone.Left.Skip(from).Take(4800).Sum(x => (double)x * x);

        // From hard left to hard right over the bar of two seconds: in the middle both are alike.
        Assert.InRange(turned(2400), 0, 0.05);
        Assert.InRange(turned(48000 - 2400), 0.9, 1.1);
        Assert.InRange(turned(96000 - 7200), 20, double.PositiveInfinity);
    }

    [Fact]
    public void ADryStem_IsWhatComesIn_OnOneLaneWhereTheChannelIsMono()
    {
        var plain = Company.With(new RemoveInsert(new("a"), new("limit")), new SetPan(new("a"), 0));
        var (dry, bare) = (Taken(new(Company), [new(new("a"), StemPoint.Input), new(new("b"), StemPoint.Input)], 0), Taken(new(plain), [new(new("a"), StemPoint.AfterFader)], 0)[0]);

        Assert.Empty(dry[0].Right);
        Assert.NotEmpty(dry[1].Right);
        // The centre of the constant-power law is 3.01 dB down on either side.
        Assert.All(Enumerable.Range(0, 2000), i => Assert.Equal(dry[0].Left[i] * Math.Sqrt(0.5), bare.Left[i], 1e-6));
    }

    [Fact]
    public void TheTail_RingsOnBeyondTheEnd_AndChangesNothingBefore()
    {
        var compiled = new CompiledTemplate(Company);
        Stem[] hall = [new(new("hall"), StemPoint.AfterFader)];

        var (without, with) = (Taken(compiled, hall, 0)[0], Taken(compiled, hall, 1.5)[0]);

        Assert.Equal(without.Left.Count + 72000, with.Left.Count);
        Assert.Equal(without.Left, with.Left.Take(without.Left.Count));
        // The reverb of one second decays by 60 dB in a second.
        Assert.True(with.Left.Skip(without.Left.Count).Take(4800).Max(Math.Abs) > 1e-4);
        Assert.True(with.Left.TakeLast(4800).Max(Math.Abs) < with.Left.Skip(without.Left.Count).Take(4800).Max(Math.Abs) / 100);
    }

    [Fact]
    public void WhatDoesNotLeadToTheMain_IsNoStem_AndCancelledItStops()
    {
        var compiled = new CompiledTemplate(Company.With(Trigger("beat"), new SetStage(new("b"), InMix, StageState.InTheWings)));

        Assert.DoesNotContain(StemRender.Able(compiled, InMix), c => c.Id.Value is "beat" or "b");
        Assert.Throws<ArgumentException>(() => Taken(compiled, [new(new("beat"), StemPoint.AfterFader)], 0));
        Assert.Throws<OperationCanceledException>(() => StemRender.Render(compiled, InMix, [], 0, new Kept(0), cancellation: new CancellationToken(canceled: true)));
    }

    private static IReadOnlyList<(List<float> Left, List<float> Right)> Taken(CompiledTemplate compiled, IReadOnlyList<Stem> stems, double tailSeconds)
    {
        var kept = new Kept(stems.Count);
        var frames = StemRender.Render(compiled, InMix, stems, tailSeconds, kept);
        Assert.All(kept.Stems, s => Assert.Equal(frames, s.Left.Count));
        return kept.Stems;
    }

    private sealed class Kept(int stems) : IStemSink
    {
        public List<(List<float> Left, List<float> Right)> Stems { get; } = [.. Enumerable.Range(0, stems).Select(_ => (new List<float>(), new List<float>()))];

        public void Take(int stem, ReadOnlySpan<float> left, ReadOnlySpan<float> right)
        {
            Stems[stem].Left.AddRange(left);
            Stems[stem].Right.AddRange(right);
        }
    }
}
