namespace HomeStage.Core.Colours;

/// <summary>How a colour looks to people who lack one kind of cone.</summary>
/// <remarks>Machado, Oliveira and Fernandes, "A Physiologically-based Model for Simulation of Color Vision Deficiency",
/// IEEE Trans. Vis. Comput. Graph. 15(6), 2009: the matrices of severity 1.0, for linear sRGB (from memory).</remarks>
public static class ColourVision
{
    private static readonly double[][] Matrices =
    [
        [0.152286, 1.052583, -0.204868, 0.114503, 0.786281, 0.099216, -0.003882, -0.048116, 1.051998],
        [0.367322, 0.860646, -0.227968, 0.280085, 0.672501, 0.047413, -0.011820, 0.042940, 0.968881],
        [1.255528, -0.076749, -0.178779, -0.078411, 0.930809, 0.147602, 0.004733, 0.691367, 0.303900],
    ];

    /// <summary>As it is, and to people without red, green and blue cones.</summary>
    public static IEnumerable<Rgb> AllWays(Rgb colour) =>
        Matrices.Select(m => new Rgb(
            m[0] * colour.Red + m[1] * colour.Green + m[2] * colour.Blue,
            m[3] * colour.Red + m[4] * colour.Green + m[5] * colour.Blue,
            m[6] * colour.Red + m[7] * colour.Green + m[8] * colour.Blue).Held()).Prepend(colour);

    /// <summary>How far apart two colours look to whom they look nearest.</summary>
    public static double LeastDistance(Rgb a, Rgb b) =>
        AllWays(a).Zip(AllWays(b)).Min(x => Oklab.Of(x.First).DistanceTo(Oklab.Of(x.Second)));
}
