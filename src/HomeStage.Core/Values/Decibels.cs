using System.Globalization;

namespace HomeStage.Core.Values;

/// <summary>A level relative to unity. The default is 0 dB; silence is −∞, a value of its own.</summary>
/// <remarks>20·log10 of an amplitude ratio.</remarks>
public readonly record struct Decibels : IComparable<Decibels>
{
    /// <summary>The top of every fader, send and feed.</summary>
    public static readonly Decibels FaderTop = new(6);

    public static readonly Decibels Silence = new(double.NegativeInfinity);

    /// <param name="value">dB, in [−∞, +∞).</param>
    /// <exception cref="ArgumentOutOfRangeException">NaN or +∞.</exception>
    public Decibels(double value)
    {
        if (!(value < double.PositiveInfinity))
            throw new ArgumentOutOfRangeException(nameof(value), value, "A level is a number of dB or −∞.");
        Value = value;
    }

    /// <summary>dB, in [−∞, +∞).</summary>
    public double Value { get; }

    public bool IsSilence => double.IsNegativeInfinity(Value);

    /// <summary>The amplitude ratio; 0 for silence.</summary>
    public double Linear => IsSilence ? 0 : Math.Pow(10, Value / 20);

    public static bool operator >(Decibels a, Decibels b) => a.Value > b.Value;

    public static bool operator <(Decibels a, Decibels b) => a.Value < b.Value;

    public static bool operator >=(Decibels a, Decibels b) => a.Value >= b.Value;

    public static bool operator <=(Decibels a, Decibels b) => a.Value <= b.Value;

    public int CompareTo(Decibels other) => Value.CompareTo(other.Value);

    public override string ToString() => IsSilence ? "−∞ dB" : Value.ToString("0.0", CultureInfo.InvariantCulture).Replace('-', '−') + " dB";
}
