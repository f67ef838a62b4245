using System.Globalization;
using HomeStage.Core.Automation;
using HomeStage.Core.Catalogue;
using HomeStage.Core.Compiling;
using HomeStage.Core.Editing;
using HomeStage.Core.Media;
using HomeStage.Core.Printing;
using HomeStage.Core.Sound;
using HomeStage.Core.Sound.Listening;
using HomeStage.Core.Soundcheck;
using HomeStage.Core.Templates;
using HomeStage.Core.Timing;
using HomeStage.TestKit;
using static HomeStage.TestKit.Stages;

namespace HomeStage.Core.Tests.Printing;

/// <summary>Prints, held against what they stand in for.</summary>
public class PrintsTests
{
    /// <summary>Instruments with inserts, late ones among them, with sends before and after the fader, a pan that moves, a mono one; a keyed compressor.
    /// They begin after the start: what a filter of linear phase rings before it is on no print.</summary>
    private static readonly Template Company = OneBar(
        Return("hall", "mix-bus", Insert("verb", ProcessorCatalogue.Reverb, ("decay-s", 1))),
        Bus("low", "mix-bus", Insert("comp", ProcessorCatalogue.Compressor, ("threshold-db", -30))),
        Tone("a", "low", ChannelFormat.Mono, Insert("limit", ProcessorCatalogue.Limiter, ("look-ahead-ms", 7))),
        Tone("b", "mix-bus", ChannelFormat.Stereo, Insert("drive", ProcessorCatalogue.Clipper, ("ceiling-db", -12))),
        Later("a"), Later("b"), new SetPan(new("a"), -0.6), new SetPan(new("b"), 0.3), new SetLevel(new("b"), new(-7)), new SetPolarity(new("b"), true),
        new PutSend(new("a"), new(new("hall"), new(-6), TapPoint.Pre)), new PutSend(new("b"), new(new("hall"), new(-3))),
        new PutShape(new("a"), new(new PanTarget(), "song", [new(0, -1), new(1, 1)])),
        new PutShape(new("b"), new(new SendTarget(new("hall")), "song", [new(0, -20), new(1, 0)])),
        new SetKey(new("low"), new("comp"), new(true)), new PutFeed(new("b"), new(new("low"), new("comp"), new(0))));

    [Fact]
    public void WhenThePrintsPlay_ItSoundsAsBefore_Under120DbFs()
    {
        var printed = PrintedBy(Company, [.. Prints.Able(new(Company), InMix).Select(c => c.Id)], out var shelf);

        Assert.All(new[] { "a", "b" }, id => Assert.Equal(StageState.InTheWings, printed.Channels[new ChannelId(id)].StageIn(InMix)));
        Assert.InRange(Difference(Company, printed, shelf), double.NegativeInfinity, -120);
        // What is heard is the prints: without them nothing is.
        Assert.Null(Renderer.Render(printed, new(InMix)).PeakDbfs);
    }

    [Fact]
    public void PrintsThatPlay_AndPrintsThatRest_AreFoundFaultWithNoMoreThanTheirInstruments()
    {
        var found = Found(Company);
        var playing = PrintedBy(Company, [new("a"), new("b")], out _);
        var resting = playing.With(new SetStage(new("a"), InMix, StageState.OnStage), new SetStage(new("b"), InMix, StageState.OnStage), new SetStage(new("a-print"), InMix, StageState.InTheWings), new SetStage(new("b-print"), InMix, StageState.InTheWings));

        Assert.Equal(found, Found(playing).Select(f => f.Replace("-print", "", StringComparison.Ordinal)).Order());
        Assert.Equal(found, Found(resting));
        // Where neither sounds the feed is found.
        Assert.Contains("feed-from-silence/b", Found(resting.With(new SetMute(new("b"), true))));
    }

    private static IReadOnlyList<string> Found(Template template) => [.. Report.Of(template, InMix).Open.Select(f => f.Key).Order()];

    [Fact]
    public void APrint_IsMonoWhereItsChannelIs_AndTakenWhereItsChannelRecords()
    {
        var template = Company.With(new AddPrintTwin(new("b")), new SetSource(new("b-print"), new InternalSource(new("b"), TapPoint.Post)));

        Assert.Equal([1, 2], Prints.Able(new(template), InMix).Select(c => Prints.StemOf(template, c).Lanes(template)));
        Assert.Equal([StemPoint.BeforeFader, StemPoint.AfterFader], Prints.Able(new(template), InMix).Select(c => Prints.StemOf(template, c).Point));
    }

    [Fact]
    public void AnotherPrint_LeavesTheMixOfThePrintAsItIs_AndAFirstOneTakesTheInstruments()
    {
        var waiting = Company.With(new AddPrintTwin(new("a")), new SetLevel(new("a"), new(-4)));
        var first = PrintedBy(waiting, [new("a")], out _);
        var again = PrintedBy(first.With(new SetStage(new("a"), InMix, StageState.OnStage), new SetLevel(new("a-print"), new(-11)), new SetLevel(new("a"), new(0))), [new("a")], out _);

        Assert.Equal(new(-4), first.Channels[new ChannelId("a-print")].Level);
        Assert.Equal(new(-11), again.Channels[new ChannelId("a-print")].Level);
        Assert.Single(again.Channels[new ChannelId("a-print")].Starters);
    }

