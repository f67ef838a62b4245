using System.Numerics;
using HomeStage.Core.Strips;

namespace HomeStage.Core.Tests.Strips;

/// <summary>The reverb's closed forms, by running what they are about: a line in time, the matrix round by round.</summary>
public class ReverbLawTests
{
    private const int Rate = 48000;
    private static readonly int[] Lengths = [.. Enumerable.Range(0, ReverbLaw.Lines).Select(line => ReverbLaw.LengthFrames(line, 1, Rate))];

    [Fact]
    public void Lengths_AreTheNextPrimesOfASpreadSeries()
    {
        // 19 ms are 912 frames, and 1.17 times that three times over 1,460; the next primes by any table.
        Assert.Equal((919, 1471), (Lengths[0], Lengths[3]));
        Assert.Equal(2, ReverbLaw.LengthFrames(0, 0.001, Rate));
    }

    [Fact]
    public void Signs_AlternateFromPairToPair() => Assert.Equal([1, 1, -1, -1, 1, 1, -1, -1], Enumerable.Range(0, ReverbLaw.Lines).Select(ReverbLaw.HeardSign));

    [Theory]
    [InlineData(200, 4000, 2.6)]
    [InlineData(1000, 4000, 2.6)]
    [InlineData(1000, 1500, 8)]
    [InlineData(5000, 9000, 0.7)]
    public void DecayAt_IsThatOfRoundsWhoseDampingIsRunOnASine(double hertz, double dampingHz, double decay)
    {
        var lost = LostByDampingDb(hertz, dampingHz) + 60 / decay * Lengths.Average() / Rate;
        var expected = 60 / lost * Lengths.Average() / Rate;

        var found = ReverbLaw.DecayAt(hertz, Lengths, decay, dampingHz, Rate);

        Assert.Equal(1, found / expected, 0.01);
        Assert.Equal(decay, ReverbLaw.DecayFor(found, hertz, Lengths, dampingHz, Rate), 1e-6);
    }

    [Fact]
    public void DecayFor_WhatDampingAloneTakesSooner_IsWithoutEnd() =>
        Assert.Equal(double.PositiveInfinity, ReverbLaw.DecayFor(60 / LostByDampingDb(8000, 1000) * Lengths.Average() / Rate * 1.1, 8000, Lengths, 1000, Rate));

    [Theory]
    [InlineData(0.3, 20000)]
    [InlineData(2.6, 3000)]
    [InlineData(10, 6000)]
    public void EvenGain_TurnsDownWhatAllRoundsAddUpTo(double decay, double dampingHz)
    {
        var together = Enumerable.Repeat(1.0, ThirdOctaveBands.OfHearing.Count).ToList();

        var power = ThirdOctaveBands.OfHearing.Average(hz => HeardPower(decay, dampingHz, hz));

        Assert.Equal(1 / Math.Sqrt(power), ReverbLaw.EvenGain(Lengths, together, decay, dampingHz, Rate), 1e-6);
    }

    [Fact]
    public void Together_LinesInStepTakeEachOtherOff_AndFarApartTheyAreAsNoise()
    {
        Assert.All(ReverbLaw.Together([.. Enumerable.Repeat(997, ReverbLaw.Lines)], Rate), share => Assert.Equal(0, share, 1e-9));
        var real = ReverbLaw.Together(Lengths, Rate);
        Assert.Equal(ThirdOctaveBands.OfHearing.Count(hz => hz < Rate / 2), real.Count);
        Assert.InRange(real.Skip(15).Average(), 0.7, 1.3);
        // At 8 kHz everything from 4 kHz on is left out.
        Assert.Equal(ThirdOctaveBands.OfHearing.Count(hz => hz < 4000), ReverbLaw.Together(Lengths, 8000).Count);
    }

    /// <summary>The one-pole of a line, run for a fifth of a second.</summary>
    private static double LostByDampingDb(double hertz, double dampingHz)
    {
        // Over the last tenth of a second, which holds whole periods.
        var (held, old, power) = (Math.Exp(-2 * Math.PI * dampingHz / Rate), 0.0, 0.0);
        for (var i = 0; i < Rate / 5; i++)
        {
            old = Math.Sin(2 * Math.PI * hertz * i / Rate) * (1 - held) + old * held;
            power += i >= Rate / 10 ? old * old : 0;
        }

        return -10 * Math.Log10(2 * power / (Rate / 10));
    }

    /// <summary>Power of 1 into every line, and round after round through the squares of I − (2/n)·11ᵀ until nothing is added. Heard is what a
    /// line gives behind its damping; of the rounds after the first, four fifths.</summary>
    private static double HeardPower(double decay, double dampingHz, double hertz)
    {
        var n = Lengths.Length;
        var held = Math.Exp(-2 * Math.PI * dampingHz / Rate);
        var dulled = Math.Pow((1 - held) / (1 - held * Complex.Exp(new(0, -2 * Math.PI * hertz / Rate))).Magnitude, 2);
        double[] kept = [.. Lengths.Select(l => Math.Pow(10, -6.0 * l / (Rate * decay)))];
        var into = Enumerable.Repeat(1.0, n).ToArray();
        var all = new double[n];
        while (into.Sum() > 1e-12)
        {
            all = [.. all.Zip(into, (a, b) => a + b)];
            var (from, round) = (into, new double[n]);
            for (var to = 0; to < n; to++)
                round[to] = Enumerable.Range(0, n).Sum(j => Math.Pow((to == j ? 1 : 0) - 2.0 / n, 2) * kept[j] * dulled * from[j]);
            into = round;
        }

        var heard = dulled * all.Average();
        return dulled + 0.8 * (heard - dulled);
    }
}
