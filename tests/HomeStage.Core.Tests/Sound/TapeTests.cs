using HomeStage.Core.Catalogue;
using HomeStage.Core.Editing;
using HomeStage.Core.Sound;
using HomeStage.Core.Sound.Listening;
using HomeStage.Core.Sound.Tapes;
using HomeStage.Core.Templates;
using HomeStage.TestKit;
using static HomeStage.TestKit.Stages;

namespace HomeStage.Core.Tests.Sound;

public class TapeTests
{
    private const long Plenty = 64 * 1024 * 1024;

    // Two tones on one bus, a third beside it, a return and a keyed compressor: all ways in which channels lead to another.
    private static readonly Template Stage = OneBar(
        Trigger("pulse"),
        Bus("drums", "mix-bus"), Bus("keys", "mix-bus", Insert("ducked", "compressor", ("threshold-db", -30))),
        Return("room", "mix-bus", Insert("reverb", "reverb")),
        Tone("kick", "drums"), Tone("snare", "drums", ChannelFormat.Mono), Tone("organ", "keys"),
        new PutSend(new("snare"), new(new("room"), new(-12))),
        new SetKey(new("keys"), new("ducked"), new(true)),
        new PutFeed(new("pulse"), new(new("keys"), new("ducked"), new(0), TapPoint.Pre)));

    [Repeated(3, 60)]
    public void Render_WithTapesOfEarlierRenders_GivesTheSameSamplesAndReadings(int seed)
    {
        var random = new RandomTemplates(seed);
        var template = random.Grown(50) with { Timeline = new(160, new(2, 4), [new("verse", "Verse", 1), new("chorus", "Chorus", 1, 90)]) };
        var tapes = new TapeShelf(Plenty);
        for (var turn = 0; turn < 5; turn++)
        {
            var sums = template.Channels.Where(c => c.StageIn(template.Acts[0].Id) != StageState.InTheWings && c.Kind is ChannelKind.Main or ChannelKind.Bus).ToList();
            foreach (var listened in sums.Take(turn == 3 ? 2 : 1))
            {
                var request = new RenderRequest(template.Acts[0].Id, listened.Id, turn % 3 == 2 ? "chorus" : null);
                if (request.Check(template) is not null)
                    continue;
                AssertSame(Renderer.Render(template, request), Renderer.Render(template, request, tapes: tapes));
            }

            template = random.Possible(template, 1 + turn % 2).After;
        }
    }

    [Fact]
    public void Render_AfterAnEditOfOneChannel_TakesTheOthersFromTape()
    {
        var tapes = new TapeShelf(Plenty);
        Renderer.Render(Stage, new(InMix), tapes: tapes);
        var turned = Stage.With(new SetLevel(new("kick"), new(-9)));

        var again = Renderer.Render(turned, new(InMix), tapes: tapes);

        // Snare, room, keys with the organ and the pulse; kick, drums, mix bus and main are worked out.
        Assert.Equal(5, again.ChannelsFromTape);
        AssertSame(Renderer.Render(turned, new(InMix)), again);
    }

    [Fact]
    public void Render_AfterAnEditOfAKey_WorksOutWhatItSteers()
    {
        var tapes = new TapeShelf(Plenty);
        Renderer.Render(Stage, new(InMix), tapes: tapes);
        var turned = Stage.With(new SetLevel(new("pulse"), new(-20)), new PutFeed(new("pulse"), new(new("keys"), new("ducked"), new(-20), TapPoint.Pre)));

        AssertSame(Renderer.Render(turned, new(InMix)), Renderer.Render(turned, new(InMix), tapes: tapes));
    }

    [Fact]
    public void Render_AfterARename_ChangesNothing_AndTheWholeMixComesFromTape()
    {
        var tapes = new TapeShelf(Plenty);
        Renderer.Render(Stage, new(InMix), tapes: tapes);

        var again = Renderer.Render(Stage.With(new RenameChannel(new("kick"), "Boot"), new SetHue(new("drums"), 200)), new(InMix), tapes: tapes);

        Assert.Equal(again.Channels.Count - 1, again.ChannelsFromTape);
    }

