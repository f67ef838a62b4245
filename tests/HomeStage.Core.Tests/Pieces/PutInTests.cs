using HomeStage.Core.Automation;
using HomeStage.Core.Catalogue;
using HomeStage.Core.Editing;
using HomeStage.Core.Levels;
using HomeStage.Core.Pieces;
using HomeStage.Core.Sound;
using HomeStage.Core.Templates;
using HomeStage.TestKit;
using static HomeStage.TestKit.Stages;

namespace HomeStage.Core.Tests.Pieces;

/// <summary>What joins where, worked out by hand.</summary>
public class PutInTests
{
    private static readonly Insert Duck = Insert("duck", ProcessorCatalogue.Compressor) with { Key = new(true) };

    /// <summary>Two singers on a bus that gives way to a trigger, sent to two rooms and an echo.</summary>
    private static readonly Template From = OneBar(
        Named(Bus("voices", "mix-bus"), "Voices", -3), Named(Bus("singers", "voices", Duck), "Singers", 0),
        Named(Return("stairs", "mix-bus", Insert("verb", ProcessorCatalogue.Reverb)), "Stairwell reverb", -5), Named(Return("slap", "mix-bus", Insert("echo", ProcessorCatalogue.Delay)), "Slap delay", -8),
        Named(Tone("alto", "singers"), "Alto", -6), Named(Tone("tenor", "singers"), "Tenor", -6), Named(Trigger("beat"), "Beat trigger", 0),
        new PutSend(new("alto"), new(new("stairs"), new(-12))), new PutSend(new("tenor"), new(new("stairs"), new(-14))), new PutSend(new("singers"), new(new("slap"), new(-9), Open: false)),
        new PutFeed(new("beat"), new(new("singers"), new("duck"), new(0))), new SetHue(new("voices"), 305));

    private static readonly SetPiece Singers = PieceCut.Of(From, [new("singers")])!.Value.Piece;

    [Fact]
    public void APiece_HoldsWhatStandsUnderIt_AndKnowsWhatItWasJoinedWith()
    {
        Assert.Equal(["alto", "singers", "tenor"], Singers.Own.Select(c => c.Id.Value).Order());
        Assert.Equal(["beat", "main", "slap", "stairs", "voices"], Singers.Outside.Select(c => c.Value).Order());
        // The bus that coloured it stays behind.
        Assert.Equal(305, Singers.Stage.Channels[new ChannelId("singers")].HueDegrees);
        Assert.Equal("3 channels: 1 bus, 2 instruments", Singers.Words);
    }

    [Fact]
    public void WhatItLedTo_IsFoundByRole_AmongThoseOfOneRoleByName_AndTheNamesThatAreTakenAreNumbered()
    {
        var there = OneBar(
            Named(Bus("lead", "mix-bus"), "Vocals", -1), Named(Return("cathedral", "mix-bus"), "Cathedral reverb", 0), Named(Return("long", "mix-bus"), "Long delay", 0),
            Named(Return("short", "mix-bus"), "Slap delay", 0), Named(Trigger("pulse"), "Pulse trigger", 0), Named(Tone("alto", "lead"), "Alto", 0));

        var (put, why) = PutIn.Of(there, Singers);

        Assert.Null(why);
        Assert.Equal(["beat → pulse", "slap → short", "stairs → cathedral", "voices → lead"], put!.Joints.Select(j => $"{j.Outside} → {j.To}").Order(StringComparer.Ordinal));
        Assert.All(put.Joints, j => Assert.Null(j.Missing));
        var after = there.With([.. put.Edits]);
        Assert.Equal("lead", after.Channels[new ChannelId("singers")].Destination!.Value.Value);
        Assert.Equal("Alto 2", after.Channels[new ChannelId("alto-2")].Name);
        Assert.Equal("cathedral", Assert.Single(after.Channels[new ChannelId("alto-2")].Sends).To.Value);
        Assert.Equal(new Send(new("short"), new(-9), Open: false), Assert.Single(after.Channels[new ChannelId("singers")].Sends));
        Assert.Equal(new SidechainFeed(new("singers"), new("duck"), new(0)), Assert.Single(after.Channels[new ChannelId("pulse")].Feeds));
    }

