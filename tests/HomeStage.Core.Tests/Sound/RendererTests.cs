using HomeStage.Core.Catalogue;
using HomeStage.Core.Editing;
using HomeStage.Core.Sound;
using HomeStage.Core.Sound.Listening;
using HomeStage.Core.Templates;
using HomeStage.TestKit;
using static HomeStage.TestKit.Stages;

namespace HomeStage.Core.Tests.Sound;

public class RendererTests
{
    // −6 dBFS, as the tone of these tests plays.
    private const double ToneLevelDb = -6;
    private const double CentreDb = -3.0103;

    [Repeated(12, 250)]
    public void Render_InAnyStretchByAnyNumberOfThreads_GivesTheSameSamples(int seed)
    {
        var template = new RandomTemplates(seed).Grown(60) with { Timeline = new(160, new(2, 4), [new("verse", "Verse", 2)]) };
        var request = new RenderRequest(template.Acts[0].Id);
        var whole = Renderer.Render(template, request);

        RenderManner[] manners = [new(1 + Math.Abs(seed % 97), 1), new(64, 3), new(1021, 2), new(2048, 1)];
        foreach (var how in Runs.AreLong ? manners : [manners[Math.Abs(seed % 2)], manners[2 + Math.Abs(seed / 2 % 2)]])
        {
            var again = Renderer.Render(template, request, how: how);
            Assert.Equal(whole.Left, again.Left);
            Assert.Equal(whole.Right, again.Right);
        }
    }

    [Fact]
    public void Render_AToneThroughEverythingAtRest_ComesOutAtItsLevel()
    {
        Assert.Equal(ToneLevelDb, Level(OneBar(Tone("t", "mix-bus"))), 0.01);
    }

    [Theory]
    [InlineData(-6.0)]
    [InlineData(-20.0)]
    [InlineData(6.0)]
    public void Render_AFader_TurnsByItsDb(double db)
    {
        Assert.Equal(ToneLevelDb + db, Level(OneBar(Tone("t", "mix-bus"), new SetLevel(new("t"), new(db)))), 0.01);
    }

    [Fact]
    public void Render_AFaderAtSilence_IsSilent()
    {
        Assert.Null(Renderer.Render(OneBar(Tone("t", "mix-bus"), new SetLevel(new("t"), Decibels.Silence)), new(InMix)).PeakDbfs);
    }

    [Fact]
    public void Render_AMonoChannelAtTheCentre_IsDownByThePanLaw()
    {
        Assert.Equal(ToneLevelDb + CentreDb, Level(OneBar(Tone("t", "mix-bus", ChannelFormat.Mono))), 0.01);
    }

    [Fact]
    public void Render_AMonoChannelHardLeft_IsHeardThereAlone()
    {
        var sound = Renderer.Render(OneBar(Tone("t", "mix-bus", ChannelFormat.Mono), new SetPan(new("t"), -1)), new(InMix));

        Assert.Equal(ToneLevelDb, 20 * Math.Log10(sound.Left.Max()), 0.01);
        // The cosine of a right angle is not quite nought in double precision.
        Assert.All(sound.Right, s => Assert.Equal(0, s, 1e-6f));
    }

    [Fact]
    public void Render_TwoEqualChannels_AddUpTo6Db()
    {
        Assert.Equal(ToneLevelDb + 6.0206, Level(OneBar(Tone("t", "mix-bus"), Tone("u", "mix-bus"))), 0.01);
    }

    [Fact]
    public void Render_ATrigger_IsNotHeard()
    {
        Assert.Null(Renderer.Render(OneBar(Trigger("pulse")), new(InMix)).PeakDbfs);
    }

    [Fact]
    public void Render_ATrigger_DucksWhatItSteers_AndNothingElse()
    {
        var duck = Insert("duck", ProcessorCatalogue.Compressor, ("threshold-db", -20), ("ratio", 4), ("knee-db", 0), ("attack-ms", 0.5), ("release-ms", 60)) with { Key = new(true) };
        Edit[] stage = [Trigger("pulse"), Bus("ducked", "mix-bus", duck), Tone("t", "ducked"), Tone("free", "mix-bus")];
        var template = OneBar([.. stage, new PutFeed(new("pulse"), new(new("ducked"), duck.Id, new(0)))]);

        var hit = PeakDb(Renderer.Render(template, new(InMix, new("ducked"))), 0.05, 0.1);
        var rest = PeakDb(Renderer.Render(template, new(InMix, new("ducked"))), 0.45, 0.5);
        var free = PeakDb(Renderer.Render(template, new(InMix, new("free"))), 0.05, 0.1);

        // The key is 20 dB over a ratio of 4: 15 dB. A sine's peak detector sags between crests, by 1 dB at the most here.
        Assert.Equal(ToneLevelDb - 15, hit, 1.0);
        Assert.Equal(ToneLevelDb, rest, 0.3);
        Assert.Equal(ToneLevelDb, free, 0.01);
    }

