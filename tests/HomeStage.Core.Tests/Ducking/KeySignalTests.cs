using FsCheck.Xunit;
using HomeStage.Core.Catalogue;
using HomeStage.Core.Ducking;
using HomeStage.Core.Editing;
using HomeStage.Core.Kits;
using HomeStage.Core.Media;
using HomeStage.Core.Notes;
using HomeStage.Core.Sound;
using HomeStage.Core.Sound.Listening;
using HomeStage.Core.Templates;
using HomeStage.TestKit;
using static HomeStage.TestKit.Stages;

namespace HomeStage.Core.Tests.Ducking;

/// <summary>What a detector hears, rendered without the rest of the template.</summary>
public class KeySignalTests
{
    /// <summary>−120 dBFS.</summary>
    private const double Unheard = 1e-6;

    [Property(MaxTest = 12)]
    public void FeedsAlone_AreTheKeyWithinTheWholeTemplate(int seed)
    {
        var template = WithKeys(new RandomTemplates(seed).Grown(90)) with { Timeline = new(150, new(2, 4), [new("verse", "Verse", 1), new("chorus", "Chorus", 1, 97)]) };
        var act = template.Acts[0].Id;
        foreach (var ducker in Ducker.In(template).Where(d => d.Way == DuckingWay.Level && template.Channels[d.Channel].StageIn(act) != StageState.InTheWings).Take(3))
        {
            var whole = Renderer.Render(template, new(act, ducker.Channel, "chorus") { Point = ListeningPoint.Key, Insert = ducker.Insert });

            var (key, why) = KeySignal.Of(template, act, "chorus", ducker.Channel, ducker.Insert);

            Assert.Null(why);
            if (key!.IsSupposed)
            {
                Assert.Null(whole.PeakDbfs);
                continue;
            }

            Assert.All(whole.Left.Zip(key.Left), x => Assert.Equal(x.First, x.Second, Unheard));
            Assert.All(whole.Right.Zip(key.Right), x => Assert.Equal(x.First, x.Second, Unheard));
        }
    }

    [Fact]
    public void AKey_FedByABus_HoldsWhatPlaysIntoTheBus_AndNothingOfTheDuckedChannel()
    {
        var template = OneBar(
            Bus("drums", "mix-bus"), Tone("drum", "drums"), Bus("pads", "mix-bus", Insert("duck", ProcessorCatalogue.Compressor) with { Key = new(true) }), Tone("pad", "pads"),
            new PutFeed(new("drums"), new(new("pads"), new("duck"), new(-6), TapPoint.Post)));
        var drums = Renderer.Render(template, new(InMix, new("drums"), "song"));

        var (key, why) = KeySignal.Of(template, InMix, "song", new("pads"), new("duck"));

        Assert.Null(why);
        Assert.True(drums.Left.Max() > 0.1);
        Assert.All(drums.Left.Zip(key!.Left), x => Assert.Equal(x.First * Math.Pow(10, -6 / 20.0), x.Second, Unheard));
    }

