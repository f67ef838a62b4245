namespace HomeStage.Core.Catalogue;

/// <summary>How loud instruments are.</summary>
public static class Calibration
{
    /// <summary>What each has at the main while it plays its phrase alone, mono and centred, with all faders at 0 dB.</summary>
    public const double NominalLufs = -18;
}
