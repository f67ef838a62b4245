using System.Numerics;

namespace HomeStage.Core.Strips;

/// <summary>Lengths and losses of the reverb's lines.</summary>
/// <remarks>J.-M. Jot and A. Chaigne, "Digital delay networks for designing artificial reverberators", AES 90th Convention,
/// 1991: a line of m frames keeps 10^(−3·m / (fs·RT60)) of what goes round, so that every line falls by 60 dB in the decay
/// time. Lengths are spread by a constant ratio and made prime, so that no two share a period.
/// A longer decay keeps more of what came before, and would be louder; what is heard is turned down by what all rounds add up to.</remarks>
public static class ReverbLaw
{
    public const int Lines = 8;

    private const double ShortestMs = 19;
    private const double Spread = 1.17;

    private const int WithinABand = 10;

    // What comes round is a little weaker than noise beside noise, since the signs of what is heard stand at right angles to
    // those of what is fed: measured on impulse responses over sizes, dampings and decays.
    private const double RoundsShare = 0.8;

    // Pink noise has the same power in each.
    private static readonly IReadOnlyList<double> BandsHz = ThirdOctaveBands.OfHearing;

    /// <summary>Signs that alternate from pair to pair keep the two sides apart.</summary>
    public static int HeardSign(int line) => (line & 2) == 0 ? 1 : -1;

    /// <param name="line">From 0, the shortest.</param>
    /// <param name="size">Against the usual lengths, above 0.</param>
    /// <returns>Frames, prime.</returns>
    public static int LengthFrames(int line, double size, int sampleRateHz) => Prime((int)(ShortestMs * size * Math.Pow(Spread, line) * sampleRateHz / 1000));

    /// <param name="decaySeconds">RT60, above 0.</param>
    /// <returns>The share that is left after one round, in (0, 1).</returns>
    public static double Kept(int lengthFrames, double decaySeconds, int sampleRateHz) => Math.Pow(10, -3 * lengthFrames / (sampleRateHz * decaySeconds));

    /// <summary>The one-pole in each line, which lets the highs fall sooner.</summary>
    /// <param name="dampingHz">Its corner, above 0.</param>
    /// <returns>The share of the old value that one frame keeps, in (0, 1).</returns>
    public static double Dulled(double dampingHz, int sampleRateHz) => Math.Exp(-2 * Math.PI * dampingHz / sampleRateHz);

    /// <summary>What brings steady pink noise out about as loud as it came in, whatever the decay.</summary>
    /// <param name="lengthsFrames">Of the lines.</param>
    /// <param name="together">By <see cref="Together"/> of the same lines.</param>
    /// <returns>A factor for the halved sum of a side's lines.</returns>
    /// <remarks>The rounds of a line are as noise to each other, so that powers add. The squares of the Householder
    /// matrix I − (2/n)·11ᵀ are (1 − 4/n)·I + (4/n²)·11ᵀ, which gives the power in every line in closed form.</remarks>
    public static double EvenGain(IReadOnlyList<int> lengthsFrames, IReadOnlyList<double> together, double decaySeconds, double dampingHz, int sampleRateHz)
    {
        var kept = lengthsFrames.Select(l => Math.Pow(Kept(l, decaySeconds, sampleRateHz), 2)).ToArray();
        var power = together.Select((t, band) => t * Power(kept, Math.Pow(DullGain(BandsHz[band], dampingHz, sampleRateHz), 2))).Average();
        return 1 / Math.Sqrt(power);
    }

    /// <summary>How much of the lines of a side is heard once they are summed: 1 where they are as noise to each other, less in the lows, where they are
    /// nearly in step and their signs take them off each other.</summary>
    /// <returns>A share of power for each third octave from 20 Hz to the highest below half the rate.</returns>
    public static IReadOnlyList<double> Together(IReadOnlyList<int> lengthsFrames, int sampleRateHz) =>
        [.. BandsHz.Where(hz => hz < sampleRateHz / 2.0).Select(hz => Enumerable.Range(0, WithinABand).Average(k => TogetherAt(hz * Math.Pow(10, ((k + 0.5) / WithinABand - 0.5) / 10), lengthsFrames, sampleRateHz)))];

    /// <summary>How long a frequency takes to fall by 60 dB, damping included.</summary>
    /// <returns>Seconds, at most the decay.</returns>
    public static double DecayAt(double hz, IReadOnlyList<int> lengthsFrames, double decaySeconds, double dampingHz, int sampleRateHz) =>
        1 / (1 / decaySeconds + DullRate(hz, lengthsFrames, dampingHz, sampleRateHz));

    /// <summary>The other way round.</summary>
    /// <param name="seconds">How long the frequency shall take.</param>
    /// <returns>The decay in seconds; infinite where damping alone is quicker.</returns>
    public static double DecayFor(double seconds, double hz, IReadOnlyList<int> lengthsFrames, double dampingHz, int sampleRateHz) =>
        1 / seconds - DullRate(hz, lengthsFrames, dampingHz, sampleRateHz) is var rate and > 0 ? 1 / rate : double.PositiveInfinity;

    /// <returns>How often a second damping alone takes 60 dB off a frequency: so much each round, and so many rounds.</returns>
    private static double DullRate(double hz, IReadOnlyList<int> lengthsFrames, double dampingHz, int sampleRateHz) =>
        -20 * Math.Log10(DullGain(hz, dampingHz, sampleRateHz)) / 60 * lengthsFrames.Count * sampleRateHz / lengthsFrames.Sum();

    private static double TogetherAt(double hz, IReadOnlyList<int> lengthsFrames, int sampleRateHz) =>
        Enumerable.Range(0, 2).Average(side => Math.Pow(Enumerable.Range(0, lengthsFrames.Count / 2).Select(i => side + 2 * i)
            .Aggregate(Complex.Zero, (sum, line) => sum + HeardSign(line) * Complex.Exp(new(0, -2 * Math.PI * hz * lengthsFrames[line] / sampleRateHz))).Magnitude, 2)) / (lengthsFrames.Count / 2.0);

    /// <returns>Amplitude that the one-pole lets through.</returns>
    private static double DullGain(double hz, double dampingHz, int sampleRateHz)
    {
        var (held, turn) = (Dulled(dampingHz, sampleRateHz), 2 * Math.PI * hz / sampleRateHz);
        return (1 - held) / Math.Sqrt(1 - 2 * held * Math.Cos(turn) + held * held);
    }

    /// <summary>Power that is heard of one side, halved in amplitude, where each line is fed with a power of 1.</summary>
    private static double Power(double[] kept, double dulled)
    {
        var n = kept.Length;
        var stays = 1 - 4.0 / n;
        var all = kept.Sum(k => k * dulled / (1 - stays * k * dulled));
        // What all lines bring round to all of them.
        var shared = all / (1 - 4.0 / (n * n) * all);
        var heard = dulled * kept.Sum(k => (1 + 4.0 / (n * n) * shared) / (1 - stays * k * dulled)) / n;
        return dulled + RoundsShare * (heard - dulled);
    }

    /// <returns>The smallest prime that is not below.</returns>
    private static int Prime(int from)
    {
        var candidate = Math.Max(2, from);
        while (Enumerable.Range(2, (int)Math.Sqrt(candidate) - 1).Any(d => candidate % d == 0))
            candidate++;
        return candidate;
    }
}
