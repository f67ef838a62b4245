using FsCheck.Xunit;
using HomeStage.Core.Catalogue;
using HomeStage.Core.Devices;
using HomeStage.Core.Editing;
using HomeStage.Core.Routing;
using HomeStage.Core.Templates;
using HomeStage.TestKit;
using static HomeStage.TestKit.Stages;

namespace HomeStage.Core.Tests.Routing;

public class DelayCompensationTests
{
    // 2 ms at 48 kHz.
    private const int LimiterFrames = 96 + Core.Sound.Kernels.PeaksBetween.LatencyFrames;

    [Fact]
    public void Of_TwoPathsIntoOneSum_PadsTheShorterByTheDifference()
    {
        var template = OneBar(Tone("dry", "mix-bus"), Tone("late", "mix-bus", strip: Limiter()));

        var (graph, compensation) = Compile(template);

        Assert.Equal(LimiterFrames, PaddingFrom(graph, compensation, "dry"));
        Assert.Equal(0, PaddingFrom(graph, compensation, "late"));
        Assert.Equal(LimiterFrames, compensation.TotalFrames);
    }

    [Theory]
    [InlineData(TapPoint.Pre)]
    [InlineData(TapPoint.Post)]
    public void Of_ASendIntoAReturnThatALateOneFeedsToo_PadsTheSend(TapPoint tap)
    {
        var template = OneBar(
            Return("hall", "mix-bus"), Tone("dry", "mix-bus"), Tone("late", "mix-bus", strip: Limiter()),
            new PutSend(new("dry"), new(new("hall"), new(0), tap)), new PutSend(new("late"), new(new("hall"), new(0), tap)));

        var (graph, compensation) = Compile(template);

        var sends = Enumerable.Range(0, graph.Links.Count).Where(i => graph.Links[i].Kind == LinkKind.Send)
            .ToDictionary(i => template.Channels[graph.Stages[graph.Links[i].From].Channel].Id.Value, i => compensation.PaddingFrames[i]);
        Assert.Equal((LimiterFrames, 0), (sends["dry"], sends["late"]));
    }

    [Fact]
    public void ALateChannelAroundTheMain_MakesTheWholeLate_UnlessItRests()
    {
        var around = new AddChannel(new() { Id = new("monitor"), Name = "Monitor", Kind = ChannelKind.Direct, OutputPair = 2, Source = new InstrumentSource(InstrumentCatalogue.KeyTone), Inserts = [Limiter()] });
        var template = OneBar(Tone("dry", "mix-bus"), around);

        Assert.Equal(LimiterFrames, Compile(template).Compensation.TotalFrames);
        Assert.Equal(0, Compile(template.With(new SetStage(new("monitor"), InMix, StageState.InTheWings))).Compensation.TotalFrames);
    }

    [Fact]
    public void WhatIsLateByMilliseconds_IsLateByOtherFrames_AtAnotherRate()
    {
        var template = OneBar(Tone("late", "mix-bus", strip: Limiter()));
        var compiled = new Core.Compiling.CompiledTemplate(template);
        Assert.NotEqual(0, compiled.In(InMix).HeardCompensation.TotalFrames);

        var faster = template with { SampleRateHz = 96000 };

        Assert.Equal(new Core.Compiling.CompiledTemplate(faster).In(InMix).HeardCompensation.TotalFrames, new Core.Compiling.CompiledTemplate(faster, compiled).In(InMix).HeardCompensation.TotalFrames);
        Assert.NotEqual(compiled.In(InMix).HeardCompensation.TotalFrames, new Core.Compiling.CompiledTemplate(faster, compiled).In(InMix).HeardCompensation.TotalFrames);
    }

    [Property(MaxTest = 60)]
    public void Padding_OfEveryLink_BringsItsSignalToWhereTheLatestArrives(int seed)
    {
        var template = new RandomTemplates(seed).Grown(25).With(new AddInsert(EmptyStage.Main, Limiter() with { Id = new("late-on-purpose") }));

        var (graph, compensation) = Compile(template);

        // That lateness is the longest path is held above.
        var late = compensation.LatenessFrames;
        var latest = graph.Links.GroupBy(l => l.To).ToDictionary(g => g.Key, g => g.Max(l => late[l.From]));
        foreach (var (link, padding) in graph.Links.Zip(compensation.PaddingFrames))
            Assert.Equal(latest[link.To], late[link.From] + padding);
    }

