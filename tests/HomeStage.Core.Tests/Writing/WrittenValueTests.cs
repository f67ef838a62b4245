using FsCheck.Xunit;
using HomeStage.Core.Catalogue;
using HomeStage.Core.Controls;
using HomeStage.Core.Writing;

namespace HomeStage.Core.Tests.Writing;

/// <summary>Numbers as people write them. Note values by their arithmetic (common practice): 60,000 / BPM ms a quarter.</summary>
public class WrittenValueTests
{
    [Theory]
    [InlineData("1.2k", Unit.Hertz, 1200)]
    [InlineData("1,2 kHz", Unit.Hertz, 1200)]
    [InlineData("80", Unit.Hertz, 80)]
    [InlineData("80hz", Unit.Hertz, 80)]
    [InlineData("500 ms", Unit.Quarters, 1.25)]
    [InlineData("0.4s", Unit.Quarters, 1)]
    [InlineData("1/8", Unit.Quarters, 0.5)]
    [InlineData("1/8T", Unit.Quarters, 1.0 / 3)]
    [InlineData("1/8 triplet", Unit.Quarters, 1.0 / 3)]
    [InlineData("dotted eighth", Unit.Quarters, 0.75)]
    [InlineData("Dotted 1/8", Unit.Quarters, 0.75)]
    [InlineData("1/8.", Unit.Quarters, 0.75)]
    [InlineData("1/4D", Unit.Quarters, 1.5)]
    [InlineData("double-dotted half", Unit.Quarters, 3.5)]
    [InlineData("3/16", Unit.Quarters, 0.75)]
    [InlineData("thirty second note", Unit.Quarters, 0.125)]
    [InlineData("2 quarters", Unit.Quarters, 2)]
    [InlineData("quarter triplets", Unit.Quarters, 2.0 / 3)]
    [InlineData("1/16", Unit.Milliseconds, 100)]
    [InlineData("whole", Unit.Seconds, 1.6)]
    [InlineData("1.5 s", Unit.Milliseconds, 1500)]
    [InlineData("50 µs", Unit.Milliseconds, 0.05)]
    [InlineData("250 ms", Unit.Seconds, 0.25)]
    [InlineData("−3,5 dB", Unit.Decibels, -3.5)]
    [InlineData("+6", Unit.Decibels, 6)]
    [InlineData(".5", Unit.Quality, 0.5)]
    [InlineData("4:1", Unit.Ratio, 4)]
    [InlineData("2.5 to 1", Unit.Ratio, 2.5)]
    [InlineData("30%", Unit.Percent, 30)]
    [InlineData("-50 cents", Unit.Semitones, -0.5)]
    public void Read_WhatPeopleWrite_At150Bpm(string text, Unit unit, double expected) =>
        Assert.Equal(expected, Assert.NotNull(WrittenValue.Read(text, unit, 150)), 12);

    [Theory]
    [InlineData("", Unit.Hertz)]
    [InlineData("loud", Unit.Decibels)]
    [InlineData("1.2k", Unit.Decibels)]
    [InlineData("500 ms", Unit.Hertz)]
    [InlineData("1/8", Unit.Percent)]
    [InlineData("1/0", Unit.Quarters)]
    [InlineData("1/8 1/8", Unit.Quarters)]
    [InlineData("dotted", Unit.Quarters)]
    [InlineData("dotted triplet eighth", Unit.Quarters)]
    [InlineData("eighth of a pound", Unit.Quarters)]
    [InlineData("1.2.3", Unit.Hertz)]
    [InlineData("3 LU", Unit.Decibels)]
    [InlineData("12 dB 3", Unit.Decibels)]
    [InlineData("1e400", Unit.Number)]
    public void Read_WhatIsNoneOrCountsSomethingElse_IsNoNumber(string text, Unit unit) => Assert.Null(WrittenValue.Read(text, unit, 120));

    /// <summary>What is shown can be typed and is the same, to the digits that are shown; note values exactly.</summary>
    [Property(MaxTest = 400)]
    public void WhatIsShown_CanBeTyped_AndIsTheSame(int seed)
    {
        var chance = new Random(seed);
        var all = ProcessorCatalogue.All.SelectMany(p => p.Parameters).Concat(InstrumentCatalogue.All.SelectMany(i => i.Parameters)).Where(p => p.Unit is not (Unit.Switch or Unit.Choice)).ToList();
        var parameter = all[chance.Next(all.Count)];
        var digits = chance.Next(5);
        var value = parameter.Min + chance.NextDouble() * (parameter.Max - parameter.Min);
        if (parameter.Unit == Unit.Quarters && chance.Next(2) == 0)
            value = NoteWords.Usual[chance.Next(NoteWords.Usual.Count)].Quarters;

        var shown = WrittenValue.Of(value, parameter.Unit, digits);

        var read = Assert.NotNull(WrittenValue.Read(shown, parameter.Unit, 30 + chance.Next(250)));
        Assert.True(Math.Abs(read - value) <= (NoteWords.Of(value) is null || parameter.Unit != Unit.Quarters ? 0.5 * Math.Pow(10, -digits) + 1e-9 : 1e-6), $"{shown} was {value}");
        Assert.Equal(shown, WrittenValue.Of(read, parameter.Unit, digits));
    }

    [Fact]
    public void Usual_AreExact_AndFoundAgain()
    {
        Assert.Equal(21, NoteWords.Usual.Count);
        Assert.All(NoteWords.Usual, n => Assert.Equal(n.Quarters, NoteWords.Read(n.Text)));
        Assert.All(NoteWords.Usual, n => Assert.Equal(n.Text, NoteWords.Of(n.Quarters)));
        Assert.Null(NoteWords.Of(0.51));
    }
}