    [Fact]
    public void Render_AFeedThatIsMuted_SteersNothing()
    {
        var duck = Insert("duck", ProcessorCatalogue.Compressor, ("threshold-db", -40)) with { Key = new(true) };
        var template = OneBar(Trigger("pulse"), Bus("ducked", "mix-bus", duck), Tone("t", "ducked"),
            new PutFeed(new("pulse"), new(new("ducked"), duck.Id, new(0))), new SetMute(new("pulse"), true));

        Assert.Equal(ToneLevelDb, Level(template), 0.01);
    }

    [Theory]
    [InlineData(TapPoint.Pre, 0.0, -6)]
    [InlineData(TapPoint.Pre, -20.0, -6)]
    [InlineData(TapPoint.Post, -20.0, -26)]
    public void Render_ASend_IsACopyOfItsPoint(TapPoint tap, double fader, double heard)
    {
        var template = OneBar(Return("r", "mix-bus"), Tone("t", "mix-bus"), new SetLevel(new("t"), new(fader)), new PutSend(new("t"), new(new("r"), new(0), tap)));

        Assert.Equal(heard, Level(template, "r"), 0.01);
    }

    [Fact]
    public void Render_AClosedSend_OrOneFromAMutedChannel_IsSilent()
    {
        var closed = OneBar(Return("r", "mix-bus"), Tone("t", "mix-bus"), new PutSend(new("t"), new(new("r"), new(0), TapPoint.Pre, Open: false)));
        var muted = OneBar(Return("r", "mix-bus"), Tone("t", "mix-bus"), new PutSend(new("t"), new(new("r"), new(0), TapPoint.Pre)), new SetMute(new("t"), true));

        Assert.Null(Renderer.Render(closed, new(InMix, new("r"))).PeakDbfs);
        Assert.Null(Renderer.Render(muted, new(InMix, new("r"))).PeakDbfs);
    }

    [Fact]
    public void Render_AChannelInTheWings_IsSilent_AndOneBehindTheCurtainIsNot()
    {
        var wings = OneBar(Tone("t", "mix-bus"), new SetStage(new("t"), InMix, StageState.InTheWings));
        var curtain = OneBar(Tone("t", "mix-bus"), new SetStage(new("t"), InMix, StageState.BehindTheCurtain));

        Assert.Null(Renderer.Render(wings, new(InMix)).PeakDbfs);
        Assert.Equal(ToneLevelDb, Level(curtain), 0.01);
    }

    [Fact]
    public void Render_TwoPathsOfUnlikeLatency_ArriveAtTheSameFrame()
    {
        // Far under its ceiling the limiter only delays, so both paths are the same sound and add up to twice one.
        var limiter = Insert("limit", ProcessorCatalogue.Limiter, ("look-ahead-ms", 5), ("ceiling-db", 0));
        var one = Renderer.Render(OneBar(Tone("t", "mix-bus")), new(InMix));
        var both = Renderer.Render(OneBar(Bus("late", "mix-bus", limiter), Tone("t", "mix-bus"), new PutSend(new("t"), new(new("late"), new(0)))), new(InMix));

        Assert.Equal(240 + Core.Sound.Kernels.PeaksBetween.LatencyFrames, both.LatencyFrames);
        Assert.Equal(one.Left.Select(s => 2 * s), both.Left);
    }

    [Fact]
    public void Render_AKitInSplits_SoundsAsTheSameKitInOne()
    {
        var kit = InstrumentCatalogue.Find(InstrumentCatalogue.Tidewater)!.Kit!;
        var coarse = kit.Together();
        var hits = new Core.Timing.Pattern("All", 16 * 240, kit.Pieces.Select((p, i) => new Core.Timing.Note(i * 240, 200, p.Note, 100)).ToSequence(), []);
        AddChannel Player(Core.Kits.Kit k) => new(new() { Id = new("kit"), Name = "Kit", Kind = ChannelKind.Instrument, Destination = EmptyStage.MixBus, Source = new InstrumentSource(InstrumentCatalogue.Tidewater, k), Patterns = [hits] });
        var splits = Enumerable.Range(2, 7).Select(o => (Edit)new AddChannel(new() { Id = new($"s{o}"), Name = $"Split {o}", Kind = ChannelKind.Split, Destination = EmptyStage.MixBus, Source = new OutputSource(new("kit"), o) }));

        var whole = Renderer.Render(OneBar(Player(coarse)), new(InMix));
        var split = Renderer.Render(OneBar([Player(kit), .. splits]), new(InMix));

        // Only the order of additions differs: single precision near −120 dBFS.
        Assert.All(whole.Left.Zip(split.Left), x => Assert.Equal(x.First, x.Second, 2e-6f));
    }