    [Fact]
    public void WithAnInstrument_ItsOtherOutputsArePrinted_SinceTheyRestWhenItDoes()
    {
        var machine = InstrumentCatalogue.Find(InstrumentCatalogue.Breakwater)!.Kit!;
        var kit = OneBar(
        [
            new AddChannel(new()
            {
                Id = new("kit"), Name = "Kit", Kind = ChannelKind.Instrument, Destination = EmptyStage.MixBus, Source = new InstrumentSource(InstrumentCatalogue.Breakwater, machine),
                Patterns = [new("Every pad", 4 * Ticks.PerQuarter, [.. machine.Pieces.OrderBy(p => p.Note).Select((p, i) => new Note(i * 120, 240, p.Note, 100))], [])],
            }),
            .. Enumerable.Range(2, machine.Outputs.Count - 1).Select(o => new AddChannel(new()
            {
                Id = new($"out-{o}"), Name = $"Out {o}", Kind = ChannelKind.Split, Format = machine.Outputs[o - 1].Format, Destination = EmptyStage.MixBus, Source = new OutputSource(new("kit"), o), Level = new(-o),
            })),
            Tone("t", "mix-bus"),
        ]);
        var able = Prints.Able(new(kit), InMix);

        var together = Prints.Together(able, [new("kit")]);

        Assert.Contains(together, c => c.Source is OutputSource);
        Assert.DoesNotContain(together, c => c.Id.Value == "t");
        var printed = PrintedBy(kit, [.. together.Select(c => c.Id)], out var shelf);
        Assert.InRange(Difference(kit, printed, shelf), double.NegativeInfinity, -120);
        Assert.All(together, c => Assert.Equal(StageState.InTheWings, printed.Channels[c.Id].StageIn(InMix)));
    }

    [Fact]
    public void WhatALeverMovesOnAnInstrument_ItMovesOnThePrint_BehindTheInsertsAlone()
    {
        var limit = new InsertTarget(new("limit"), "ceiling-db");
        var held = Company.With(new PutLever(new("swell", "Swell", 0.5, [new(new("a"), new LevelTarget(), -30, 0), new(new("a"), limit, -12, 0), new(new("b"), new LevelTarget(), 0, -6)])));

        var printed = PrintedBy(held, [new("a"), new("b")], out var shelf);

        Assert.Equal(
            [("a", -30.0), ("a", -12), ("b", 0), ("a-print", -30), ("b-print", 0)],
            printed.Levers.Single().Ranges.Select(r => (r.Channel.Value, r.From)));
        Assert.InRange(Difference(held, printed, shelf), double.NegativeInfinity, -120);
    }

    /// <summary>Its notes still strike a trigger that is layered with it, a ducker that its notes restart, and an instrument that is layered with it and is not printed.</summary>
    [Fact]
    public void WhatTheNotesOfAnInstrumentSteer_GoesOn_WhileItsPrintPlays()
    {
        var template = Company.With(
            Trigger("beat"), new RemovePattern(new("beat"), "Quarters"), new PutFeed(new("beat"), new(new("low"), new("comp"), new(0))), Tone("c", "mix-bus"), new RemovePattern(new("c"), "Held"), new SetNoteInput(new("b"), new() { Layers = [new("beat"), new("c")] }),
            new AddInsert(EmptyStage.MixBus, Insert("duck", ProcessorCatalogue.Ducker, ("depth-db", 9), ("length-quarters", 1)) with { Trigger = new([new("b")], null, [new(0, 1), new(1, 0)]) }),
            new PutPattern(new("b"), new("Held", 4 * Ticks.PerQuarter, [.. Enumerable.Range(1, 6).Select(i => new Note(i * Ticks.PerQuarter / 2, Ticks.PerQuarter / 4, 57 + i, 100))], [])));

        var printed = PrintedBy(template, [new("b")], out var shelf);

        Assert.True(printed.PlaysPrint(printed.Channels[new ChannelId("b")], InMix));
        Assert.InRange(Difference(template, printed, shelf), double.NegativeInfinity, -120);
        // All three are heard: without them it sounds otherwise.
        foreach (var without in new Edit[] { new RemoveFeed(new("beat"), new("low"), new("comp")), new RemoveChannel(new("c")), new SetTrigger(EmptyStage.MixBus, new("duck"), null) })
            Assert.InRange(Difference(template, printed.With(without), shelf), -80, double.PositiveInfinity);
    }

    [Fact]
    public void ATrigger_HasNoPrint()
    {
        var steered = Company.With(Trigger("beat"), new PutFeed(new("beat"), new(new("low"), new("comp"), new(0))));

        Assert.Equal(["a", "b"], Prints.Able(new(steered), InMix).Select(c => c.Id.Value));
    }

    [Fact]
    public void TwoInstrumentsWithOnePrintChannel_BothLieThere()
    {
        var shared = Company.With(new AddPrintTwin(new("a")), new SetPrintTwin(new("b"), new ChannelId("a-print")));

        var printed = PrintedBy(shared, [new("a"), new("b")], out _);

        Assert.Equal(2, printed.Channels[new ChannelId("a-print")].Starters.Count);
    }

