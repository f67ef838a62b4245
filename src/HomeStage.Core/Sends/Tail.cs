using HomeStage.Core.Sound.Processors;
using HomeStage.Core.Sound.Signals;
using HomeStage.Core.Strips;

namespace HomeStage.Core.Sends;

/// <summary>How a sound dies away, by Schroeder's integrated impulse response (J. Acoust. Soc. Am. 37, 1965).</summary>
public static class Tail
{
    private const double MidHz = 1000;
    private const double SilenceDb = -60;

    // ISO 3382 reads the slope between these and doubles it (from memory).
    private const double FromDb = -5;
    private const double ToDb = -35;

    /// <summary>The octave around 1 kHz.</summary>
    public static float[] MidBand(ReadOnlySpan<float> lane, int sampleRateHz)
    {
        var band = lane.ToArray();
        var (low, high) = (FilterDesign.LowCut(MidHz / Math.Sqrt(2), sampleRateHz), FilterDesign.HighCut(MidHz * Math.Sqrt(2), sampleRateHz));
        new FilterCascade([low, low, high, high]).Process(band);
        return band;
    }

    /// <summary>The decay that a reverb has in the mid band, run alone and wet.</summary>
    /// <returns>Seconds.</returns>
    public static double MidDecaySeconds(Map<double> settings, int sampleRateHz)
    {
        var asked = Catalogue.ProcessorCatalogue.Find(Catalogue.ProcessorCatalogue.Reverb)!.Value(settings, "decay-s");
        var reverb = new ReverbProcessor(settings.With("wet-percent", 100).With("pre-delay-quarters", 0), 1, sampleRateHz, 120);
        var frames = (int)((0.75 * asked + 0.25) * sampleRateHz);
        var block = new SignalBlock(1, frames);
        block.Lane(0, 1)[0] = 1;
        reverb.Process(block, null, frames);
        var band = MidBand(block.Lane(0, frames), sampleRateHz);
        var left = Left(band, []);
        return 2.0 * (At(left, ToDb) - At(left, FromDb)) / sampleRateHz;
    }

    /// <summary>When the energy that is still to come is 60 dB below the whole; where the sound ends before, by the slope that it has.</summary>
    /// <param name="right">As long as <paramref name="left"/>, or empty.</param>
    /// <returns>Seconds from the first frame; null for silence.</returns>
    public static double? SecondsToSilence(float[] left, float[] right, int sampleRateHz)
    {
        var energy = Left(left, right);
        if (!(energy[0] > 0))
            return null;
        var end = At(energy, SilenceDb);
        // What is cut off at the end makes the last of it fall too fast.
        return end < 0.95 * left.Length ? (double)end / sampleRateHz : (At(energy, FromDb) + (SilenceDb - FromDb) / (ToDb - FromDb) * (At(energy, ToDb) - At(energy, FromDb))) / sampleRateHz;
    }

    /// <returns>At each frame, the energy that is still to come.</returns>
    private static double[] Left(float[] left, float[] right)
    {
        var energy = new double[left.Length + 1];
        for (var i = left.Length - 1; i >= 0; i--)
            energy[i] = energy[i + 1] + (double)left[i] * left[i] + (right.Length > 0 ? (double)right[i] * right[i] : 0);
        return energy;
    }

    /// <returns>The first frame with so much less to come than at the start.</returns>
    private static int At(double[] energy, double db)
    {
        var level = energy[0] * Math.Pow(10, db / 10);
        return Array.FindIndex(energy, e => e <= level);
    }
}
