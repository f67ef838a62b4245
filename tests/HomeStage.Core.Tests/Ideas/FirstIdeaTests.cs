using FsCheck.Xunit;
using HomeStage.Core.Automation;
using HomeStage.Core.Editing;
using HomeStage.Core.Ideas;
using HomeStage.Core.Notes;
using HomeStage.Core.Templates;
using HomeStage.Core.Timing;
using HomeStage.TestKit;
using static HomeStage.TestKit.Stages;

namespace HomeStage.Core.Tests.Ideas;

/// <summary>What is played over a loop becomes a starter: places worked out by hand, and a figure that is played with known errors.</summary>
public class FirstIdeaTests
{
    private static readonly ChannelId Keys = new("keys");

    /// <summary>At 100, 4/4: four bars, then eight of another section in 3/4 at 150. A quarter is 0.6 s, then 0.4 s.</summary>
    private static readonly Template Stage = OneBar(
        Tone("keys", "mix-bus"), new RemovePattern(Keys, "Held"), new SetTimeline(new(100, new(4, 4), [new("Quay", 4), new("Deck", 8, 150, new(3, 4))])));

    private static readonly IdeaWish AsPlayed = new();

    private static FirstIdea Kept(Template stage, IdeaWish wish, string? section, params PlayedNote[] notes) => KeptWith(stage, wish, section, notes.ToSequence(), []);

    private static FirstIdea KeptWith(Template stage, IdeaWish wish, string? section, Sequence<PlayedNote> notes, Sequence<PlayedMove> moves)
    {
        var (idea, why) = FirstIdea.Of(stage, new(Keys, section, notes, moves), wish);
        Assert.Null(why);
        return idea!;
    }

    private static PlayedNote At(int pass, double seconds, int number = 60, double length = 0.3) => new(pass, seconds, length, number, 80);

    [Fact]
    public void TheTimeAroundOfTheLastNote_IsKept_AsItWasPlayed()
    {
        var idea = Kept(Stage, AsPlayed, "quay", At(0, 1.2), At(1, 0.6, 64), At(1, 1.81, 67, 0.6));

        // 0.6 s is a quarter of 960 ticks; 1.81 s is 3 × 960 + 16.
        Assert.Equal([new Note(960, 480, 64, 80), new(2896, 960, 67, 80)], idea.Pattern.Notes);
        Assert.Equal((16 * 960, "quay", "Idea"), (idea.Pattern.LengthTicks, Assert.Single(idea.Pattern.Sections), idea.Pattern.Name));
        var after = Stage.With([.. idea.Edits]);
        Assert.Equal([idea.Pattern], after.Channels[Keys].Patterns);
        Assert.Equal("Idea 2", Kept(after, AsPlayed, "quay", At(0, 1)).Pattern.Name);
    }

    [Fact]
    public void OfTheLastBars_ThoseThatTheGridOfBarsCuts_AreKept()
    {
        // Bars are 2.4 s long: notes in bars 1, 3 and 4.
        PlayedNote[] notes = [At(0, 0.6), At(0, 4.8, 62), At(0, 8.4, 65)];

        Assert.Equal([(0, 62), (6 * 960, 65)], Kept(Stage, new(2), "quay", notes).Pattern.Notes.Select(n => (n.StartTick, n.Number)));
        Assert.Equal([(2 * 960, 65)], Kept(Stage, new(1), "quay", notes).Pattern.Notes.Select(n => (n.StartTick, n.Number)));
        Assert.Equal(4 * 960, Kept(Stage, new(1), "quay", notes).Pattern.LengthTicks);
        Assert.Equal(16 * 960, Kept(Stage, new(99), "quay", notes).Pattern.LengthTicks);
    }

    [Fact]
    public void OverTheWholeTimeline_TheSectionOfTheLastNoteIsMeant_WithItsOwnTempo()
    {
        // The quay is over after 9.6 s; a bar of the deck lasts 1.2 s.
        var idea = Kept(Stage, new(2), null, At(0, 3), At(0, 9.6 + 2.4 + 0.4, 72), At(0, 9.6 + 2.4 + 1.4, 74));

        Assert.Equal([(960, 72), (3 * 960 + 480, 74)], idea.Pattern.Notes.Select(n => (n.StartTick, n.Number)));
        Assert.Equal(("deck", 6 * 960), (Assert.Single(idea.Pattern.Sections), idea.Pattern.LengthTicks));
    }