    [Fact]
    public void AReturnThatComesAlong_LeavesBehindWhatGaveWayToSomebodyElse()
    {
        var ducked = From.With(new AddInsert(new("slap"), Duck), new PutFeed(new("tenor"), new(new("slap"), new("duck"), new(0))), Named(Tone("guest", "mix-bus"), "Guest", 0));
        var steered = From.With(new AddInsert(new("slap"), Duck), Named(Tone("guest", "mix-bus"), "Guest", 0), new PutFeed(new("guest"), new(new("slap"), new("duck"), new(0))));
        string[] along(Template from) => [.. OneBar().With([.. PutIn.Of(OneBar(), PieceCut.Of(from, [new("singers")])!.Value.Piece).Put!.Edits]).Channels[new ChannelId("slap")].Inserts.Select(i => i.Id.Value)];

        // The tenor goes where the piece goes; the guest stays.
        Assert.Equal(["echo", "duck"], along(ducked));
        Assert.Equal(["echo"], along(steered));
    }

    [Fact]
    public void WhatIsNotThere_ComesAlong_IsChosen_OrIsSaidToBeMissing()
    {
        var there = OneBar(Named(Return("hall", "mix-bus"), "Hall reverb", 0));

        var (usual, _) = PutIn.Of(there, Singers);

        // An echo and a trigger are of use by themselves; the bus is not.
        Assert.Equal(["beat", "slap"], usual!.Joints.Where(j => j.ComesAlong).Select(j => j.Outside.Value).Order());
        Assert.Equal("Singers goes to Mix bus.", usual.Joints.Single(j => j.Outside.Value == "voices").Missing);
        var after = there.With([.. usual.Edits]);
        Assert.Equal("slap", Assert.Single(after.Channels[new ChannelId("singers")].Sends).To.Value);
        Assert.Equal("singers", Assert.Single(after.Channels[new ChannelId("beat")].Feeds).Channel.Value);
        Assert.Equal("mix-bus", after.Channels[new ChannelId("singers")].Destination!.Value.Value);

        var (chosen, _) = PutIn.Of(there, Singers, new Dictionary<string, string?> { ["slap"] = "hall", ["beat"] = null, ["stairs"] = null });

        var other = there.With([.. chosen!.Edits]);
        Assert.Equal("hall", Assert.Single(other.Channels[new ChannelId("singers")].Sends).To.Value);
        Assert.Empty(other.Channels[new ChannelId("alto")].Sends);
        Assert.DoesNotContain(other.Channels, c => c.Kind == ChannelKind.Trigger);
        Assert.Equal("Nothing steers Singers.", chosen.Joints.Single(j => j.Outside.Value == "beat").Missing);
        Assert.Equal("Alto and Tenor send nothing there.", chosen.Joints.Single(j => j.Outside.Value == "stairs").Missing);
    }

    /// <summary>There the bus above is 2 dB louder, and one more above it 4 dB softer.</summary>
    [Fact]
    public void APiece_ArrivesAsLoudAsItLeft()
    {
        var there = OneBar(Named(Bus("all", "mix-bus"), "Band", -4), Named(Bus("lead", "all"), "Vocals", -1));

        var (put, _) = PutIn.Of(there, Singers, new Dictionary<string, string?> { ["stairs"] = null, ["slap"] = null, ["beat"] = null });

        var after = there.With([.. put!.Edits]);
        Assert.Equal(2.0, after.Channels[new ChannelId("singers")].Level.Value, 1e-9);
        Assert.Equal("Singers is put 2.0 dB higher, so as to arrive as loud as where it came from.", Assert.Single(put.Notes));
        // The engine itself, beside the prediction.
        static double Loudest(Template t) => Renderer.Render(t, new(InMix)).Left.Max(Math.Abs);
        var left = From.With(new RemoveChannel(new("stairs")), new RemoveChannel(new("slap")), new RemoveChannel(new("beat")));
        Assert.Equal(20 * Math.Log10(Loudest(left)), 20 * Math.Log10(Loudest(after)), 0.05);
    }

