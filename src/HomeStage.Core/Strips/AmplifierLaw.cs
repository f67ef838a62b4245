namespace HomeStage.Core.Strips;

/// <summary>The filters around the drive of the guitar amplifier.</summary>
/// <remarks>It imitates no amplifier in particular. The cabinet is what loudspeakers of that kind have in common (common
/// practice): little below 75 Hz, a resonance at 110 Hz, presence at 2.6 kHz, 24 dB an octave above 5.2 kHz.</remarks>
public static class AmplifierLaw
{
    /// <summary>How far off its centre the drive bends, so that even harmonics sound too; 1 is full scale.</summary>
    public const float OffCentre = 0.25f;

    /// <summary>Before the drive.</summary>
    public static Biquad Before(int sampleRateHz) => FilterDesign.LowCut(70, sampleRateHz);

    /// <summary>After the drive: tone, the cut that takes out the offset, and the cabinet.</summary>
    /// <param name="bassDb">Below 150 Hz.</param>
    /// <param name="middleDb">About 550 Hz.</param>
    /// <param name="trebleDb">Above 2.2 kHz.</param>
    public static IEnumerable<Biquad> After(double bassDb, double middleDb, double trebleDb, bool cabinet, int sampleRateHz)
    {
        yield return FilterDesign.LowShelf(150, bassDb, sampleRateHz);
        yield return FilterDesign.Bell(550, middleDb, 0.7, sampleRateHz);
        yield return FilterDesign.HighShelf(2200, trebleDb, sampleRateHz);
        yield return FilterDesign.LowCut(75, sampleRateHz);
        if (!cabinet)
            yield break;
        yield return FilterDesign.Bell(110, 3, 1.4, sampleRateHz);
        yield return FilterDesign.Bell(2600, 4, 1.2, sampleRateHz);
        yield return FilterDesign.HighCut(5200, sampleRateHz, 1 / (2 * Math.Cos(Math.PI / 8)));
        yield return FilterDesign.HighCut(5200, sampleRateHz, 1 / (2 * Math.Cos(3 * Math.PI / 8)));
    }
}
