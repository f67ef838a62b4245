using HomeStage.Core.Automation;
using HomeStage.Core.Catalogue;
using HomeStage.Core.Ducking;
using HomeStage.Core.Editing;
using HomeStage.Core.Templates;
using HomeStage.Core.Timing;
using HomeStage.TestKit;
using static HomeStage.TestKit.Stages;

namespace HomeStage.Core.Tests.Ducking;

/// <summary>Room that is made by intent alone, and ducking by notes.</summary>
public class MakeRoomTests
{
    private static readonly Template Stage = OneBar(Bus("pads", "mix-bus"), Bus("bass", "mix-bus", Insert("kept", ProcessorCatalogue.Gain) with { KeptForAutomation = true }), Bus("echoes", "mix-bus"));

    private static readonly RoomAsk ThreeWays = new(null, new(1), [new(new("pads"), 4.5), new(new("bass"), 7), new(new("echoes"), 2)], 0.5);

    [Fact]
    public void ThreeChannels_GiveWayToANewTrigger_EachAsFarAsAsked()
    {
        var (room, why) = MakeRoom.Of(Stage, InMix, "song", ThreeWays);
        Assert.Null(why);
        var template = Stage.With([.. room!.Edits]);

        var trigger = template.Channels.Single(c => c.Kind == ChannelKind.Trigger);
        Assert.Null(trigger.Destination);
        Assert.All(template.Acts, act => Assert.Equal(StageState.BehindTheCurtain, trigger.StageIn(act.Id)));
        Assert.All(trigger.Feeds, f => Assert.Equal(TapPoint.Pre, f.Tap));
        Assert.True(template.Channels[new ChannelId("bass")].Inserts[^1].KeptForAutomation);
        Assert.All(room.Answers, a => Assert.Null(a.Answer.Limit));
        // One bar of 4/4 at 120: back by the eighth is 250 ms after each of four hits.
        Assert.All(Ducker.In(template), ducker =>
        {
            var (run, wrong) = DuckingRun.Of(template, InMix, "song", ducker);
            Assert.Null(wrong);
            Assert.Equal([0, 24000, 48000, 72000], run!.Hits);
            Assert.Equal(ThreeWays.Ways.First(w => w.Channel == ducker.Channel).DepthDb, run.Reading.DepthDb, 0.2);
            Assert.Equal(250, run.Reading.BackMs!.Value, 2.0);
            Assert.Equal([trigger.Id], ducker.By);
        });
    }

    [Fact]
    public void AskedAgain_OfTheSameTrigger_TheSameCompressorsAreSetAnew()
    {
        var once = Stage.With([.. MakeRoom.Of(Stage, InMix, "song", ThreeWays).Room!.Edits]);
        var trigger = once.Channels.Single(c => c.Kind == ChannelKind.Trigger).Id;

        var again = once.With([.. MakeRoom.Of(once, InMix, "song", ThreeWays with { Trigger = trigger, Ways = [new(new("pads"), 9)] }).Room!.Edits]);

        Assert.Equal(once.Channels.Sum(c => c.Inserts.Count), again.Channels.Sum(c => c.Inserts.Count));
        Assert.Equal(9, DuckingRun.Of(again, InMix, "song", Ducker.In(again).Single(d => d.Channel.Value == "pads")).Run!.Reading.DepthDb, 0.2);
    }

    private static readonly Template WithKit = Stage.With(
        new MakeChannel(new(ChannelKind.Instrument) { Name = "Crate drums", Instrument = InstrumentCatalogue.Breakwater }),
        new PutPattern(new("crate-drums"), new("Loop", 4 * Ticks.PerQuarter, [.. Loop()], [])));

    /// <summary>Kick on one and three, snare on two and four, a closed hat on every eighth.</summary>
    private static IEnumerable<Note> Loop() =>
        Enumerable.Range(0, 8).Select(i => new Note(i * 480, 120, 42, 80))
            .Concat([new(0, 120, 36, 110), new(1920, 120, 36, 110), new(960, 120, 38, 100), new(2880, 120, 38, 100)]);

    [Theory]
    [InlineData(false)]
    [InlineData(true)]
    public void ChosenPieces_OfAKit_AreGivenWayTo_AndItsOtherPiecesAreNot(bool byNotes)
    {
        var ask = ThreeWays with { New = new(With: new("crate-drums")) { Numbers = [36] }, ByNotes = byNotes, BackQuarters = 1 };
        var template = WithKit.With([.. MakeRoom.Of(WithKit, InMix, "song", ask).Room!.Edits]);

        Assert.Equal(byNotes ? 0 : 1, template.Channels.Count(c => c.Kind == ChannelKind.Trigger));
        Assert.Equal(3, Ducker.In(template).Count());
        Assert.All(Ducker.In(template), ducker =>
        {
            var run = DuckingRun.Of(template, InMix, "song", ducker).Run!;
            Assert.Equal([0, 48000], run.Hits);
            Assert.Equal(ask.Ways.First(w => w.Channel == ducker.Channel).DepthDb, run.Reading.DepthDb, 0.2);
            Assert.Equal(500, run.Reading.BackMs!.Value, 2.0);
        });
    }

