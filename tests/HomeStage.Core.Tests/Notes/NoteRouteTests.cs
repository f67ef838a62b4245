using HomeStage.Core.Editing;
using HomeStage.Core.Notes;
using HomeStage.Core.Playing;
using HomeStage.Core.Templates;
using HomeStage.Core.Timing;
using HomeStage.TestKit;
using static HomeStage.TestKit.Stages;

namespace HomeStage.Core.Tests.Notes;

public class NoteRouteTests
{
    private static readonly ChannelId Low = new("low");
    private static readonly ChannelId High = new("high");
    private static readonly ChannelId Score = new("score");

    /// <summary>Two instruments without starters, and a notes channel with one note that plays the low one.</summary>
    private static readonly Template Played = OneBar(
        Silent("low"), Silent("high"),
        new AddChannel(new() { Id = Score, Name = "Score", Kind = ChannelKind.Notes, Plays = [Low], Patterns = [new("One", 3840, [new(960, 480, 60, 100)], [])] }));

    [Fact]
    public void Of_AnInstrumentThatANotesChannelPlays_HearsItsNotes()
    {
        var note = Assert.Single(NotesOf(Played, Low));

        // The second quarter at 120: half a second in, a quarter of a second long.
        Assert.Equal((60, 0.5, 0.75), (note.Number, note.StartSeconds, note.EndSeconds));
        Assert.Empty(NotesOf(Played, High));
    }

    [Fact]
    public void Of_ALayer_HearsWhatTheLayeredInstrumentIsGiven_ThroughItsOwnProcessors()
    {
        var template = Played.With(
            new SetNoteInput(Low, new() { Layers = [High] }), new SetNoteProcessors(High, [new Transpose(12)]), new SetNoteProcessors(Low, [new Transpose(-12)]));

        Assert.Equal([48], NotesOf(template, Low).Select(n => n.Number));
        Assert.Equal([72], NotesOf(template, High).Select(n => n.Number));
    }

    [Fact]
    public void Of_ANotesChannelInTheWings_PlaysNothing()
    {
        Assert.Empty(NotesOf(Played.With(new SetStage(Score, InMix, StageState.InTheWings)), Low));
    }

    /// <summary>A print is the sound of an instrument; its notes still strike what is layered with it. What was laid before an edit of the print alone is laid anew.</summary>
    [Fact]
    public void OfALayer_WhileThePrintOfTheLayeredOnePlays_HearsItsNotes_AndNoneWhenThatRestsToo()
    {
        var print = new ChannelId("low-print");
        var played = Played.With(
            new PutPattern(Low, new("Own", 3840, [new(0, 480, 50, 100)], [])), new SetNoteInput(Low, new() { Layers = [High] }), new AddPrintTwin(Low), new RemoveChannel(Score),
            new SetStage(print, InMix, StageState.OnStage), new SetStage(Low, InMix, StageState.InTheWings));
        var unprinted = new NoteRoute(played, InMix);
        Assert.Empty(unprinted.Of(played.Channels[High]));

        var printed = played.With(new PutStarter(print, new("Print", new(new string('a', 64), "Print", 48000, 2, 96000), Loops: false, default, []) { Through = true }));
        var route = unprinted.On(printed);
        Assert.Equal([50], route.Of(printed.Channels[High]).Select(n => n.Number));

        var resting = printed.With(new SetStage(print, InMix, StageState.InTheWings), new SetStage(Low, InMix, StageState.InTheWings));
        Assert.Empty(route.On(resting).Of(resting.Channels[High]));
    }

    [Fact]
    public void Of_AMutedNotesChannel_PlaysNothing()
    {
        Assert.Empty(NotesOf(Played.With(new SetMute(Score, true)), Low));
    }

    [Fact]
    public void Of_AChannelThatFollowsAGroove_IsMovedByIt()
    {
        var template = Played.With(new PutGroove(new("Late", 960, [new(0, 96)])), new SetGroove(Low, "Late"));

        Assert.Equal(0.5 + 0.05, NotesOf(template, Low)[0].StartSeconds, 9);
    }

    /// <summary>A trigger strikes with what it is layered with, whatever becomes of that one's groove; a layered instrument has its own.</summary>
    [Fact]
    public void Of_ATriggerThatIsLayered_FollowsTheOthersGroove_UnlessItHasOne()
    {
        var stage = Played.With(
            new AddChannel(Trigger("pulse").Channel with { Patterns = [] }), new SetNoteInput(Low, new() { Layers = [High, new("pulse")] }), new PutGroove(new("Late", 960, [new(0, 96)])), new PutGroove(new("Later", 960, [new(0, 192)])));
        double Start(Template template, string id) => NotesOf(template, new(id))[0].StartSeconds;

        var grooved = stage.With(new SetGroove(Low, "Late"));

        Assert.Equal(0.5, Start(stage, "pulse"), 9);
        Assert.Equal((0.55, 0.55, 0.5), (Start(grooved, "low"), Start(grooved, "pulse"), Start(grooved, "high")));
        Assert.Equal(0.6, Start(grooved.With(new SetGroove(new("pulse"), "Later")), "pulse"), 9);
    }

    [Fact]
    public void Of_AProcessorThatIsOff_LetsNotesThrough()
    {
        Assert.Equal([60], NotesOf(Played.With(new SetNoteProcessors(Low, [new Transpose(7) { On = false }])), Low).Select(n => n.Number));
    }

    [Fact]
    public void SetPlays_SomethingWithoutAnInstrument_IsRefused()
    {
        Assert.Equal("wrong-place", Played.RefusalOf(new SetPlays(Score, [EmptyStage.MixBus], null)).Code);
        Assert.Equal("wrong-place", Played.RefusalOf(new SetPlays(Low, [High], null)).Code);
    }

    [Fact]
    public void RemoveChannel_ThatIsPlayedLayeredAndPrinted_TakesAllThatAway_AndUndoBringsItBack()
    {
        var before = Played.With(new SetNoteInput(High, new() { Layers = [Low] }), new AddPrintTwin(Low));
        var removed = (BatchResult.Applied)Batch.Apply(before, [new RemoveChannel(Low)]);

        Assert.Empty(removed.Template.Channels[Score].Plays);
        Assert.Empty(removed.Template.Channels[High].NoteInput!.Layers);
        Assert.Null(removed.Template.Channels[new ChannelId("low-print")].Source);
        Assert.Equal(before, ((BatchResult.Applied)Batch.Apply(removed.Template, removed.Inverse)).Template);
    }

    [Theory]
    [InlineData(17)]
    [InlineData(0)]
    public void SetNoteInput_OnAMidiChannelThatIsNone_IsRefused(int midiChannel)
    {
        Assert.Equal("out-of-range", Played.RefusalOf(new SetNoteInput(Low, new() { MidiChannel = midiChannel })).Code);
    }

    /// <summary>Common practice: pads send the notes that their maker chose; the map says what they mean here.</summary>
    [Fact]
    public void PadMap_SaysWhichNoteAPadPlays_AndOthersPlayTheirOwn()
    {
        var input = new NoteInput { PadMap = [new(40, 36)] };

        Assert.Equal((36, 41), (input.NoteOf(40), input.NoteOf(41)));
    }

    private static IReadOnlyList<PlacedNote> NotesOf(Template template, ChannelId id) => new NoteRoute(template, InMix).Of(template.Channels[id]);

    private static AddChannel Silent(string id) => new(Tone(id, "mix-bus").Channel with { Patterns = [] });
}
