namespace HomeStage.Core.Colours;

/// <summary>A colour as people see it: lightness, colourfulness, hue.</summary>
/// <param name="Lightness">In [0, 1].</param>
/// <param name="Chroma">At least 0; about 0.37 is the most that a screen shows.</param>
/// <param name="HueDegrees">In [0, 360).</param>
/// <remarks>CSS Color Module Level 4, section 9 and its sample conversions (B. Ottosson's OKLab).</remarks>
public readonly record struct Oklch(double Lightness, double Chroma, double HueDegrees)
{
    /// <returns>The nearest colour of the same lightness and hue that an sRGB screen can show.</returns>
    public Rgb ToRgb()
    {
        // Chroma is given up until the colour fits; 20 halvings leave less than a millionth of it open.
        if (Linear(Chroma) is { IsShowable: true } whole)
            return whole;
        var (fits, over) = (0.0, Chroma);
        for (var i = 0; i < 20; i++)
        {
            var middle = (fits + over) / 2;
            (fits, over) = Linear(middle).IsShowable ? (middle, over) : (fits, middle);
        }

        return Linear(fits).Held();
    }

    private Rgb Linear(double chroma)
    {
        var hueRad = HueDegrees * Math.PI / 180;
        return new Oklab(Lightness, chroma * Math.Cos(hueRad), chroma * Math.Sin(hueRad)).ToRgb();
    }
}
