namespace HomeStage.Core.Automation;

/// <summary>How a value goes from one to another: as it is heard.</summary>
public enum Scale
{
    /// <summary>In a straight line.</summary>
    Linear,

    /// <summary>By equal ratios: half of the way between 100 and 1,600 Hz is 400 Hz.</summary>
    Octaves,

    /// <summary>In decibels, from <see cref="Scales.FloorDb"/> where one end is silence.</summary>
    Level,
}

/// <summary>Values between two others.</summary>
public static class Scales
{
    /// <summary>Where a level begins to be heard on its way out of silence, in dB.</summary>
    public const double FloorDb = -60;

    /// <summary>What a curve of levels holds for silence, in dB.</summary>
    public const double SilenceDb = -200;

    /// <param name="share">In [0, 1]: at 0 it is <paramref name="from"/>, at 1 <paramref name="to"/>.</param>
    public static double Between(this Scale scale, double from, double to, double share)
    {
        if (share <= 0 || from == to)
            return from;
        if (share >= 1)
            return to;
        return scale switch
        {
            Scale.Octaves when from > 0 && to > 0 => from * Math.Pow(to / from, share),
            Scale.Level => Line(Heard(from), Heard(to), share),
            _ => Line(from, to, share),
        };
    }

    private static double Line(double from, double to, double share) => from + (to - from) * share;

    private static double Heard(double db) => db <= SilenceDb ? FloorDb : db;
}