    [Fact]
    public void TheBatch_IsTakenBackWhole()
    {
        var (edits, why) = Prints.Laid(Company, InMix, [(new("a"), Shelf.RefOf(0, 1, 96000)), (new("b"), Shelf.RefOf(1, 2, 96000))], playing: true);

        Assert.Null(why);
        var applied = Assert.IsType<BatchResult.Applied>(Batch.Apply(Company, edits));
        Assert.Equal(Company, ((BatchResult.Applied)Batch.Apply(applied.Template, applied.Inverse)).Template);
    }

    /// <summary>Templates by chance with all that they can hold. What has a clock of its own, as a chorus has, is at another place of it where nothing is late any more;
    /// and what a filter of linear phase rings before the start is on no print.</summary>
    [Fact]
    public void WhenThePrintsOfAnyTemplatePlay_ItSoundsAsBefore()
    {
        var heard = 0;
        for (var seed = 0; seed < Runs.Of(15, 600); seed++)
        {
            var grown = new RandomTemplates(seed).Grown(70);
            var timeline = grown.Timeline with { Sections = [grown.Timeline.Sections[0] with { Bars = 1 }] };
            var template = grown with { Timeline = timeline };
            var act = template.Acts[0].Id;
            var able = Prints.Able(new(template), act);
            if (able.Count == 0 || template.Channels.Any(c => c.Inserts.Any(i => i.Processor == ProcessorCatalogue.Chorus)))
                continue;
            var printed = PrintedBy(template, act, [.. able.Select(c => c.Id)], out var shelf);
            var was = Renderer.Render(template, new(act));
            heard += was.PeakDbfs > -120 ? 1 : 0;
            Assert.True(Off(was, Renderer.Render(printed, new(act), shelf: shelf)) < -90, $"Seed {seed}: the prints of {string.Join(", ", able.Select(c => c.Name))} sound otherwise.");
        }

        Assert.True(heard > Runs.Of(15, 600) / 10, $"Only {heard} were heard.");
    }

    private static PutPattern Later(string id) => new(new(id), new("Held", 4 * Ticks.PerQuarter, [new(Ticks.PerQuarter / 2, 3 * Ticks.PerQuarter, 60, 100)], []));

    private static Template PrintedBy(Template template, IReadOnlyCollection<ChannelId> asked, out Shelf shelf) => PrintedBy(template, InMix, asked, out shelf);

    private static Template PrintedBy(Template template, string act, IReadOnlyCollection<ChannelId> asked, out Shelf shelf)
    {
        var compiled = new CompiledTemplate(template);
        var channels = Prints.Together(Prints.Able(compiled, act), asked);
        var stems = channels.Select(c => Prints.StemOf(template, c)).ToList();
        shelf = new(stems.Count, template.SampleRateHz);
        var frames = StemRender.Render(compiled, act, stems, 0, shelf);
        var (edits, why) = Prints.Laid(template, act, [.. stems.Select((s, i) => (s.Channel, Shelf.RefOf(i, s.Lanes(template), frames, template.SampleRateHz)))], playing: true);
        Assert.Null(why);
        return template.With([.. edits]);
    }

    /// <returns>The largest difference of two mains, in dBFS.</returns>
    private static double Difference(Template before, Template after, Shelf shelf)
    {
        var was = Renderer.Render(before, new(InMix));
        Assert.True(was.PeakDbfs > -40);
        return Off(was, Renderer.Render(after, new(InMix), shelf: shelf));
    }

    private static double Off(RenderedSound was, RenderedSound now)
    {
        var worst = Enumerable.Range(0, was.Left.Length).Max(i => Math.Max(Math.Abs(was.Left[i] - now.Left[i]), Math.Abs(was.Right[i] - now.Right[i])));
        return 20 * Math.Log10(worst + 1e-30);
    }

    /// <summary>What was printed, found again.</summary>
    private sealed class Shelf(int prints, int rateHz) : IStemSink, IMediaShelf
    {
        private readonly List<(List<float> Left, List<float> Right)> _prints = [.. Enumerable.Range(0, prints).Select(_ => (new List<float>(), new List<float>()))];

        public static MediaRef RefOf(int print, int lanes, long frames, int rateHz = 48000) => new(print.ToString("x64", CultureInfo.InvariantCulture), $"Print {print}", rateHz, lanes, frames);

        public void Take(int stem, ReadOnlySpan<float> left, ReadOnlySpan<float> right)
        {
            _prints[stem].Left.AddRange(left);
            _prints[stem].Right.AddRange(right);
        }

        public MediaSound? Find(string content)
        {
            // Other sounds that a template by chance names are not here.
            if (!content.StartsWith(new string('0', 60), StringComparison.Ordinal))
                return null;
            var (left, right) = _prints[int.Parse(content, NumberStyles.HexNumber, CultureInfo.InvariantCulture)];
            return new(right.Count == 0 ? [[.. left]] : [[.. left], [.. right]], rateHz);
        }
    }
}
