using HomeStage.Core.Controls;

namespace HomeStage.Core.Tests.Controls;

public class ParameterWordsTests
{
    private static readonly Parameter Slope = Parameter.Choice("slope", "Slope", ["12 dB/oct", "The mean (RMS)", "MIDI", "Both sides"]);

    /// <summary>As the processors take them: on from a half.</summary>
    [Theory]
    [InlineData(0, "off")]
    [InlineData(0.49, "off")]
    [InlineData(0.5, "on")]
    [InlineData(1, "on")]
    public void ASwitch_IsOnFromAHalf(double value, string word) => Assert.Equal(word, Parameter.Switch("on", "On", on: false).Word(value));

    [Theory]
    [InlineData(0, "12 dB/oct")]
    [InlineData(1, "the mean (RMS)")]
    [InlineData(2, "MIDI")]
    [InlineData(3.2, "both sides")]
    [InlineData(4, null)]
    [InlineData(-1, null)]
    public void AnOption_IsWrittenAsInASentence_WithItsUnitsAndAbbreviations(double value, string? word) => Assert.Equal(word, Slope.Word(value));

    [Fact]
    public void ANumber_HasNoWord() => Assert.Null(new Parameter("hz", "At", Unit.Hertz, 0, 20000, 1, 1).Word(1));
}
