namespace HomeStage.Core.Colours;

/// <summary>The hue that a family's bus begins with, so that the same is found in the same colour in every template.</summary>
public static class FamilyHues
{
    private static readonly Dictionary<string, double> Degrees = new(StringComparer.Ordinal)
    {
        ["drums"] = 38,
        ["percussion"] = 20,
        ["bass"] = 5,
        ["guitars"] = 112,
        ["instruments"] = 145,
        ["voices"] = 305,
        ["effects"] = 275,
        ["returns"] = 235,
    };

    /// <returns>In [0, 360), none of the lamp's; null for a family that has none.</returns>
    public static double? Of(string family) => Degrees.TryGetValue(family, out var hue) ? hue : null;

    /// <param name="taken">Hues of the buses beside it.</param>
    /// <returns>For a bus of no known family the one of the swatches that lies furthest from those that are taken, the first of several.</returns>
    public static double Another(IReadOnlyCollection<double> taken) => Palette.Swatches()
        .MaxBy(s => taken.Count == 0 ? 0 : taken.Min(t => Math.Min(Math.Abs(t - s.Degrees), 360 - Math.Abs(t - s.Degrees))))!.Degrees;
}