    [Fact]
    public void WhatComesEarlyAroundTheLoop_IsItsFirstBeat_AndIsThereOnce()
    {
        // 20 ms before the end of a time around, which is 32 ticks: before the second, and again when the player stops.
        PlayedNote[] notes = [At(0, 9.58), At(1, 4.8), At(1, 9.58)];

        Assert.Equal([8 * 960, 16 * 960 - 32], Kept(Stage, AsPlayed, "quay", notes).Pattern.Notes.Select(n => n.StartTick));
        Assert.Equal([0, 8 * 960], Kept(Stage, new() { Strength = 1 }, "quay", notes).Pattern.Notes.Select(n => n.StartTick));
        // With nothing before it, it is kept where it was.
        Assert.Equal([8 * 960, 16 * 960 - 32], Kept(Stage, AsPlayed, "quay", notes[1..]).Pattern.Notes.Select(n => n.StartTick));
    }

    [Fact]
    public void WhoEndsOnTheNextFirstBeat_MeansTheBarsBefore()
    {
        Assert.Equal([960, 3 * 960], Kept(Stage, new(2), "quay", At(0, 0.6), At(0, 1.8), At(0, 4.8 + 0.01)).Pattern.Notes.Select(n => n.StartTick));
        Assert.Equal([960, 3 * 960], Kept(Stage, AsPlayed, "quay", At(0, 0.6), At(0, 1.8), At(1, 0.01)).Pattern.Notes.Select(n => n.StartTick));
        // One note alone is the idea.
        Assert.Equal([0], Kept(Stage, AsPlayed, "quay", At(1, 0)).Pattern.Notes.Select(n => n.StartTick));
    }

    /// <summary>A figure of eighths and a triplet, each up to 25 ms early or late, three times around.</summary>
    [Property(MaxTest = 60)]
    public void AKnownFigureWithKnownErrors_IsWithinTwoMilliseconds_AndOnTheGridWhenPulled(int seed)
    {
        var chance = new Random(seed);
        var figure = new[] { (0, 48), (480, 60), (1440, 60), (1920, 48), (2400, 63), (3360, 67) };
        var played = Enumerable.Range(0, 3).SelectMany(pass => figure.SelectMany(f => Enumerable.Range(0, 4).Select(bar => (
            Wanted: bar * 3840 + f.Item1, Note: new PlayedNote(pass, bar * 2.4 + f.Item1 / 1600.0 + (bar == 0 && f.Item1 == 0 ? 0.025 * chance.NextDouble() : 0.05 * (chance.NextDouble() - 0.5)), 0.2, f.Item2, 1 + chance.Next(127))))))
            .ToList();

        var asPlayed = KeptWith(Stage, AsPlayed, "quay", played.Select(p => p.Note).ToSequence(), []).Pattern.Notes;
        var last = played.Where(p => p.Note.Pass == 2).OrderBy(p => p.Note.Seconds).ToList();
        Assert.Equal(last.Count, asPlayed.Count);
        Assert.All(last.Zip(asPlayed), x => Assert.InRange(x.Second.StartTick / 1600.0 - x.First.Note.Seconds, -0.002, 0.002));
        Assert.Equal(last.Select(p => (p.Note.Number, p.Note.Velocity)), asPlayed.Select(n => (n.Number, n.Velocity)));

        var pulled = KeptWith(Stage, new() { Strength = 1, GridTicks = 480 }, "quay", played.Select(p => p.Note).ToSequence(), []).Pattern.Notes;
        Assert.Equal(last.Select(p => (p.Wanted, p.Note.Number)).Order(), pulled.Select(n => (n.StartTick, n.Number)).Order());

        var half = KeptWith(Stage, new() { Strength = 0.5, GridTicks = 480 }, "quay", played.Select(p => p.Note).ToSequence(), []).Pattern.Notes;
        Assert.All(last.Zip(half), x => Assert.InRange(x.Second.StartTick - (x.First.Wanted + x.First.Note.Seconds * 1600) / 2, -1, 1));
    }

    [Fact]
    public void TheGridFollowsAGroove()
    {
        var stage = Stage.With(new PutGroove(Groove.Swing("Rolling", 960, 2 / 3.0)));

        Assert.Equal([640, 960], Kept(stage, new() { Strength = 1, GridTicks = 480, Groove = "Rolling" }, "quay", At(0, 0.31), At(0, 0.58)).Pattern.Notes.Select(n => n.StartTick));
        Assert.Equal("missing", FirstIdea.Of(stage, new(Keys, "quay", [At(0, 1)], []), new() { Groove = "Other" }).Why!.Code);
    }