    [Theory]
    [InlineData("Kick trigger", 36)]
    [InlineData("Crate drums trigger", 36, 38)]
    [InlineData("Crate drums trigger")]
    public void ATrigger_IsCalledAfterTheOnePieceThatStrikes_OrAfterThePart(string called, params int[] numbers)
    {
        var (_, edits) = new TriggerWish(With: new("crate-drums")) { Numbers = numbers.ToSequence() }.Made(WithKit);
        Assert.Equal(called, WithKit.With([.. edits]).Channels.Single(c => c.Kind == ChannelKind.Trigger).Name);
    }

    [Theory]
    [InlineData(false)]
    [InlineData(true)]
    public void OffTheBeat_ItStrikesHalfWayBetweenTwo(bool byNotes)
    {
        var ask = ThreeWays with { New = new(1, 0.5), ByNotes = byNotes };
        var template = Stage.With([.. MakeRoom.Of(Stage, InMix, "song", ask).Room!.Edits]);

        Assert.All(Ducker.In(template), d => Assert.Equal([12000, 36000, 60000, 84000], DuckingRun.Of(template, InMix, "song", d).Run!.Hits));
    }

    [Fact]
    public void ByNotes_OnTheBeat_NeedsNoTrigger_AndIsAskedForAgainOnTheSameDuckers()
    {
        var once = Stage.With([.. MakeRoom.Of(Stage, InMix, "song", ThreeWays with { ByNotes = true }).Room!.Edits]);
        var again = once.With([.. MakeRoom.Of(once, InMix, "song", ThreeWays with { ByNotes = true, Ways = [new(new("pads"), 9)] }).Room!.Edits]);

        Assert.Equal(Stage.Channels.Count, again.Channels.Count);
        Assert.Equal(3, Ducker.In(again).Count());
        Assert.Equal(9, DuckingRun.Of(again, InMix, "song", Ducker.In(again).Single(d => d.Channel.Value == "pads")).Run!.Reading.DepthDb, 0.2);
    }

    [Theory]
    [InlineData(0, 0, null)]
    [InlineData(1, 1, null)]
    [InlineData(1, -0.5, null)]
    [InlineData(1, 0, "pads")]
    [InlineData(1, 0, "nobody")]
    public void ATriggerThatCannotBe_IsRefused(double every, double late, string? with) =>
        Assert.NotNull(MakeRoom.Of(Stage, InMix, "song", ThreeWays with { New = new(every, late, with is null ? null : new(with)) }).Why);

    [Theory]
    [InlineData(0.5, 4)]
    [InlineData(41, 4)]
    [InlineData(6, 0)]
    public void WhatCannotBe_IsRefused(double depthDb, double backQuarters) =>
        Assert.NotNull(MakeRoom.Of(Stage, InMix, "song", new(null, new(1), [new(new("pads"), depthDb)], backQuarters)).Why);

    [Theory]
    [InlineData(6, 250, 0, false)]
    [InlineData(12, 180, 40, false)]
    [InlineData(3, 400, 0, true)]
    [InlineData(20, 300, 25, true)]
    public void ByNotes_TheDrawnCurveIsBackWhenItShallBe(double depthDb, double backMs, double stayMs, bool soft)
    {
        var (settings, trigger) = NoteDucking.Solve(new(depthDb, backMs, stayMs, soft), Map<double>.Empty, NoteTrigger.Plain, 120)!.Value;
        var template = Stage.With(new AddInsert(new("pads"), new Insert(new("duck"), ProcessorCatalogue.Ducker) { Settings = settings, Trigger = trigger }));

        var run = DuckingRun.Of(template, InMix, "song", Ducker.In(template).Single()).Run!;

        Assert.Equal([0, 24000, 48000, 72000], run.Hits);
        Assert.Equal(depthDb, run.Reading.DepthDb, 0.01);
        Assert.Equal(backMs, run.Reading.BackMs!.Value, 0.5);
        // All the way down at the hit, and as long as it shall stay.
        Assert.Equal(depthDb, run.ReductionDb[24000], 0.01);
        Assert.Equal(depthDb, run.ReductionDb[24000 + (int)(stayMs * 48)], 0.3);
    }
}
