using HomeStage.Core.Automation;
using HomeStage.Core.Catalogue;
using HomeStage.Core.Editing;
using HomeStage.Core.Sound;
using HomeStage.Core.Sound.Listening;
using HomeStage.Core.Strips;
using HomeStage.Core.Templates;
using HomeStage.Core.Timing;
using HomeStage.TestKit;
using static HomeStage.TestKit.Stages;

namespace HomeStage.Core.Tests.Sound;

/// <summary>Prepared curves, levers and tempo changes, as they are heard.</summary>
public class MovementTests
{
    private static readonly ChannelId T = new("t");

    [Fact]
    public void AShapeOnTheFader_IsFollowedInDb_StraightBetweenItsPoints()
    {
        var template = OneBar(Tone("t", "mix-bus"), Over(new LevelTarget(), (0, 0), (1, -40)));

        var sound = Renderer.Render(template, new(InMix));

        // Two seconds long: 20 dB down after one, 30 after one and a half.
        Assert.Equal(-6 - 20, LevelDb(sound, 1.0), 0.3);
        Assert.Equal(-6 - 30, LevelDb(sound, 1.5), 0.3);
    }

    [Fact]
    public void AShapeOnThePan_CarriesAMonoChannelAcross_ByThePanLaw()
    {
        var template = OneBar(Tone("t", "mix-bus", ChannelFormat.Mono), Over(new PanTarget(), (0, -1), (1, 1)));

        var sound = Renderer.Render(template, new(InMix));

        // Sine and cosine: hard left at the start, −3.01 dB on both sides in the middle.
        Assert.Equal(-6, LevelDb(sound, 0.03), 0.3);
        Assert.Equal(-6 - 3.01, LevelDb(sound, 1.0), 0.2);
        Assert.True(LevelDb(sound, 1.97) < -25);
    }

    [Fact]
    public void AShapeOnASend_OpensIt()
    {
        var template = OneBar(
            Return("r", "mix-bus"), Tone("t", "mix-bus"), new PutSend(T, new(new("r"), new(0))), Over(new SendTarget(new("r")), (0, -200), (0.5, -200), (0.55, 0), (1, 0)));

        var sound = Renderer.Render(template, new(InMix, new("r")));

        Assert.Equal(0f, sound.Left[..47000].Max(Math.Abs));
        Assert.Equal(-6, LevelDb(sound, 1.5), 0.1);
    }

    [Fact]
    public void AShapeOnAnInsert_TurnsIt_AtTheTimeOfWhatItHears()
    {
        // The limiter before it makes the sound late by ten milliseconds: the step has to be as late.
        var limiter = Insert("late", ProcessorCatalogue.Limiter, ("look-ahead-ms", 10), ("ceiling-db", 0));
        var template = OneBar(
            Tone("t", "mix-bus", strip: [limiter, Insert("g", ProcessorCatalogue.Gain)]),
            Over(new InsertTarget(new("g"), "gain-db"), (0, 0), (0.4999, 0), (0.5, -20), (1, -20)));

        var sound = Renderer.Render(template, new(InMix));

        Assert.Equal(-6, LevelDb(sound, 0.995, 0.004), 0.1);
        Assert.Equal(-26, LevelDb(sound, 1.005, 0.004), 0.1);
    }

    [Fact]
    public void AShapeOnAnInstrument_HoldsForNotesThatStartUnderIt()
    {
        var source = new InstrumentSource(InstrumentCatalogue.KeyTone) { Settings = Map<double>.Empty.With("tone-hz", 1000).With("level-db", -6) };
        var quarters = new Pattern("Quarters", Ticks.PerQuarter, [new(0, Ticks.PerQuarter, 60, 100)], []);
        var template = OneBar(
            new AddChannel(new() { Id = T, Name = "T", Kind = ChannelKind.Instrument, Destination = new("mix-bus"), Source = source, Patterns = [quarters] }),
            Over(new InstrumentTarget("level-db"), (0, -6), (0.49, -6), (0.5, -26), (1, -26)));

        var sound = Renderer.Render(template, new(InMix));

        Assert.Equal(-6, LevelDb(sound, 0.75), 0.1);
        Assert.Equal(-26, LevelDb(sound, 1.25), 0.1);
    }