    [Theory]
    [InlineData(0, true)]
    [InlineData(96, false)]
    public void Fits_AnotherInstrument_WhereItIsAsLateAsTheOneBefore(int laterFrames, bool fits)
    {
        var before = OneBar(Tone("t", "mix-bus"));
        var source = new InstrumentSource(InstrumentCatalogue.Gullwing) { Device = new("Elsewhere") { Latency = new(laterFrames, 48000) } };
        var after = before.With(new SetSource(new("t"), source));

        Assert.Equal(fits, Compile(before).Compensation.Fits(before, after, InMix, Latencies.Declared));
    }

    [Theory]
    [InlineData("threshold-db", -9, true)]
    [InlineData("oversampled", 1, false)]
    public void Fits_AnotherSetting_WhereNothingOfTheStripIsLaterForIt(string parameter, double value, bool fits)
    {
        var before = OneBar(Tone("t", "mix-bus", strip: [Insert("comp", ProcessorCatalogue.Compressor), Insert("eq", ProcessorCatalogue.Equaliser)]));
        var after = before.With(new SetParameter(new("t"), new(fits ? "comp" : "eq"), parameter, value));

        Assert.NotEqual(before, after);
        Assert.Equal(fits, Compile(before).Compensation.Fits(before, after, InMix, Latencies.Declared));
    }

    [Fact]
    public void Of_ALateKey_PadsTheSignalThatItSteers()
    {
        var comp = Insert("comp", ProcessorCatalogue.Compressor) with { Key = new(true) };
        var template = OneBar(Tone("key", "mix-bus", strip: Limiter()), Tone("steered", "mix-bus", strip: comp),
            new PutFeed(new("key"), new(new("steered"), comp.Id, new(0))));

        var (graph, compensation) = Compile(template);

        var steered = template.Channels.IndexOf(new("steered"));
        var into = Enumerable.Range(0, graph.Links.Count).Single(i => graph.Links[i].To == graph.InsertOf(steered, 0) && graph.Links[i].Kind == LinkKind.Within);
        Assert.Equal(LimiterFrames, compensation.PaddingFrames[into]);
    }

    [Fact]
    public void Of_AParkedInsert_AddsNoLatency()
    {
        var template = OneBar(Tone("late", "mix-bus", strip: Limiter() with { ParkedIn = [InMix] }));

        Assert.Equal(0, Compile(template).Compensation.TotalFrames);
    }

    [Property(MaxTest = 100)]
    public void Of_AnyTemplate_LetsEveryPathArriveTogether_AsTheLongestPathByBruteForce(int seed)
    {
        var template = new RandomTemplates(seed).Grown(25);

        var (graph, compensation) = Compile(template);

        Assert.All(compensation.PaddingFrames, p => Assert.True(p >= 0));
        for (var stage = 0; stage < graph.Stages.Count; stage++)
            Assert.Equal(LongestTo(graph, stage), compensation.LatenessFrames[stage]);
    }

    private static int LongestTo(SignalGraph graph, int stage)
    {
        var at = graph.Stages[stage];
        var channel = graph.Template.Channels[at.Channel];
        var own = at.Kind switch
        {
            StageKind.Player when channel.Source is InstrumentSource { Device: { } played } => Declared(played, graph.Template.SampleRateHz),
            StageKind.Insert when !channel.Inserts[at.Insert].IsLiveIn(graph.Template, InMix) => 0,
            StageKind.Insert when channel.Inserts[at.Insert] is var insert => insert.Device is { } device
                ? Declared(device, graph.Template.SampleRateHz)
                : ProcessorCatalogue.Find(insert.Processor)!.LatencyFrames(insert.Settings, graph.Template.SampleRateHz),
            _ => 0,
        };
        return own + graph.Links.Where(l => l.To == stage).Select(l => LongestTo(graph, l.From)).DefaultIfEmpty(0).Max();
    }

    /// <summary>As many frames as it says at its own rate, else those of the same time.</summary>
    private static int Declared(OutsideDevice device, int rateHz) =>
        device.Latency is { } latency ? (int)Math.Round(latency.Frames * (rateHz / (double)latency.RateHz)) : 0;

    private static Insert Limiter() => Insert("limit", ProcessorCatalogue.Limiter, ("look-ahead-ms", 2));

    private static (SignalGraph Graph, DelayCompensation Compensation) Compile(Template template)
    {
        var graph = new SignalGraph(template, InMix);
        return (graph, DelayCompensation.Of(graph, StageOrder.Of(graph), InMix));
    }

    private static int PaddingFrom(SignalGraph graph, DelayCompensation compensation, string channel)
    {
        var post = graph.PostOf(graph.Template.Channels.IndexOf(new(channel)));
        return compensation.PaddingFrames[Enumerable.Range(0, graph.Links.Count).Single(i => graph.Links[i].From == post)];
    }
}
