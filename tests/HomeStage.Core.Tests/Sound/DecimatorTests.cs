using HomeStage.Core.Sound.Signals;

namespace HomeStage.Core.Tests.Sound;

/// <summary>A lane that comes piece by piece, held against the whole one and against tones whose height is known.</summary>
public sealed class DecimatorTests
{
    [Theory]
    [InlineData(1)]
    [InlineData(2)]
    [InlineData(3)]
    [InlineData(12)]
    public void PieceByPiece_ItIsTheWholeLaneResampled(int by)
    {
        var chance = new Random(by);
        float[] lane = [.. Enumerable.Range(0, 9001).Select(_ => chance.NextSingle() - 0.5f)];
        var decimator = new Decimator(by);
        var taken = new List<float>();
        for (var at = 0; at < lane.Length;)
        {
            var frames = Math.Min(chance.Next(0, 700), lane.Length - at);
            taken.AddRange(decimator.Take(lane.AsSpan(at, frames)));
            at += frames;
        }

        taken.AddRange(decimator.End());

        var whole = by == 1 ? lane : Resampler.Convert(lane, 48000, 48000 / by);
        Assert.InRange(taken.Count - whole.Length, 0, 1);
        Assert.All(whole.Zip(taken), v => Assert.Equal(v.First, v.Second, 1e-5f));
        Assert.Equal(taken, Decimator.Whole(lane, by));
    }

    [Fact]
    public void ATone_StaysAsHighAsItIs_AndOneThatIsTooHighGoes()
    {
        double PeakOf(double hz) => Decimator.Whole([.. Enumerable.Range(0, 48000).Select(n => (float)Math.Sin(2 * Math.PI * hz * n / 48000))], 3).Skip(2000).Take(12000).Max(Math.Abs);

        Assert.Equal(1, PeakOf(1000), 0.001);
        Assert.Equal(1, PeakOf(6500), 0.02);
        Assert.InRange(PeakOf(11000), 0, 0.0001);
    }

    [Fact]
    public void ToTakeEveryNoneth_IsRefused() => Assert.Throws<ArgumentOutOfRangeException>(() => new Decimator(0));
}