    [Fact]
    public void ALever_MovesAllItsValues_AndAShapeOnAValueGoesBeforeIt()
    {
        var lever = new Lever("dim", "Dim", 0.5, [new(T, new LevelTarget(), 0, -20), new(new("u"), new LevelTarget(), 0, -40)]);
        var template = OneBar(Tone("t", "mix-bus"), Tone("u", "mix-bus"), new PutLever(lever));

        double Level(Template of, string channel) => LevelDb(Renderer.Render(of, new(InMix, new(channel))), 1.5);
        Assert.Equal(-16, Level(template, "t"), 0.05);
        Assert.Equal(-26, Level(template, "u"), 0.05);
        Assert.Equal(-9, Level(template.With(Over(new LevelTarget(), (0, -3), (1, -3))), "t"), 0.05);
        Assert.Equal(-26, Level(template.With(new PutLever(lever with { Shapes = [new("song", [new(0, 0), new(0.5, 1), new(1, 1)])] })), "t"), 0.05);
    }

    [Fact]
    public void ADelay_FollowsTheTempoOfItsSection()
    {
        var tick = new InstrumentSource(InstrumentCatalogue.CountInTick);
        var bar = new Pattern("One", 4 * Ticks.PerQuarter, [new(0, 60, 76, 127)], []);
        var delay = Insert("d", ProcessorCatalogue.Delay, ("left-quarters", 1), ("right-quarters", 1), ("feedback-percent", 0), ("low-cut-hz", 20), ("high-cut-hz", 20000));
        var template = OneBar(new AddChannel(new() { Id = T, Name = "T", Kind = ChannelKind.Instrument, Destination = new("mix-bus"), Source = tick, Patterns = [bar], Inserts = [delay] }))
            with
        { Timeline = new(120, new(4, 4), [new("quick", "Quick", 1), new("slow", "Slow", 1, TempoBpm: 60)]) };

        var sound = Renderer.Render(template, new(InMix));

        // A quarter is half a second at 120 and a whole one at 60; the slow section begins after two seconds.
        Assert.True(LevelDb(sound, 0.51, 0.01) > -40);
        Assert.True(LevelDb(sound, 3.01, 0.01) > -40);
        Assert.True(LevelDb(sound, 2.51, 0.01) < -80);
    }

    /// <summary>At its centre a bell is its dB (Audio EQ Cookbook), whatever it was before.</summary>
    [Theory]
    [InlineData(0)]
    [InlineData(-9)]
    public void AShapeOnABell_IsFollowed_AlsoWhereTheBellRestsAtFirst(double stored)
    {
        var bell = Insert("eq", ProcessorCatalogue.Equaliser, ("bell-2-hz", 1000), ("bell-2-db", stored), ("bell-2-q", 0.5));
        var template = TwoBars(Tone("t", "mix-bus", strip: bell), new PutShape(T, new(new InsertTarget(new("eq"), "bell-2-db"), "second", [new(0, 0), new(1, 12)])));

        var whole = Renderer.Render(template, new(InMix));
        Assert.Equal(-6 + stored, LevelDb(whole, 1.5), 0.1);
        Assert.Equal(-6 + 6, LevelDb(whole, 3.0), 0.1);
        Assert.Equal(-6 + 9, LevelDb(whole, 3.5), 0.1);
        Assert.Equal(-6 + 9, LevelDb(Renderer.Render(template, new(InMix, Section: "second")), 1.5), 0.1);
    }

    /// <summary>A curve means the same at the same time of the song, whatever is rendered.</summary>
    [Fact]
    public void APartAlone_MovesAsInTheWhole()
    {
        Shape Of(string insert, string parameter, double from, double to) => new(new InsertTarget(new(insert), parameter), "second", [new(0, from), new(0.3, to), new(1, from)]);
        Insert[] strip =
        [
            Insert("eq", ProcessorCatalogue.Equaliser), Insert("gain", ProcessorCatalogue.Gain), Insert("image", ProcessorCatalogue.Image),
            Insert("clip", ProcessorCatalogue.Clipper, ("ceiling-db", 0)), Insert("drive", ProcessorCatalogue.Saturator, ("drive-db", 0)),
        ];
        Shape[] shapes =
        [
            Of("eq", "bell-1-db", 0, 12), Of("eq", "high-cut", 0, 1), Of("eq", "high-cut-hz", 20000, 400), Of("eq", "low-cut-q", 0.5, 4), Of("gain", "gain-db", 0, -12), Of("image", "width-percent", 100, 20),
            Of("clip", "input-db", 0, 6), Of("drive", "drive-db", 0, 12), new(new LevelTarget(), "second", [new(0, -3), new(1, -30)]), new(new PanTarget(), "second", [new(0, -1), new(1, 1)]),
        ];
        var lever = new Lever("open", "Open", 0.2, [new(T, new InsertTarget(new("eq"), "high-shelf-db"), 0, -12)]) { Shapes = [new("second", [new(0, 0), new(1, 1)])] };
        var template = TwoBars([Tone("t", "mix-bus", strip: strip), .. shapes.Select(s => new PutShape(T, s)), new PutLever(lever)]);

        var whole = Renderer.Render(template, new(InMix)).Left[(2 * Signals.Rate)..];
        var part = Renderer.Render(template, new(InMix, Section: "second")).Left;

        // Whoever begins at rest has caught up after a quarter of a second: −120 dBFS.
        Assert.All(Enumerable.Range(Signals.Rate / 4, Signals.Rate), i => Assert.Equal(whole[i], part[i], 1e-6f));
    }