    [Fact]
    public void Starters_PlayInTheSectionsOfTheSameName_AndCurvesOfOthersAreLeftOut()
    {
        var from = With(OneBar(), ("Verse", 4), ("Refrain", 8)).With(
            Named(Tone("alto", "mix-bus"), "Alto", 0), new PutPattern(new("alto"), new("Held", 1920, [new(0, 960, 60, 90)], ["s0", "s1"])),
            new PutShape(new("alto"), new(new LevelTarget(), "s0", [new(0, -10), new(1, 0)])), new PutShape(new("alto"), new(new LevelTarget(), "s1", [new(0, -20), new(1, 0)])));
        var there = With(OneBar(), ("Intro", 2), ("Chorus", 2), ("refrain", 2));

        var (put, _) = PutIn.Of(there, PieceCut.Of(from, [new("alto")])!.Value.Piece);

        var alto = there.With([.. put!.Edits]).Channels[new ChannelId("alto")];
        Assert.Equal("s2", Assert.Single(alto.Patterns.Single(p => p.Notes[0].LengthTicks == 960).Sections));
        Assert.Equal(("s2", -20.0), (Assert.Single(alto.Shapes).Section, alto.Shapes[0].Points[0].Value));
        Assert.Equal(["A curve of Alto is left out: the section is not here."], put.Notes);
    }

    /// <summary>The refrain is the longer one.</summary>
    [Fact]
    public void WhereNoneOfTheSectionsIsHere_OneStarterPlaysThrough_AndNotAllAtOnce()
    {
        var from = With(OneBar(), ("Verse", 4), ("Refrain", 8)).With(
            Named(Tone("alto", "mix-bus"), "Alto", 0), new RemovePattern(new("alto"), "Held"),
            new PutPattern(new("alto"), new("Long", 1920, [new(0, 960, 60, 90)], ["s1"])), new PutPattern(new("alto"), new("Brief", 1920, [new(0, 960, 62, 90)], ["s0"])));
        var there = With(OneBar(), ("Only", 1));

        var (put, _) = PutIn.Of(there, PieceCut.Of(from, [new("alto")])!.Value.Piece);

        var plays = Assert.Single(there.With([.. put!.Edits]).Channels[new ChannelId("alto")].Patterns);
        Assert.Equal(("Long", 0), (plays.Name, plays.Sections.Count));
        Assert.Equal(["Long of Alto plays in every section: those that it played in are not here.", "Brief of Alto is left out: the sections are not here."], put.Notes);
    }

    [Fact]
    public void ThePrediction_IsOfThePieceAlone()
    {
        var loud = From.With(Named(Tone("organ", "mix-bus"), "Organ", 6));

        Assert.Equal(Singers.LeftAtLufs, PieceCut.Of(loud, [new("singers")])!.Value.Piece.LeftAtLufs);
        var alone = LevelBudget.Of(From.With(new RemoveSend(new("alto"), new("stairs")), new RemoveSend(new("tenor"), new("stairs"))), InMix).Levels.Single(l => l.Channel == EmptyStage.Main);
        Assert.Equal(alone.ExpectedLufs!.Value, Singers.LeftAtLufs["voices"], 1e-9);
    }

    [Fact]
    public void TheMain_IsNoPartOfAPiece()
    {
        Assert.Null(PieceCut.Of(From, [EmptyStage.Main]));
        Assert.Null(PieceCut.Of(From, [new("gone")]));
        Assert.Null(PieceCut.Of(From, []));
    }

    private static Template With(Template template, params (string Name, int Bars)[] sections) => template with { Timeline = new(120, new(4, 4), sections.Select((s, i) => new Core.Timing.Section($"s{i}", s.Name, s.Bars)).ToSequence()) };

    private static AddChannel Named(AddChannel add, string name, double level) => add with { Channel = add.Channel with { Name = name, Level = new(level) } };
}
