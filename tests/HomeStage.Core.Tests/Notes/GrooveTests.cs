using FsCheck.Xunit;
using HomeStage.Core.Editing;
using HomeStage.Core.Notes;
using HomeStage.Core.Timing;
using HomeStage.TestKit;

namespace HomeStage.Core.Tests.Notes;

public class GrooveTests
{
    /// <summary>The definition: at swing s the second of a pair falls at s of the pair.</summary>
    [Theory]
    [InlineData(0.5, 480)]
    [InlineData(2.0 / 3, 640)]
    [InlineData(0.75, 720)]
    public void Swing_MovesTheSecondEighthToItsShareOfTheQuarter(double share, long tick)
    {
        var swing = Groove.Swing("Swing", Ticks.PerQuarter, share);

        Assert.Equal([0, tick, 960, 960 + tick], new long[] { 0, 480, 960, 1440 }.Select(swing.Moved));
    }

    [Property(MaxTest = 200)]
    public void Moved_NeverLetsOneMomentOvertakeAnother(byte share, ushort first, ushort gap)
    {
        var swing = Groove.Swing("Swing", Ticks.PerQuarter, 0.05 + 0.9 * share / 255);

        Assert.True(swing.Moved(first) <= swing.Moved(first + 1 + gap));
    }

    [Fact]
    public void TakenFrom_WhatWasPlayedLateOnEverySecondEighth_IsThatSwing()
    {
        // Four bars of eighths, each second one 60 ticks late and at four fifths of the others' strength.
        var notes = Enumerable.Range(0, 32).Select(i => new Note(i * 480 + (i % 2 == 1 ? 60 : 0), 100, 42, i % 2 == 1 ? 80 : 100)).ToArray();

        var taken = Groove.TakenFrom("Played", new("Hats", 16 * 960, [.. notes], []), 480, 960);

        Assert.Equal([0, 60], taken.Steps.Select(s => s.OffsetTicks));
        Assert.Equal([111, 89], taken.Steps.Select(s => s.VelocityPercent));
        Assert.Equal([taken], Stages.OneBar(new PutGroove(taken)).Grooves);
    }

    [Fact]
    public void PutGroove_WhoseStepsOvertakeEachOther_IsRefused()
    {
        var refusal = Stages.OneBar().RefusalOf(new PutGroove(new("Crossed", 960, [new(0, 500), new(480, 0)])));

        Assert.Equal("wrong-place", refusal.Code);
    }

    [Fact]
    public void RemoveGroove_ThatAChannelFollows_IsRefusedByTheFollowersName()
    {
        var template = Stages.OneBar(Stages.Tone("t", "mix-bus"), new PutGroove(Groove.Swing("Lilt", 960, 0.6)), new SetGroove(new("t"), "Lilt"));

        Assert.Contains("Tone t", template.RefusalOf(new RemoveGroove("Lilt")).Sentence, StringComparison.Ordinal);
    }
}