    [Fact]
    public void ACurveOfAnOlderDocument_OnWhatStandsStill_IsTakenAway_AndComesBack()
    {
        var template = OneBar(Tone("t", "mix-bus", strip: Insert("x", ProcessorCatalogue.Limiter)));
        var shape = Over(new InsertTarget(new("x"), "look-ahead-ms"), (0, 1), (1, 2)).Shape;
        var older = template with { Channels = template.Channels.Replace(template.Channels[T] with { Shapes = [shape] }) };

        var without = Assert.IsType<EditResult.Applied>(new RemoveShape(T, shape.Target, shape.Section).ApplyTo(older));

        Assert.Empty(without.Template.Channels[T].Shapes);
        Assert.Equal(older, without.Template.With(without.Inverse));
    }

    public static TheoryData<string, string> Still()
    {
        var cases = new TheoryData<string, string>();
        foreach (var kind in ProcessorCatalogue.All)
            foreach (var parameter in kind.Parameters.Where(p => p.StandsStill is not null))
                cases.Add(kind.Id, parameter.Id);
        return cases;
    }

    [Theory]
    [MemberData(nameof(Still))]
    public void ACurveOrLever_OnWhatStandsStill_IsRefusedWithTheReason(string processor, string parameter)
    {
        var template = OneBar(Tone("t", "mix-bus", strip: Insert("x", processor)));
        var target = new InsertTarget(new("x"), parameter);
        var why = ProcessorCatalogue.Find(processor)!.Find(parameter)!.StandsStill!;

        foreach (var edit in new Edit[] { Over(target, (0, 1), (1, 1)), new PutLever(new("l", "Lever", 0, [new(T, target, 1, 1)])) })
            Assert.Contains(why, Assert.IsType<BatchResult.Refused>(Batch.Apply(template, [edit])).Why.Sentence, StringComparison.Ordinal);
    }

    [Theory]
    [InlineData(ListeningPoint.Feeding, -6)]
    [InlineData(ListeningPoint.BeforeFader, -16)]
    [InlineData(ListeningPoint.AfterFader, -36)]
    public void AListeningPoint_IsHeardWhereItLies(ListeningPoint point, double expectedDb)
    {
        var template = OneBar(
            Return("r", "mix-bus", Insert("g", ProcessorCatalogue.Gain, ("gain-db", -10))), new SetLevel(new("r"), new(-20)),
            Tone("t", "mix-bus"), new PutSend(T, new(new("r"), new(0))));

        Assert.Equal(expectedDb, LevelDb(Renderer.Render(template, new(InMix, new("r")) { Point = point }), 1), 0.05);
    }

    [Fact]
    public void AKey_IsHeardAlone()
    {
        var template = OneBar(
            Tone("t", "mix-bus", strip: Insert("comp", ProcessorCatalogue.Compressor) with { Key = new(true) }), Trigger("pulse"),
            new PutFeed(new("pulse"), new(T, new("comp"), new(-12), TapPoint.Pre)));

        var key = Renderer.Render(template, new(InMix, T) { Point = ListeningPoint.Key, Insert = new("comp") });

        Assert.Equal(-12, LevelDb(key, 0.06, 0.05), 0.1);
        Assert.Equal(0f, key.Left[(int)(0.2 * Signals.Rate)..(int)(0.45 * Signals.Rate)].Max(Math.Abs));
        // What feeds the channel is heard though its strip hears a key.
        Assert.Equal(-6, LevelDb(Renderer.Render(template, new(InMix, T) { Point = ListeningPoint.Feeding }), 0.06, 0.05), 0.1);
        Assert.NotNull(new RenderRequest(InMix, T) { Point = ListeningPoint.Key, Insert = new("nobody") }.Check(template));
    }

