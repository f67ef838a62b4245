using HomeStage.Core.Ducking;

namespace HomeStage.Core.Tests.Ducking;

/// <summary>Where a recorded key strikes, against strokes that were put there.</summary>
public class OnsetsTests
{
    private const int Rate = 48000;

    [Theory]
    [InlineData(40, 1)]
    [InlineData(100, 2)]
    [InlineData(900, 3)]
    public void StrokesThatRing_AreFoundWhereTheyWerePut_AndNothingElse(double toneHz, int seed)
    {
        var random = new Random(seed);
        var put = new List<int>();
        for (var at = 700 + random.Next(2000); at < 4 * Rate; at += 9600 + random.Next(14000))
            put.Add(at);
        var sound = new float[4 * Rate + Rate];
        foreach (var at in put)
        {
            var level = 0.25 + 0.5 * random.NextDouble();
            for (var i = 0; at + i < sound.Length; i++)
                sound[at + i] += (float)(level * Math.Exp(-i / (0.045 * Rate)) * Math.Sin(2 * Math.PI * toneHz * i / Rate));
        }

        for (var i = 0; i < sound.Length; i++)
            sound[i] += (float)(0.0015 * (2 * random.NextDouble() - 1));

        var found = Onsets.Of(sound, sound, Rate);

        Assert.Equal(put.Count, found.Count);
        Assert.All(put.Zip(found), x => Assert.InRange(x.Second - x.First, 0, 0.1 / toneHz * Rate + 24));
    }

    [Fact]
    public void ASteadyTone_SetsInOnce_AndSilenceNever()
    {
        var tone = new float[2 * Rate];
        for (var i = 5000; i < tone.Length; i++)
            tone[i] = (float)(0.3 * Math.Sin(2 * Math.PI * 30 * i / Rate));

        Assert.InRange(Assert.Single(Onsets.Of(new float[tone.Length], tone, Rate)), 5000, 5000 + Rate / 500);
        Assert.Empty(Onsets.Of(new float[Rate], new float[Rate], Rate));
        Assert.Empty(Onsets.Of([], [], Rate));
    }

    [Fact]
    public void WhatIsFarBelowTheLoudest_DoesNotCount()
    {
        var sound = new float[Rate];
        sound[10000] = 0.5f;
        sound[30000] = 0.02f;
        sound[40000] = 0.1f;

        Assert.Equal([10000, 40000], Onsets.Of(sound, sound, Rate));
    }
}
