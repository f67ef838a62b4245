using HomeStage.Core.Timing;

namespace HomeStage.Core.Tests.Timing;

/// <summary>Closed forms: 60 000 / BPM × quarters.</summary>
public class TimeTests
{
    [Theory]
    [InlineData(1.0, 500)]
    [InlineData(0.75, 375)]
    [InlineData(1.0 / 3, 166.6667)]
    [InlineData(0.25, 125)]
    public void Milliseconds_At120_AreTheNoteValuesOfTheHandbooks(double quarters, double milliseconds)
    {
        Assert.Equal(milliseconds, NoteValue.Milliseconds(quarters, 120), 3);
    }

    [Fact]
    public void TimeMap_TwelveBarsOfThreeFourAt90_Last24Seconds()
    {
        Assert.Equal(24, new TimeMap(new(90, new(3, 4), [new("waltz", "Waltz", 12)])).LengthSeconds, 9);
    }

    [Fact]
    public void TimeMap_TwoBarsOfCountInAt120_Last4Seconds()
    {
        Assert.Equal(4, new TimeMap(new(120, new(4, 4), [new("count-in", "Count-in", 2)])).LengthSeconds, 9);
    }

    [Fact]
    public void TimeMap_ASectionWithItsOwnTempoAndMeter_StartsWhereTheOneBeforeItEnds()
    {
        var map = new TimeMap(new(92, new(6, 8), [new("verse", "Verse", 2), new("crossing", "Crossing", 1, 60, new(4, 4)), new("chorus", "Chorus", 1)]));

        // Two bars of three quarters at 92, then four quarters of one second.
        Assert.Equal(6 * 60.0 / 92, map.Sections[1].StartSeconds, 9);
        Assert.Equal(6 * 60.0 / 92 + 4, map.Sections[2].StartSeconds, 9);
        Assert.Equal((6 + 4) * Ticks.PerQuarter, map.Sections[2].StartTick);
    }

    [Theory]
    [InlineData(0, 0)]
    [InlineData(3840, 2)]
    [InlineData(3840 + 960, 3)]
    [InlineData(3840 + 5760, 8)]
    public void SecondsAt_AcrossAChangeOfTempo_CountsEachStretchAtItsOwn(long tick, double seconds)
    {
        // Two seconds at 120, then quarters of one second; beyond the end the last tempo goes on.
        var map = new TimeMap(new(120, new(4, 4), [new("fast", "Fast", 1), new("slow", "Slow", 1, 60)]));

        Assert.Equal(seconds, map.SecondsAt(tick), 9);
    }

    [Theory]
    [InlineData(6, 8, 1440)]
    [InlineData(4, 4, 960)]
    [InlineData(3, 4, 960)]
    [InlineData(3, 8, 480)]
    [InlineData(12, 8, 1440)]
    public void FeltBeat_OfACompoundMeter_IsDotted(int beats, int unit, int ticks)
    {
        Assert.Equal(ticks, new Meter(beats, unit).TicksPerFeltBeat);
    }

    [Fact]
    public void Lay_APatternOfOneBar_RepeatsItToTheEndOfItsSections()
    {
        var pattern = new Pattern("Beat", 4 * Ticks.PerQuarter, [new(0, 100, 36, 100), new(1920, 100, 38, 100)], ["verse"]);
        var map = new TimeMap(new(120, new(4, 4), [new("intro", "Intro", 1), new("verse", "Verse", 2)]));

        var notes = map.Lay([pattern]).ToList();

        Assert.Equal([3840L, 5760, 7680, 9600], notes.Select(n => n.StartTick));
        Assert.Equal([2.0, 3, 4, 5], notes.Select(n => Math.Round(n.StartSeconds, 9)));
    }

    [Fact]
    public void Lay_ANoteThatOutlastsItsSection_IsCutThere()
    {
        var pattern = new Pattern("Long", 4 * Ticks.PerQuarter, [new(2880, 5000, 40, 100)], []);

        Assert.Equal(960, Assert.Single(new TimeMap(new(120, new(4, 4), [new("verse", "Verse", 1)])).Lay([pattern])).LengthTicks);
    }
}
