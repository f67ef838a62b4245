namespace HomeStage.Core.Colours;

/// <summary>What a theme asks of a family's colour.</summary>
/// <param name="Surfaces">The surfaces that it stands on.</param>
/// <param name="Lightness">Where the first family of a hue stands.</param>
/// <param name="Steps">How the lightness may be moved to part neighbours, in the order of trying.</param>
internal sealed record ThemeInk(Rgb[] Surfaces, double Lightness, double Chroma, double[] Steps)
{
    /// <summary>WCAG 2.2, success criterion 1.4.3: what text asks for; marks would do with 3.</summary>
    public const double LeastContrast = 4.5;

    public static readonly ThemeInk Night = new(
        [Rgb.Parse("#101714"), Rgb.Parse("#161f1b"), Rgb.Parse("#1d2823"), Rgb.Parse("#26261a")], 0.72, 0.085, [0, 0.07, -0.07, 0.13, -0.05, 0.17]);

    public static readonly ThemeInk Day = new(
        [Rgb.Parse("#f3ecdc"), Rgb.Parse("#faf5e9"), Rgb.Parse("#fffaf0"), Rgb.Parse("#f4e2bf")], 0.47, 0.085, [0, -0.07, 0.05, -0.13, -0.17, -0.2]);

    public bool Holds(Rgb colour) => Surfaces.All(s => s.ContrastWith(colour) >= LeastContrast);
}
