using HomeStage.Core.Casting;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Tests.Casting;

public class CastCompletionTests
{
    private const string Text = "Returns: cistern, slap into \nVoices: \nTriggers: heart\nBass: sub; makes room for h\nDr\nKeys: bells by Bell\n  pi";

    [Theory]
    [InlineData(0, 28, "Cistern")]
    [InlineData(1, 8, "two singers")]
    [InlineData(3, 27, "Heart")]
    [InlineData(4, 2, "Drums")]
    [InlineData(5, 19, "Bellbuoy")]
    [InlineData(6, 4, "piano")]
    public void WhatMayFollow_IsWhatStandsThere(int line, int column, string first)
    {
        var offered = CastCompletion.At(EmptyStage.Create("x"), Text, line, column);

        Assert.Equal(first, offered[0].Text, ignoreCase: true);
        // What is taken reads as what it says.
        var lines = Text.Split('\n');
        lines[line] = lines[line][..(column - offered[0].Replaces)] + offered[0].Text;
        Assert.Contains(offered[0].Text, lines[line], StringComparison.Ordinal);
    }

    [Theory]
    [InlineData(99, 0)]
    [InlineData(-1, 0)]
    [InlineData(0, 400)]
    public void APlaceThatIsNotThere_HasNone(int line, int column) => Assert.Empty(CastCompletion.At(EmptyStage.Create("x"), Text, line, column));
}
