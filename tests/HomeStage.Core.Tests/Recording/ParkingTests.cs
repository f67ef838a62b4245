using HomeStage.Core.Catalogue;
using HomeStage.Core.Compiling;
using HomeStage.Core.Devices;
using HomeStage.Core.Editing;
using HomeStage.Core.Recording;
using HomeStage.Core.Studios;
using HomeStage.Core.Templates;
using HomeStage.TestKit;
using static HomeStage.TestKit.Stages;

namespace HomeStage.Core.Tests.Recording;

public class ParkingTests
{
    private const string Act = InMix;

    private static readonly Studio Kitchen = new(new AudioInterface("Kitchen", ["1", "2"], ["L", "R"], 256));

    [Fact]
    public void MonitoredPath_IsBuffersAndChain_WithoutWhatOthersAreLateBy()
    {
        // 2 × 256 frames at 48 kHz are 10.7 ms; 1,536 frames are 32 ms.
        var template = OneBar(Voice("singer", Slow("tune", 1536)), Tone("late", "mix-bus", strip: Slow("x", 9000)));

        var path = Assert.Single(MonitoredPath.Of(new CompiledTemplate(template).In(Act), Kitchen));

        Assert.Equal((512, 1536), (path.BufferFrames, path.ChainFrames));
        Assert.Equal(10.667, path.BufferMs, 3);
        Assert.Equal(42.667, path.Milliseconds, 3);
    }

    [Fact]
    public void MonitoredPath_WaitsAtAKeyThatIsLater_UntilTheKeyedInsertIsParked()
    {
        var ducked = Insert("duck", ProcessorCatalogue.Compressor) with { Key = new(true) };
        var template = OneBar(Voice("singer", ducked, Slow("b", 10)), Tone("key", "mix-bus", strip: Slow("x", 700)), new PutFeed(new("key"), new(new("singer"), new("duck"), new(0))));

        Assert.Equal(710, Assert.Single(Paths(template)).ChainFrames);
        Assert.Equal(10, Assert.Single(Paths(template.With(new ParkInsert(new("singer"), new("duck"), [Act])))).ChainFrames);
        Assert.Equal(10, Assert.Single(Paths(template.With(new ParkInsert(new("key"), new("x"), [Act])))).ChainFrames);
    }

    [Fact]
    public void MonitoredPath_NamesWhatDoesNotSayHowLateItIs()
    {
        var template = OneBar(Voice("singer", Insert("q", ProcessorCatalogue.Through) with { Device = new("Quiet One") }));

        Assert.Equal(["Quiet One"], Assert.Single(Paths(template)).UnknownLatency);
    }

    [Fact]
    public void Of_BuffersThatTakeLongerThanThereIs_ParksNothing_AndSaysSo()
    {
        var parking = Parking.Of(new CompiledTemplate(OneBar(Voice("singer", Slow("tune", 1536)))).In(Act), Kitchen with { BudgetMs = 10 });

        Assert.True(parking.BuffersAlone);
        Assert.Empty(parking.Inserts);
    }

    [Fact]
    public void Of_OneOnABusThatDoesItForAll_ParksThatOne_AndOfTwoThatDoTheOneThatTakesLess()
    {
        // 12 ms are 576 frames; 64 are left after the buffers.
        var template = OneBar(Bus("voices", "mix-bus", Slow("bus", 100)), Voice("a", "voices", Slow("a1", 60)), Voice("b", "voices", Slow("b1", 50)));
        var either = OneBar(Voice("c", Slow("big", 90), Slow("small", 40)));

        Assert.Equal([(new ChannelId("voices"), new InsertId("bus"))], Parked(template).Inserts);
        Assert.Equal([(new ChannelId("c"), new InsertId("big"))], Parked(either).Inserts);
        Assert.Equal([(new ChannelId("d"), new InsertId("less"))], Parked(OneBar(Voice("d", Slow("more", 60), Slow("less", 50)))).Inserts);
    }

    [Fact]
    public void Edits_OnTheTemplate_BringEveryInputIntoTheBudget()
    {
        var template = OneBar(Bus("voices", "mix-bus", Slow("bus", 100)), Voice("a", "voices", Slow("a1", 600)), Voice("b", "voices", Slow("b1", 50)));
        var parking = Parked(template);

        var after = template.With([.. parking.Edits(template, Act)]);

        Assert.Equal(parking.After.Select(p => p.ChainFrames), Paths(after).Select(p => p.ChainFrames));
        Assert.All(Paths(after), p => Assert.True(p.Milliseconds <= Kitchen.BudgetMs));
    }

