namespace HomeStage.Core.Sound.Signals;

/// <summary>Changes the sample rate of one lane.</summary>
/// <remarks>A sinc under a Kaiser window (J. F. Kaiser, 1974), 32 zero crossings a side, β = 9: about −90 dB outside the
/// band. The band ends at 0.46 of the slower rate. When the rate rises by nothing the lane is given back as it is.</remarks>
public static class Resampler
{
    /// <param name="fromHz">Above 0.</param>
    /// <param name="toHz">Above 0.</param>
    /// <returns>The lane at the other rate; its length is the nearest to the same duration, at least one frame.</returns>
    public static float[] Convert(float[] lane, int fromHz, int toHz)
    {
        if (!(fromHz > 0 && toHz > 0))
            throw new ArgumentOutOfRangeException(nameof(fromHz), $"{fromHz} → {toHz}", "Sample rates must lie above 0 Hz.");
        if (fromHz == toHz)
            return lane;
        var step = (double)fromHz / toHz;
        var frames = Math.Max(1, (int)Math.Round(lane.Length / step));
        return PhaseKernels.Between(fromHz, toHz) is { } kernels ? kernels.Convert(lane, frames) : ByStep(lane, step, frames);
    }

    /// <summary>Plays a lane faster or slower, its pitch with it, so that it has another length.</summary>
    /// <param name="frames">At least 1.</param>
    public static float[] Fit(float[] lane, int frames)
    {
        ArgumentOutOfRangeException.ThrowIfLessThan(frames, 1);
        return frames == lane.Length ? lane : ByStep(lane, (double)lane.Length / frames, frames);
    }

    private static float[] ByStep(float[] lane, double step, int frames)
    {
        var kernel = new SincKernel(step);
        var converted = new float[frames];
        for (var i = 0; i < converted.Length; i++)
        {
            var place = i * step;
            var first = Math.Max(0, (int)Math.Ceiling(place - kernel.Reach));
            var last = Math.Min(lane.Length - 1, (int)Math.Floor(place + kernel.Reach));
            var sum = 0.0;
            for (var k = first; k <= last; k++)
                sum += lane[k] * kernel.At(k - place);
            converted[i] = (float)sum;
        }

        return converted;
    }
}