    /// <summary>A template plays nothing before its first song: a trigger that strikes with the low note of a machine is taken as struck on every beat,
    /// in 6/8 at 120 quarter notes every 0.75 s, and an output of a kit likewise.</summary>
    [Fact]
    public void AKey_ThatNothingStrikesYet_IsStruckOnEveryBeat_UntilSomethingDoes()
    {
        var kit = StandInKits.Breakwater;
        var low = kit.Lines.First(l => l.Piece is not null && l.Output == 2).Piece!.Note;
        var template = OneBar(
            new AddChannel(new() { Id = new("kit"), Name = "Kit", Kind = ChannelKind.Instrument, Destination = EmptyStage.MixBus, Source = new InstrumentSource(InstrumentCatalogue.Breakwater, kit), NoteInput = new() }),
            new AddChannel(new() { Id = new("two"), Name = "Two", Kind = ChannelKind.Split, Destination = EmptyStage.MixBus, Source = new OutputSource(new("kit"), 2) }),
            Trigger("beat"), new RemovePattern(new("beat"), "Quarters"), new SetNoteProcessors(new("beat"), [new ChosenNotes([low])]), new SetNoteInput(new("kit"), new() { Layers = [new("beat")] }),
            Bus("pads", "mix-bus", Insert("duck", ProcessorCatalogue.Compressor) with { Key = new(true) }), Bus("keys", "mix-bus", Insert("duck", ProcessorCatalogue.Compressor) with { Key = new(true) }),
            new PutFeed(new("beat"), new(new("pads"), new("duck"), new(0))), new PutFeed(new("two"), new(new("keys"), new("duck"), new(0)))) with
        { Timeline = new(120, new(6, 8), [new("song", "Song", 2)]) };

        foreach (var ducked in (string[])["pads", "keys"])
        {
            var (key, _) = KeySignal.Of(template, InMix, "song", new(ducked), new("duck"));

            Assert.True(key!.IsSupposed);
            Assert.True(key.PeakDbfs > -40);
            if (ducked == "pads")
                Assert.Equal([0L, 36000, 72000, 108000], key.Hits);
        }

        var played = template.With(new PutPattern(new("kit"), new("Once", 2 * 2880, [new(960, 480, low, 100)], [])));
        var (struck, _) = KeySignal.Of(played, InMix, "song", new("pads"), new("duck"));
        Assert.False(struck!.IsSupposed);
        Assert.Equal([24000], struck.Hits);
        // Who is muted gives way to nobody, whatever is supposed.
        Assert.False(KeySignal.Of(template.With(new SetMute(new("beat"), true)), InMix, "song", new("pads"), new("duck")).Key!.IsSupposed);
    }

    [Fact]
    public void AKey_ThatIsRecorded_HasItsHitsWhereItStrikes_AndIsSolvedByThem()
    {
        // Strokes 0.625 s apart, so that they fall beside the beats of 120 quarter notes a minute.
        var lane = new float[48000 * 2];
        for (var at = 0; at < lane.Length; at += 30000)
            for (var i = 0; i < 3600 && at + i < lane.Length; i++)
                lane[at + i] = (float)(0.4 * Math.Sin(2 * Math.PI * 170 * i / 48000.0));
        var shelf = new OneLane(lane);
        var template = OneBar(
            new AddChannel(new() { Id = new("clank"), Name = "Clank", Kind = ChannelKind.Audio, Format = ChannelFormat.Mono, Destination = EmptyStage.MixBus }),
            new PutStarter(new("clank"), new("Clank", new(OneLane.Content, "Clank", 48000, 1, lane.Length), false, new(0), [])),
            Bus("pads", "mix-bus"));
        var ask = new RoomAsk(new("clank"), new(1, 0), [new(new("pads"), 6.5)], 0.5);

        var (room, why) = MakeRoom.Of(template, InMix, "song", ask, shelf);

        Assert.Null(why);
        var after = template.With([.. room!.Edits]);
        var ducker = Assert.Single(Ducker.In(after));
        var (key, _) = KeySignal.Of(after, InMix, "song", ducker.Channel, ducker.Insert, shelf);
        Assert.Equal(4, key!.Hits.Count);
        Assert.All(key.Hits.Index(), h => Assert.InRange(h.Item, h.Index * 30000, h.Index * 30000 + 30));
        var answer = room.Answers[0].Answer;
        Assert.Null(answer.Limit);
        Assert.Equal(6.5, answer.Nearest.DepthDb, 0.2);
        Assert.Equal(250, answer.Nearest.BackMs, 2.0);
    }

    private sealed class OneLane(float[] lane) : IMediaShelf
    {
        public static readonly string Content = new('c', 64);

        public MediaSound? Find(string content) => content == Content ? new([lane], 48000) : null;
    }

    /// <returns>With the key input of every compressor on, so that there is something to look at.</returns>
    private static Template WithKeys(Template template) => template with
    {
        Channels = template.Channels.Aggregate(template.Channels, (all, c) => all.Replace(c with
        {
            Inserts = [.. c.Inserts.Select(i => i.Processor == ProcessorCatalogue.Compressor && i.TakesKey() ? i with { Key = (i.Key ?? new(true)) with { On = true } } : i)],
        })),
    };
}