    /// <summary>Against every set of inserts of a small template, each parked and measured anew.</summary>
    [Repeated(30, 600)]
    public void Of_AnySmallTemplate_IsTheBestOfAllSets(int seed)
    {
        var template = Small(new Random(seed));
        var compiled = new CompiledTemplate(template).In(Act);
        var parking = Parking.Of(compiled, Kitchen);

        var inserts = template.Channels.SelectMany(c => c.Inserts.Where(i => i.IsLiveIn(template, Act)).Select(i => (c.Id, Insert: i))).ToList();
        var best = Enumerable.Range(0, 1 << inserts.Count)
            .Select(set => inserts.Where((_, i) => (set >> i & 1) == 1).ToList())
            .Where(set => Paths(Without(template, set)).All(p => p.BufferFrames + p.ChainFrames <= 576))
            .Min(set => (set.Count, set.Sum(s => s.Insert.LatencyFrames(48000)), string.Join(',', set.Select(s => inserts.IndexOf(s).ToString("00", null)))));

        var chosen = parking.Inserts.Select(p => inserts.FindIndex(i => i.Id == p.Channel && i.Insert.Id == p.Insert)).ToList();
        Assert.Equal(best, (chosen.Count, chosen.Sum(i => inserts[i].Insert.LatencyFrames(48000)), string.Join(',', chosen.Select(i => i.ToString("00", null)))));
        Assert.True(parking.IsExact);
    }

    [Repeated(15, 300)]
    public void Covering_OfMoreThanCanBeTried_StillMeetsEveryNeed_WithNothingThatIsNotNeeded(int seed)
    {
        var random = new Random(seed);
        var needs = Enumerable.Range(0, 6).Select(_ => Enumerable.Range(0, 40).Where(_ => random.Next(3) == 0).ToDictionary(i => i, _ => (long)random.Next(1, 50)))
            .Select(g => new Need(Math.Max(1, g.Values.Sum() / 2), g, new HashSet<int>())).Where(n => n.Gives.Count > 0).ToList();
        var cost = Enumerable.Range(0, 40).ToDictionary(i => i, i => (long)i);

        var (items, isExact) = Covering.Of(needs, cost)!.Value;

        Assert.True(!isExact || needs.SelectMany(n => n.Gives.Keys).Distinct().Count() <= Covering.MostExact);
        Assert.All(needs, n => Assert.True(n.IsMetBy([.. items])));
        Assert.All(items, i => Assert.Contains(needs, n => !n.IsMetBy([.. items.Where(o => o != i)])));
    }

    [Fact]
    public void Of_AThousandSingersEachWithATunerOfHerOwn_ParksThemAll_AndIsExact()
    {
        var template = OneBar([.. Enumerable.Range(0, 1000).Select(n => Voice($"v{n}", Slow("tune", 1536), Slow("air", 1)))])
            .With(new AddInsert(EmptyStage.MixBus, Slow("sum", 40)));

        var parking = Parked(template);

        Assert.Equal(Enumerable.Range(0, 1000).Select(n => (new ChannelId($"v{n}"), new InsertId("tune"))), parking.Inserts.OrderBy(i => template.Channels.IndexOf(i.Channel)));
        Assert.True(parking.IsExact);
    }

    [Fact]
    public void Covering_ThatAllTogetherDoNot_IsNull()
    {
        Assert.Null(Covering.Of([new(10, new Dictionary<int, long> { [1] = 9 }, new HashSet<int>())], new Dictionary<int, long> { [1] = 9 }));
    }

    /// <summary>Voices through a bus, one key from a late channel, latencies that leave several ways.</summary>
    private static Template Small(Random random)
    {
        Insert Some(string id) => Slow(id, 10 * random.Next(0, 12));
        var keyed = Some("k") is var k && random.Next(2) == 0 ? k with { Key = new(true), Device = k.Device! with { Key = KeyWidth.Mono } } : k;
        var template = OneBar(
            Bus("voices", "mix-bus", Some("v1"), keyed), Voice("a", "voices", Some("a1"), Some("a2")), Voice("b", random.Next(2) == 0 ? "voices" : "mix-bus", Some("b1")),
            Bus("other", "mix-bus", Some("o1")), Tone("key", "other", strip: [Some("x1"), Some("x2")]));
        template = template.With(new AddInsert(EmptyStage.MixBus, Some("m1")));
        return keyed.Key is null ? template : template.With(new PutFeed(new(random.Next(2) == 0 ? "key" : "other"), new(new("voices"), new("k"), new(0))));
    }

    private static Template Without(Template template, List<(ChannelId Id, Insert Insert)> set) =>
        template.With([.. set.Select(s => (Edit)new ParkInsert(s.Id, s.Insert.Id, [Act]))]);

    private static IReadOnlyList<MonitoredPath> Paths(Template template) => MonitoredPath.Of(new CompiledTemplate(template).In(Act), Kitchen);

    private static Parking Parked(Template template) => Parking.Of(new CompiledTemplate(template).In(Act), Kitchen);

    private static Insert Slow(string id, int frames) => Insert(id, ProcessorCatalogue.Through) with { Device = new($"Box {id}") { Latency = new(frames, 48000) } };

    private static AddChannel Voice(string id, params Insert[] strip) => Voice(id, "mix-bus", strip);

    private static AddChannel Voice(string id, string feeds, params Insert[] strip) => new(new()
    {
        Id = new(id),
        Name = $"Voice {id}",
        Kind = ChannelKind.Audio,
        Format = ChannelFormat.Mono,
        Destination = new(feeds),
        Source = new InputSource(1, Monitored: true),
        Inserts = strip.ToSequence(),
    });
}
