
namespace HomeStage.Core.Tests.Values;

public class CapitalsTests
{
    [Theory]
    [InlineData("High cut", "high cut")]
    [InlineData("De-esser", "de-esser")]
    [InlineData("LFO rate", "LFO rate")]
    [InlineData("Q", "Q")]
    [InlineData("12 dB/oct", "12 dB/oct")]
    [InlineData("Ähre", "ähre")]
    [InlineData("Closed Hi Hat", "Closed Hi Hat")]
    [InlineData("Open Hi-Hat", "Open Hi-Hat")]
    [InlineData("Snare A", "snare A")]
    [InlineData("Crash Cymbal 1", "Crash Cymbal 1")]
    [InlineData("", "")]
    public void WithinASentence_UnitsLettersAndAbbreviationsStay(string name, string expected) => Assert.Equal(expected, name.InASentence());

    [Theory]
    [InlineData("snare top", "Snare top")]
    [InlineData("éclat", "Éclat")]
    [InlineData("808", "808")]
    [InlineData("LFO", "LFO")]
    [InlineData("", "")]
    public void ByItself_ANameBeginsWithACapital(string name, string expected) => Assert.Equal(expected, name.AtFirst());
}
