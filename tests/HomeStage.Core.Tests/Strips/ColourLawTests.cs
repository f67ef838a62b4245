using HomeStage.Core.Strips;

namespace HomeStage.Core.Tests.Strips;

/// <summary>What drive, amplifier, chorus and reverb are built on, by closed forms.</summary>
public class ColourLawTests
{
    private const int Rate = 48000;

    [Theory]
    [InlineData(0, 0)]
    [InlineData(0.5, 109 / 234.0)]
    [InlineData(-1, -28 / 36.0)]
    [InlineData(2, 62 / 63.0)]
    [InlineData(3, 1)]
    [InlineData(40, 1)]
    [InlineData(-40, -1)]
    public void Curve_IsThePadeApproximantOfTanh_HeldFromThreeOn(double x, double y)
    {
        // x·(27 + x²) / (27 + 9·x²), by hand: at 2, 2 · 31 / 63.
        Assert.Equal(y, SaturatorLaw.Curve((float)x), 1e-6);
        Assert.InRange(Math.Abs(y - Math.Tanh(x)), 0, 0.025);
    }

    [Theory]
    [InlineData(0, 0, 0)]
    [InlineData(24000, 0, 1)]
    [InlineData(24000, 1, 1.25)]
    public void Turns_OfTheSecondSide_AreAQuarterAhead(long frame, int lane, double turns)
    {
        Assert.Equal(turns, ChorusLaw.Turns(frame, lane, 2, Rate), 1e-12);
    }

    [Theory]
    [InlineData(0, 1, 911)] // 19 ms are 912 frames; 911 is prime, but below
    [InlineData(0, 2, 1823)]
    public void LengthFrames_OfTheShortestLine_IsTheFirstPrimeFromNineteenMillisecondsOn(int line, double size, int below)
    {
        var length = ReverbLaw.LengthFrames(line, size, Rate);

        Assert.InRange(length, 19 * size * Rate / 1000, 19 * size * Rate / 1000 + 30);
        Assert.NotEqual(below, length);
        Assert.DoesNotContain(Enumerable.Range((int)(19 * size * Rate / 1000), length - (int)(19 * size * Rate / 1000)), n => Enumerable.Range(2, 60).All(d => n % d != 0));
    }

    [Theory]
    [InlineData(10, 0, 0, 20, 150)]
    [InlineData(0, 10, 0, 550, 550)]
    [InlineData(0, 0, 10, 18000, 2200)]
    public void ToneControls_TurnWhatTheyAreNamedFor_AndHalfOfItAtTheirCorner(double bassDb, double middleDb, double trebleDb, double hz, double cornerHz)
    {
        double Turned(double at) => GainDb(AmplifierLaw.After(bassDb, middleDb, trebleDb, cabinet: false, Rate), at) - GainDb(AmplifierLaw.After(0, 0, 0, cabinet: false, Rate), at);

        Assert.Equal(10, Turned(hz), 0.3);
        // A shelf is half way, in dB, at its corner (Audio EQ Cookbook); a bell is all the way.
        Assert.Equal(middleDb > 0 ? 10 : 5, Turned(cornerHz), 0.3);
    }

    [Fact]
    public void TheCabinet_HasItsResonanceItsPresence_AndNothingMuchAboveFiveKilohertz()
    {
        double Cabinet(double hz) => GainDb(AmplifierLaw.After(0, 0, 0, cabinet: true, Rate), hz) - GainDb(AmplifierLaw.After(0, 0, 0, cabinet: false, Rate), hz);

        Assert.Equal(3, Cabinet(110), 0.2);
        Assert.Equal(4, Cabinet(2600), 0.2);
        // A fourth-order Butterworth: 3 dB down at its corner (and what the presence still adds there), 24 dB an octave above.
        Assert.Equal(-3.01 + Presence(5200), Cabinet(5200), 0.05);
        Assert.InRange(Cabinet(10400) - Presence(10400), -34, -24);
        Assert.Equal(0, Cabinet(500), 0.6);
    }

    private static double Presence(double hz) => FilterDesign.Bell(2600, 4, 1.2, Rate).GainDb(hz, Rate) + FilterDesign.Bell(110, 3, 1.4, Rate).GainDb(hz, Rate);

    private static double GainDb(IEnumerable<Biquad> chain, double hz) => chain.Sum(b => b.GainDb(hz, Rate));
}
