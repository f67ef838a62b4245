namespace HomeStage.Core.Strips;

/// <summary>How much of a channel each side hears.</summary>
/// <remarks>θ = (p + 1)·π/4 and its linear and mean relatives; closed forms.</remarks>
public readonly record struct PanGains(double Left, double Right)
{
    /// <summary>A mono channel into two sides.</summary>
    /// <param name="pan">In [−1, 1].</param>
    public static PanGains Mono(double pan, PanLaw law)
    {
        var angle = (pan + 1) * Math.PI / 4;
        var power = new PanGains(Math.Cos(angle), Math.Sin(angle));
        var linear = new PanGains((1 - pan) / 2, (1 + pan) / 2);
        var mean = new PanGains(Math.Sqrt(power.Left * linear.Left), Math.Sqrt(power.Right * linear.Right));
        return law switch
        {
            PanLaw.ConstantPower => power,
            PanLaw.Linear => linear,
            PanLaw.Compromise => mean,
            PanLaw.ConstantPowerCentreUnity => power.RaisedBy(Math.Sqrt(2)),
            PanLaw.LinearCentreUnity => linear.RaisedBy(2),
            PanLaw.CompromiseCentreUnity => mean.RaisedBy(Math.Pow(2, 0.75)),
            _ => throw new ArgumentOutOfRangeException(nameof(law), law, "Not a pan law."),
        };
    }

    /// <summary>The balance of a stereo channel: the louder side stays, the other falls by the law at 0 dB centre.</summary>
    /// <param name="pan">In [−1, 1].</param>
    public static PanGains Balance(double pan, PanLaw law)
    {
        var centred = Mono(0, law).Left;
        var gains = Mono(pan, law).RaisedBy(1 / centred);
        return new(Math.Min(1, gains.Left), Math.Min(1, gains.Right));
    }

    private PanGains RaisedBy(double factor) => new(Left * factor, Right * factor);
}
