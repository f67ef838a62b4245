namespace HomeStage.Core.Catalogue;

/// <summary>How loud instruments are.</summary>
public static class Calibration
{
    /// <summary>What each has at the main while it plays its phrase alone, mono and centred, with all faders at 0 dB.</summary>
    public const double NominalLufs = -18;

    /// <summary>How far below its own level a sample of one's own sounds at the hardest strike, in every instrument that plays kits: a sample at full
    /// scale peaks there, so that two struck at once stay under it.</summary>
    public const double SampleDb = -6;
}
