namespace HomeStage.Core.Outside;

/// <summary>How much of a return is the sound itself, beside its effect.</summary>
internal static class DryShare
{
    private const double NearSeconds = 0.002;

    /// <summary>Of the sound that a return gives, what is the sent sound as it was sent: the share of energy that a least-squares fit of it explains.</summary>
    /// <param name="sent">One stretch of the channel that sends, longer at either end than the other by <see cref="NearSeconds"/> or more.</param>
    /// <param name="returned">The same stretch of the return.</param>
    /// <returns>In [0, 1].</returns>
    public static double Of(IReadOnlyList<float[]> sent, IReadOnlyList<float[]> returned, int rateHz)
    {
        var near = (int)Math.Ceiling(NearSeconds * rateHz);
        var (a, b) = (Mid(sent), Mid(returned));
        double energyOfSent = a.Sum(v => (double)v * v), energy = b.Sum(v => (double)v * v);
        if (energyOfSent <= 1e-12 || energy <= 1e-12)
            return 0;
        var highest = CrossCorrelation.Of(a, b, -near, near).Max(Math.Abs);
        return Math.Min(1, highest * highest / (energyOfSent * energy));
    }

    private static float[] Mid(IReadOnlyList<float[]> lanes) => lanes.Count == 1 ? lanes[0] : [.. lanes[0].Zip(lanes[1], (l, r) => (l + r) / 2)];
}
