namespace HomeStage.Core.Values;

/// <summary>How loud a mono channel is in each side as it moves across, by its level at the centre.</summary>
public enum PanLaw
{
    /// <summary>Sine/cosine, −3.01 dB at the centre: constant power.</summary>
    ConstantPower,

    /// <summary>Linear, −6.02 dB at the centre.</summary>
    Linear,

    /// <summary>The geometric mean of the two, −4.5 dB at the centre.</summary>
    Compromise,

    /// <summary>Sine/cosine raised to 0 dB at the centre.</summary>
    ConstantPowerCentreUnity,

    /// <summary>Linear raised to 0 dB at the centre.</summary>
    LinearCentreUnity,

    /// <summary>The geometric mean raised to 0 dB at the centre.</summary>
    CompromiseCentreUnity,
}