    [Fact]
    public void WheelsBecomeCurves_UnlessTheyAreKeptOut()
    {
        Sequence<PlayedMove> moves = [new(0, 2.4, 1, 0), new(0, 4.8, 1, 127), new(0, 7.2, 64, 127), new(1, 9, 1, 3)];

        var after = Stage.With([.. KeptWith(Stage, AsPlayed, "quay", [At(0, 1)], moves).Edits]).Channels[Keys];
        Assert.Equal([new ShapePoint(0.25, 0), new(0.5, 127)], after.Shapes.Single(s => s.Target == new ControllerTarget(1)).Points);
        Assert.Equal([new ShapePoint(0.75, 127), new(1, 127)], after.Shapes.Single(s => s.Target == new ControllerTarget(64)).Points);
        Assert.Equal([1, 64], after.NoteInput!.Controllers.Select(c => c.Number));

        var closed = Stage.With(new SetNoteInput(Keys, new() { KeptOut = [NoteMessage.Modulation] }));
        Assert.Equal([new ControllerTarget(64)], closed.With([.. KeptWith(closed, AsPlayed, "quay", [At(0, 1)], moves).Edits]).Channels[Keys].Shapes.Select(s => s.Target));
        Assert.Single(KeptWith(Stage, new() { Wheels = false }, "quay", [At(0, 1)], moves).Edits);
    }

    [Fact]
    public void AWheelThatIsTurnedForLong_KeepsTheBendsOfItsCurve()
    {
        // Up in a straight line over 400 moves, then down at once: the top is what may not be lost.
        var moves = Enumerable.Range(0, 400).Select(n => new PlayedMove(0, n * 0.02, 1, n * 127 / 399)).Append(new PlayedMove(0, 8, 1, 0)).ToSequence();

        var points = Stage.With([.. KeptWith(Stage, AsPlayed, "quay", [At(0, 1)], moves).Edits]).Channels[Keys].Shapes.Single().Points;
        Assert.Equal(Shape.MostPoints, points.Count);
        Assert.Contains(points, p => p.Value == 127);
        Assert.Equal(0, points[^1].Value);
    }

    [Fact]
    public void PadsPlayTheNotesThatTheyAreMappedTo_AndAChannelThatReplaces_IsClearedInTheSection()
    {
        var stage = Stage.With(
            new PutPattern(Keys, new("Everywhere", 960, [new(0, 480, 60, 90)], [])), new PutPattern(Keys, new("Here", 960, [new(0, 480, 62, 90)], ["quay"])),
            new SetNoteInput(Keys, new() { PadMap = [new(36, 71)] }));

        var idea = Kept(stage, AsPlayed, "quay", At(0, 1, 36));
        Assert.Equal(71, Assert.Single(idea.Pattern.Notes).Number);
        Assert.Equal(["Everywhere", "Here", "Idea"], stage.With([.. idea.Edits]).Channels[Keys].Patterns.Select(p => p.Name));

        var replacing = stage.With(new SetNoteInput(Keys, new() { Recording = NoteRecording.Replaces }));
        Assert.Equal(
            [("Everywhere", "deck"), ("Idea", "quay")],
            replacing.With([.. Kept(replacing, AsPlayed, "quay", At(0, 1)).Edits]).Channels[Keys].Patterns.Select(p => (p.Name, string.Join(',', p.Sections))));
    }

    [Fact]
    public void WhatCannotBeKept_IsRefused()
    {
        string? code(Played played, IdeaWish? wish = null) => FirstIdea.Of(Stage, played, wish ?? AsPlayed).Why?.Code;

        Assert.Equal("out-of-range", code(new(Keys, "quay", [], [])));
        Assert.Equal("out-of-range", code(new(Keys, "quay", [At(0, -1)], [])));
        Assert.Equal("out-of-range", code(new(Keys, "quay", [At(0, double.NaN)], [])));
        Assert.Equal("out-of-range", code(new(Keys, "quay", [At(0, 1, 128)], [])));
        Assert.Equal("out-of-range", code(new(Keys, "quay", [At(0, 1)], []), new(0)));
        Assert.Equal("out-of-range", code(new(Keys, "quay", [At(0, 1)], []), new() { Strength = 1.1 }));
        Assert.Equal("unknown-channel", code(new(new("gone"), "quay", [At(0, 1)], [])));
        Assert.Equal("wrong-place", code(new(EmptyStage.MixBus, "quay", [At(0, 1)], [])));
        Assert.Equal("missing", code(new(Keys, "hold", [At(0, 1)], [])));
        Assert.Equal("wrong-place", code(new(Keys, "quay", [At(0, 1)], [new(0, 1, 1, 128)])));
    }
}
