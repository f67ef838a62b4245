using FsCheck.Xunit;
using HomeStage.Core.Catalogue;
using HomeStage.Core.Editing;
using HomeStage.Core.Routing;
using HomeStage.Core.Templates;
using HomeStage.TestKit;
using static HomeStage.TestKit.Stages;

namespace HomeStage.Core.Tests.Routing;

/// <summary>Which stages and links a template has in an act.</summary>
public class SignalGraphTests
{
    private static readonly Insert Keyed = Insert("comp", ProcessorCatalogue.Compressor) with { Key = new(true) };

    [Fact]
    public void AnInstrumentThatIsTheFirstChannel_PlaysIntoIt()
    {
        var template = OneBar(new AddChannel(Tone("first", "mix-bus").Channel, 0));
        Assert.Equal("first", template.Channels[0].Id.Value);

        var graph = new SignalGraph(template, InMix);

        Assert.Contains(graph.Links, l => l.Kind == LinkKind.InstrumentOutput && l.From == graph.PlayerOf(0) && l.To == graph.InputOf(0));
    }

    [Theory]
    [InlineData(true, false, 1)]
    [InlineData(false, false, 0)]
    [InlineData(true, true, 0)]
    public void AFeed_ReachesAnInsertThatIsLive_AndWhoseKeyIsOn(bool on, bool parked, int links)
    {
        var insert = Keyed with { Key = new(on), ParkedIn = parked ? [InMix] : [] };
        var template = OneBar(Bus("band", "mix-bus", insert), Trigger("pulse"), new PutFeed(new("pulse"), new(new("band"), new("comp"), new(0), TapPoint.Pre)));

        Assert.Equal(links, new SignalGraph(template, InMix).Links.Count(l => l.Kind == LinkKind.Key));
        // Without an act it holds whatever could sound in any, which is what loops are looked for in.
        Assert.Single(new SignalGraph(template).Links, l => l.Kind == LinkKind.Key);
    }

    [Theory]
    [InlineData(TapPoint.Pre)]
    [InlineData(TapPoint.Post)]
    public void ASend_AFeedAndARecording_LeaveBeforeOrAfterTheFader(TapPoint tap)
    {
        var template = OneBar(Return("hall", "mix-bus"), Bus("band", "mix-bus", Keyed), Tone("t", "mix-bus"),
            new PutSend(new("t"), new(new("hall"), new(-6), tap)), new PutFeed(new("t"), new(new("band"), Keyed.Id, new(0), tap)),
            new AddChannel(new() { Id = new("take"), Name = "Take", Kind = ChannelKind.Audio, Destination = EmptyStage.MixBus, Source = new InternalSource(new("t"), tap) }));
        var graph = new SignalGraph(template, InMix);
        var at = template.Channels.IndexOf(new("t"));

        var leaving = graph.Links.Where(l => l.Kind is LinkKind.Send or LinkKind.Key or LinkKind.Internal).ToList();

        Assert.Equal(3, leaving.Count);
        Assert.All(leaving, l => Assert.Equal(tap == TapPoint.Pre ? graph.PreOf(at) : graph.PostOf(at), l.From));
    }

    [Fact]
    public void APlayer_LeavesByItsFirstOutput_AndByTheOutputOfEachSplit()
    {
        var kit = InstrumentCatalogue.Find(InstrumentCatalogue.Breakwater)!.Kit!;
        var template = OneBar(
            new AddChannel(new() { Id = new("kit"), Name = "Kit", Kind = ChannelKind.Instrument, Destination = EmptyStage.MixBus, Source = new InstrumentSource(InstrumentCatalogue.Breakwater, kit) }),
            new AddChannel(new() { Id = new("snare"), Name = "Snare", Kind = ChannelKind.Split, Destination = EmptyStage.MixBus, Format = kit.Outputs[2].Format, Source = new OutputSource(new("kit"), 3) }));
        var graph = new SignalGraph(template, InMix);

        var outputs = graph.Links.Where(l => l.Kind == LinkKind.InstrumentOutput).Select(l => (template.Channels[graph.Stages[l.To].Channel].Id.Value, l.Output));

        Assert.Equal([("kit", 1), ("snare", 3)], outputs.Order());
    }

    [Fact]
    public void LaidSound_IsAPlayer_AndAnInputOnlyWhileItIsHeard()
    {
        static AddChannel Audio(string id, Source? source) => new(new() { Id = new(id), Name = id, Kind = ChannelKind.Audio, Destination = EmptyStage.MixBus, Source = source });
        var template = OneBar(
            Audio("laid", null), new PutStarter(new("laid"), new("Rain", new(new string('a', 64), "Rain", 48000, 1, 480), true, new(0), [])),
            Audio("heard", new InputSource(1, Monitored: true)), Audio("deaf", new InputSource(2)));
        var graph = new SignalGraph(template, InMix);

        Assert.Equal(["heard", "laid"], graph.Stages.Where(s => s.Kind == StageKind.Player).Select(s => template.Channels[s.Channel].Id.Value).Order());
    }

    [Fact]
    public void Total_IsThatOfTheLatestOutput_AndOfOutputsAlone()
    {
        var limiter = Insert("limit", ProcessorCatalogue.Limiter, ("look-ahead-ms", 2));
        var slow = Insert("limit", ProcessorCatalogue.Limiter, ("look-ahead-ms", 10));
        var template = OneBar(
            Tone("a", "mix-bus", strip: limiter), Trigger("pulse"), new AddInsert(new("pulse"), slow), new MakeChannel(new(ChannelKind.Direct) { Name = "Slate" }));

        var total = DelayCompensation.Of(new SignalGraph(template, InMix), StageOrder.Of(new SignalGraph(template, InMix)), InMix).TotalFrames;

        Assert.Equal(ProcessorCatalogue.Find(ProcessorCatalogue.Limiter)!.LatencyFrames(limiter.Settings, 48000), total);
    }

    [Property(MaxTest = 60)]
    public void ARefusal_NamesTheWholeRing_FromOneChannelBackToIt(int seed)
    {
        // A ring of buses, made in any order, each with inserts or without: it is closed by the last move.
        var chance = new Random(seed);
        var count = 2 + chance.Next(5);
        var places = Enumerable.Range(0, count).ToArray();
        chance.Shuffle(places);
        var ring = OneBar([.. places.Select(i => (Edit)Bus($"b{i}", "mix-bus", chance.Next(2) == 0 ? [] : [Keyed, Insert("gain", ProcessorCatalogue.Gain)]))]);
        for (var i = 0; i + 1 < count; i++)
            ring = ring.With(new SetDestination(new($"b{i}"), new($"b{i + 1}")));

        var path = ring.RefusalOf(new SetDestination(new($"b{count - 1}"), new("b0"))).Path;

        Assert.Equal(count + 1, path.Count);
        Assert.Equal(path[0], path[^1]);
        var start = int.Parse(path[0]["Bus b".Length..], System.Globalization.CultureInfo.InvariantCulture);
        Assert.Equal(Enumerable.Range(start, count + 1).Select(i => $"Bus b{i % count}"), path);
    }
}