    [Fact]
    public void Render_OfABusWhoseTapeTheMixLeft_IsHeardFromTape()
    {
        var tapes = new TapeShelf(Plenty);
        Renderer.Render(Stage, new(InMix), tapes: tapes);

        var keys = Renderer.Render(Stage, new(InMix, new("keys")), tapes: tapes);

        Assert.Equal(keys.Channels.Count, keys.ChannelsFromTape);
        AssertSame(Renderer.Render(Stage, new(InMix, new("keys"))), keys);
    }

    [Fact]
    public void Render_OfABusThatHearsAnInstrumentsSecondOutputAlone_FromTape_ReadsNoMeterOfTheInstrumentItself()
    {
        var tapes = new TapeShelf(Plenty);
        var template = OneBar(
            Bus("drums", "mix-bus"),
            new AddChannel(new()
            {
                Id = new("kit"),
                Name = "Kit",
                Kind = ChannelKind.Instrument,
                Destination = EmptyStage.MixBus,
                Source = new InstrumentSource(InstrumentCatalogue.Breakwater, InstrumentCatalogue.Find(InstrumentCatalogue.Breakwater)!.Kit!),
            }),
            new AddChannel(new() { Id = new("deep"), Name = "Deep", Kind = ChannelKind.Split, Destination = new("drums"), Source = new OutputSource(new("kit"), 2) }));
        Renderer.Render(template, new(InMix), tapes: tapes);

        var drums = Renderer.Render(template, new(InMix, new("drums")), tapes: tapes);

        Assert.Equal(["deep", "drums"], drums.Channels.Select(m => m.Channel.Value).Order());
        AssertSame(Renderer.Render(template, new(InMix, new("drums"))), drums);
    }

    [Fact]
    public void Render_OfABusThatIsSentToBeforeTheFader_ReadsTheSenderAfterItsFader_FromTapeOrNot()
    {
        var tapes = new TapeShelf(Plenty);
        var template = OneBar(Bus("keys", "mix-bus"), Tone("organ", "mix-bus"), new SetLevel(new("organ"), new(-40)), new PutSend(new("organ"), new(new("keys"), new(0), TapPoint.Pre)));
        var inTheMix = Renderer.Render(template, new(InMix), tapes: tapes).Channels.Single(m => m.Channel.Value == "organ").Reading;

        var keys = Renderer.Render(template, new(InMix, new("keys")), tapes: tapes);

        Assert.Equal(inTheMix, keys.Channels.Single(m => m.Channel.Value == "organ").Reading);
        AssertSame(Renderer.Render(template, new(InMix, new("keys"))), keys);
    }

    [Fact]
    public void Render_OfATrigger_ReadsItBeforeItsFader()
    {
        var turnedDown = Stage.With(new SetLevel(new("pulse"), new(-40)));

        Assert.Equal(Reading(Stage), Reading(turnedDown));

        static double? Reading(Template template) => Renderer.Render(template, new(InMix)).Channels.Single(m => m.Channel.Value == "pulse").Reading?.PeakDbfs;
    }

    [Fact]
    public void Shelf_NeverHoldsMoreThanItMay_AndForgetsWhatWasAskedForLongestAgo()
    {
        // Room for a stereo tape or two of two seconds at 48 kHz, 768 kB each.
        var tapes = new TapeShelf(3 * 1024 * 1024);
        for (var level = 0; level > -12; level--)
        {
            Renderer.Render(Stage.With(new SetLevel(new("kick"), new(level))), new(InMix), tapes: tapes);
            Assert.InRange(tapes.Bytes, 1, tapes.MostBytes);
        }
    }

    [Fact]
    public void Shelf_OfNoSize_KeepsNothing()
    {
        var tapes = new TapeShelf(0);
        Renderer.Render(Stage, new(InMix), tapes: tapes);

        Assert.Equal(0, tapes.Bytes);
        Assert.Equal(0, Renderer.Render(Stage, new(InMix), tapes: tapes).ChannelsFromTape);
    }

    private static void AssertSame(RenderedSound expected, RenderedSound actual)
    {
        Assert.Equal(expected.Left, actual.Left);
        Assert.Equal(expected.Right, actual.Right);
        Assert.Equal(expected.Channels, actual.Channels);
    }
}
