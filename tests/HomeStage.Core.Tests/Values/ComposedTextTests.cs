namespace HomeStage.Core.Tests.Values;

/// <summary>Words of several languages, taken apart by hand: The Unicode Standard, canonical composition.</summary>
public class ComposedTextTests
{
    [Theory]
    [InlineData("Ku\u0308che", "K\u00FCche")]
    [InlineData("A\u030Angstro\u0308m", "\u00C5ngstr\u00F6m")]
    [InlineData("c\u030Ces\u030Ctina", "\u010De\u0161tina")]
    [InlineData("Gdan\u0301sk", "Gda\u0144sk")]
    [InlineData("gar\u0327c\u0327on", "ga\u0157\u00E7on")]
    [InlineData("I\u0307stanbul", "\u0130stanbul")]
    [InlineData("o\u030B u\u0328 a\u0302\u0301", "\u0151 \u0173 \u1EA5")]
    public void MarksThatStandApart_JoinTheirLetters(string apart, string whole) => Assert.Equal(whole, ComposedText.Of(apart));

    [Theory]
    [InlineData("\u0308x")]
    [InlineData("q\u0308")]
    [InlineData("plain")]
    public void AMarkWithoutALetterOfItsOwn_StaysAsItIs(string text) => Assert.Equal(text, ComposedText.Of(text));
}
