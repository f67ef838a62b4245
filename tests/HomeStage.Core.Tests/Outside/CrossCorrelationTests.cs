using HomeStage.Core.Outside;

namespace HomeStage.Core.Tests.Outside;

/// <summary>Held against the sums themselves.</summary>
public sealed class CrossCorrelationTests
{
    [Theory]
    [InlineData(40, 40, -39, 39)]
    [InlineData(7, 100, 0, 93)]
    [InlineData(100, 7, -99, 6)]
    [InlineData(1, 1, -3, 3)]
    [InlineData(64, 65, -10, 20)]
    public void EachShift_HasTheSumOfProducts(int frames, int others, int least, int most)
    {
        var chance = new Random(frames * 1000 + others);
        float[] a = [.. Enumerable.Range(0, frames).Select(_ => chance.NextSingle() - 0.5f)], b = [.. Enumerable.Range(0, others).Select(_ => chance.NextSingle() - 0.5f)];

        var sums = CrossCorrelation.Of(a, b, least, most);

        Assert.Equal(most - least + 1, sums.Length);
        for (var shift = least; shift <= most; shift++)
            Assert.Equal(Enumerable.Range(0, frames).Where(n => n + shift >= 0 && n + shift < others).Sum(n => (double)a[n] * b[n + shift]), sums[shift - least], 1e-6);
    }
}
