using HomeStage.Core.Catalogue;
using HomeStage.Core.Editing;
using HomeStage.Core.Kits;
using HomeStage.Core.Notes;
using HomeStage.Core.Shelf;
using HomeStage.Core.Templates;
using HomeStage.Core.Timing;
using HomeStage.TestKit;
using static HomeStage.TestKit.Stages;

namespace HomeStage.Core.Tests.Shelf;

/// <summary>A rhythm goes from kit to kit: what it struck is found again by what it is, wherever its note lies.</summary>
public class ShelfRhythmTests
{
    private static readonly ChannelId Set = new("set");
    private static readonly Kit Skins = Wired(("Kick", 36, "drums/kick"), ("Snare", 38, "drums/snare"), ("Cow bell", 56, "drums/bells"));
    private static readonly Kit Elsewhere = Wired(("SN top", 3, "drums/snare"), ("Bass drum", 1, "drums/kick"), ("Zither", 56, "strings"));
    private static readonly Pattern Stomp = new("Stomp", 3840, [new(0, 240, 36, 110), new(960, 240, 38, 90), new(1920, 240, 56, 70)], [SectionId]);
    private static readonly Groove Lilt = Groove.Swing("Lilt", 960, 0.6);
    private static readonly Template From = OneBar(Player(Skins), new PutPattern(Set, Stomp), new PutGroove(Lilt), new SetGroove(Set, "Lilt"));
    private static readonly ShelfItem Item = new("item", "Stomp", 1, ShelfKeep.Of(From, ShelfKind.Rhythm, "set/Stomp")!.Value.Content);

    private static string SectionId => OneBar().Timeline.Sections[0].Id;

    [Fact]
    public void Kept_IsItsNotesWithWhatTheyStrike_AndTheGroove_InNoSection()
    {
        var kept = (RhythmContent)Item.Content;

        Assert.Equal(Stomp with { Sections = [] }, kept.Pattern);
        Assert.Equal(["Kick", "Snare", "Cow bell"], kept.Pieces.Select(p => p.Name));
        Assert.Equal(Lilt, kept.Groove);
        Assert.Null(kept.Check());
        Assert.Equal("4 quarter notes long, Kick, Snare, Cow bell, felt as Lilt", kept.Words);
        Assert.Null(ShelfKeep.Of(From, ShelfKind.Rhythm, "set/Other"));
        Assert.Null(ShelfKeep.Of(From, ShelfKind.Rhythm, "gone/Stomp"));
    }

    [Fact]
    public void Taken_OnAnotherKit_StrikesTheSameThings_AndSaysWhatIsNotThere()
    {
        var there = OneBar(Player(Elsewhere));

        var take = Take(there, Item, "set");
        var after = there.With([.. take.Edits]);

        Assert.Equal([(0, 1, 110), (960, 3, 90), (1920, 56, 70)], after.Channels[Set].Patterns.Single().Notes.Select(n => (n.StartTick, n.Number, n.Velocity)));
        Assert.Equal("Cow bell has no counterpart on Set: its notes strike Zither.", Assert.Single(take.Left));
        Assert.Equal(("Lilt", Lilt), (after.Channels[Set].Groove, Assert.Single(after.Grooves)));
        Assert.Equal("set/Stomp", Assert.Single(after.Copies).Place);
    }

    [Fact]
    public void Taken_WhereItHasBeenBefore_TakesTheNewerOne_InItsSections_AndElsewhereANumber()
    {
        var once = OneBar(Player(Skins), new PutPattern(Set, Stomp with { Notes = [] }));
        var twice = once.With([.. Take(once, Item, "set").Edits]);
        var placed = twice.With(new PutPattern(Set, twice.Channels[Set].Patterns.Single(p => p.Name == "Stomp 2") with { Sections = [SectionId] }));
        var newer = Item with { Revision = 2, Content = (RhythmContent)Item.Content with { Pattern = Stomp with { Sections = [], LengthTicks = 7680 } } };

        var renewed = placed.With([.. Assert.Single(ShelfRenewal.Of(placed, newer, _ => null)).Edits]);

        Assert.Equal(["Stomp", "Stomp 2"], renewed.Channels[Set].Patterns.Select(p => p.Name));
        Assert.Equal((7680, SectionId), (renewed.Channels[Set].Patterns[1].LengthTicks, renewed.Channels[Set].Patterns[1].Sections.Single()));
        Assert.Equal(2, Assert.Single(renewed.Copies).Revision);
    }

    [Fact]
    public void Taken_WhereThereIsAGroove_LeavesThat_AndSaysSo()
    {
        var there = OneBar(Player(Skins), new PutGroove(Groove.Swing("Own", 960, 0.55)), new SetGroove(Set, "Own"));

        var take = Take(there, Item, "set");

        Assert.Equal("Set keeps its groove Own: Lilt is not taken.", Assert.Single(take.Left));
        Assert.Equal("Own", there.With([.. take.Edits]).Channels[Set].Groove);
    }

    [Fact]
    public void Taken_WhereAnotherGrooveHasItsName_BringsItUnderTheNextNumber()
    {
        var there = OneBar(Player(Skins), new PutGroove(Groove.Swing("Lilt", 960, 0.7)));

        var after = there.With([.. Take(there, Item, "set").Edits]);

        Assert.Equal("Lilt 2", after.Channels[Set].Groove);
        Assert.Equal(Lilt.Steps, after.Grooves.Single(g => g.Name == "Lilt 2").Steps);
    }

    [Fact]
    public void Taken_OnWhatHasNoNotes_IsRefused()
    {
        Assert.IsType<ShelfTakeResult.Refused>(ShelfTake.Of(OneBar(), Item, "mix-bus"));
        Assert.IsType<ShelfTakeResult.Refused>(ShelfTake.Of(OneBar(), Item));
        Assert.IsType<ShelfTakeResult.Refused>(ShelfTake.Of(OneBar(), Item, "gone"));
    }

    [Fact]
    public void Content_ThatCannotBe_IsRefused()
    {
        var kept = (RhythmContent)Item.Content;

        Assert.NotNull((kept with { Pattern = Stomp }).Check());
        Assert.NotNull((kept with { Pattern = kept.Pattern with { LengthTicks = 0 } }).Check());
        Assert.NotNull((kept with { Pieces = [kept.Pieces[0], kept.Pieces[0]] }).Check());
        Assert.NotNull((kept with { Groove = Lilt with { Steps = [] } }).Check());
    }

    private static ShelfTake Take(Template template, ShelfItem item, string onto) => Assert.IsType<ShelfTakeResult.Taken>(ShelfTake.Of(template, item, onto)).Take;

    private static AddChannel Player(Kit kit) =>
        new(new() { Id = Set, Name = "Set", Kind = ChannelKind.Instrument, Destination = EmptyStage.MixBus, Source = new InstrumentSource(InstrumentCatalogue.OwnMachine, kit) });

    private static Kit Wired(params (string Name, int Note, string Family)[] pieces) =>
        new(pieces.Select(p => Piece.Pad(p.Name, p.Note, p.Family, 1, DrumSound.Kick)).ToSequence(), [new("All", ChannelFormat.Stereo)]);
}