    [Theory]
    [InlineData(true, 100, -12)]
    // Without a key it goes by what goes in.
    [InlineData(false, 1000, -6)]
    public void ADetector_IsHeardBehindItsCuts(bool keyed, double hertz, double levelDb)
    {
        Template With(KeyInput key) => OneBar(
            Tone("t", "mix-bus", ChannelFormat.Mono, Insert("comp", ProcessorCatalogue.Compressor) with { Key = key }), Trigger("pulse"),
            new PutFeed(new("pulse"), new(T, new("comp"), new(-12), TapPoint.Pre)));
        double Heard(KeyInput key, ListeningPoint point) => LevelDb(Renderer.Render(With(key), new(InMix, T) { Point = point, Insert = new("comp") }), 0.06, 0.05);

        // The tone is sent on from a mono channel before its pan.
        Assert.Equal(levelDb, Heard(new(keyed), ListeningPoint.Detector), 0.1);
        Assert.Equal(levelDb + FilterDesign.LowCut(800, Signals.Rate).GainDb(hertz, Signals.Rate), Heard(new(keyed, LowCutHz: 800), ListeningPoint.Detector), 0.2);
        Assert.Equal(levelDb + FilterDesign.HighCut(400, Signals.Rate).GainDb(hertz, Signals.Rate), Heard(new(keyed, HighCutHz: 400), ListeningPoint.Detector), 0.2);
        // Its key is heard before them.
        Assert.Equal(keyed ? levelDb : double.NegativeInfinity, Heard(new(keyed, LowCutHz: 800), ListeningPoint.Key), 0.1);
    }

    [Fact]
    public void ADuckerByNotes_IsRestartedByTheNotesOfItsChannels()
    {
        var ducker = Insert("duck", ProcessorCatalogue.Ducker, ("depth-db", 20), ("length-quarters", 0.5)) with { Trigger = new([new("pulse")], null, [new(0, 1), new(0.9, 1), new(1, 0)]) };
        var template = OneBar(Trigger("pulse"), Tone("t", "mix-bus", strip: ducker));

        var sound = Renderer.Render(template, new(InMix, T));

        // Every quarter of half a second: down for 225 ms, back after 250.
        Assert.All([0.1, 0.6, 1.1, 1.6], s => Assert.Equal(-26, LevelDb(sound, s, 0.05), 0.1));
        Assert.All([0.4, 0.9, 1.4, 1.9], s => Assert.Equal(-6, LevelDb(sound, s, 0.05), 0.1));
    }

    /// <summary>What is known before it comes is down at the hit; what is played live begins at the hit and is down a glide later.</summary>
    [Theory]
    [InlineData(false, -26, -26)]
    [InlineData(true, -6, -26)]
    public void ADuckerByNotes_ThatArePlayedLive_Follows(bool live, double atTheHit, double afterIt)
    {
        var ducker = Insert("duck", ProcessorCatalogue.Ducker, ("depth-db", 20), ("length-quarters", 0.5)) with { Trigger = new([new("pulse")], null, [new(0, 1), new(0.9, 1), new(1, 0)]) };
        var template = OneBar(Trigger("pulse"), Tone("t", "mix-bus", strip: ducker));

        var sound = Renderer.Render(template, new(InMix, T) { PlayedLive = live });

        // A half cycle of 1 kHz that ends with the hit's first hundredth of the glide, and one after the glide of 2 ms.
        Assert.InRange(LevelDb(sound, 0.5, 0.0004), atTheHit - 3.5, atTheHit + 0.1);
        Assert.Equal(afterIt, LevelDb(sound, 0.5 + DuckerLaw.GlideMs / 1000, 0.01), 0.1);
        // Beats are known whoever plays.
        var byBeats = template.With(new SetTrigger(T, new("duck"), ducker.Trigger! with { Notes = [], EveryQuarters = 1 }));
        Assert.Equal(-26, LevelDb(Renderer.Render(byBeats, new(InMix, T) { PlayedLive = live }), 0.5, 0.0009), 0.6);
    }

    private static PutShape Over(Target target, params (double Place, double Value)[] points) =>
        new(T, new(target, "song", points.Select(p => new ShapePoint(p.Place, p.Value)).ToSequence()));

    private static Template TwoBars(params Edit[] edits)
    {
        var empty = OneBar();
        return (empty with { Timeline = empty.Timeline with { Sections = [new("first", "First", 1), new("second", "Second", 1)] } }).With(edits);
    }

    private static double LevelDb(RenderedSound sound, double atSeconds, double forSeconds = 0.01)
    {
        var from = (int)(atSeconds * Signals.Rate);
        return Signals.Db(sound.Left[from..Math.Min(sound.Left.Length, from + (int)(forSeconds * Signals.Rate))].Max(Math.Abs));
    }
}