    [Fact]
    public void Render_ASplit_CarriesItsOwnPiecesOnly()
    {
        var kit = InstrumentCatalogue.Find(InstrumentCatalogue.Breakwater)!.Kit!;
        var kickOnly = new Core.Timing.Pattern("Kick", 3840, [new(0, 100, 36, 120)], []);
        var template = OneBar(
            new AddChannel(new() { Id = new("kit"), Name = "Kit", Kind = ChannelKind.Instrument, Destination = EmptyStage.MixBus, Source = new InstrumentSource(InstrumentCatalogue.Breakwater, kit), Patterns = [kickOnly] }),
            new AddChannel(new() { Id = new("kick"), Name = "Kick", Kind = ChannelKind.Split, Destination = EmptyStage.MixBus, Source = new OutputSource(new("kit"), 2) }),
            new AddChannel(new() { Id = new("snare"), Name = "Snare", Kind = ChannelKind.Split, Destination = EmptyStage.MixBus, Source = new OutputSource(new("kit"), 3) }));

        Assert.NotNull(Renderer.Render(template, new(InMix, new("kick"))).PeakDbfs);
        Assert.Null(Renderer.Render(template, new(InMix, new("snare"))).PeakDbfs);
        Assert.Null(Renderer.Render(template, new(InMix, new("kit"))).PeakDbfs);
    }

    [Fact]
    public void Render_OneSection_IsThatStretchAtItsTempo()
    {
        var template = OneBar(Tone("t", "mix-bus")) with { Timeline = new(120, new(4, 4), [new("verse", "Verse", 2), new("slow", "Slow", 1, 60)]) };

        Assert.Equal(4 * 48000, Renderer.Render(template, new(InMix, Section: "slow")).Left.Length);
    }

    [Fact]
    public void Render_WhenCancelled_Stops()
    {
        using var cancel = new CancellationTokenSource();
        var template = OneBar(Tone("t", "mix-bus")) with { Timeline = new(60, new(4, 4), [new("long", "Long", 200)]) };
        var watch = new Watch(frames =>
        {
            if (frames > 100_000)
                cancel.Cancel();
        });

        Assert.Throws<OperationCanceledException>(() => Renderer.Render(template, new(InMix), watch, cancellation: cancel.Token));
    }

    [Theory]
    [InlineData("rest", null, null)]
    [InlineData(InMix, "nobody", null)]
    [InlineData(InMix, null, "Nowhere")]
    public void Render_OfWhatIsNotThere_IsRefused(string act, string? channel, string? section)
    {
        var request = new RenderRequest(act, channel is null ? null : new ChannelId(channel), section);

        Assert.NotNull(request.Check(OneBar()));
        Assert.Throws<ArgumentException>(() => Renderer.Render(OneBar(), request));
    }

    private static double Level(Template template, string? channel = null) =>
        PeakDb(Renderer.Render(template, new(InMix, channel is null ? null : new ChannelId(channel))), 0.5, 1.5);

    private static double PeakDb(RenderedSound sound, double fromSeconds, double toSeconds) =>
        20 * Math.Log10(sound.Left[(int)(fromSeconds * 48000)..(int)(toSeconds * 48000)].Max(Math.Abs));

    [Fact]
    public void Render_WhileItGoesOn_ShowsWhatIsFinal()
    {
        var template = OneBar(Tone("t", "mix-bus"));
        var whole = Renderer.Render(template, new(InMix));
        var seen = 0;

        Renderer.Render(template, new(InMix), new Watch((sound, frames) =>
        {
            Assert.Equal(whole.Left[seen..frames], sound.Left[seen..frames]);
            Assert.Null(sound.Meters);
            seen = frames;
        }));

        Assert.Equal(whole.Left.Length, seen);
    }

    private sealed class Watch(Action<RenderedSound, int> see) : IRenderWatcher
    {
        public Watch(Action<int> see)
            : this((_, frames) => see(frames))
        {
        }

        public void OnFrames(RenderedSound sound, int frames) => see(sound, frames);
    }
}
