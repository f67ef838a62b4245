using HomeStage.Core.Automation;
using HomeStage.Core.Strips;

namespace HomeStage.Core.Tests.Strips;

/// <summary>Figures that the laws promise in words, by tables and analogue formulas.</summary>
public class FiguresOfLawsTests
{
    private const int Rate = 48000;

    [Theory]
    [InlineData(0, 0)]
    // 20·log 0.5 = −6.02 dB a round: the tenth is under −60.
    [InlineData(0.5, 10)]
    [InlineData(0.1, 3)]
    [InlineData(0.9, 66)]
    public void Repeats_UntilTheyAreSixtyDecibelsDown(double feedback, int repeats) => Assert.Equal(repeats, DelayLaw.RepeatsToSilence(feedback));

    [Theory]
    [InlineData(10, 48000)]
    [InlineData(0.1, 96000)]
    public void AfterItsTimeConstant_AnEthIsLeft(double ms, double rate) => Assert.Equal(Math.Exp(-1), Math.Pow(CompressorLaw.Smoothing(ms, rate), ms / 1000 * rate), 1e-9);

    [Theory]
    [InlineData(2, 0.5)]
    [InlineData(4, 1)]
    [InlineData(12, 1)]
    public void NearRest_IsAQuarterOfTheDepth_AtMostOneDecibel(double depthDb, double restDb) => Assert.Equal(restDb, DuckerLaw.NearRestDb(depthDb));

    [Fact]
    public void ADrawnCurve_StaysWhereItEnds()
    {
        Sequence<ShapePoint> curve = [new(0, 1), new(0.5, 0.5), new(1, 0.25)];

        Assert.Equal([12, 9, 6, 3, 3], new[] { 0, 0.25, 0.5, 1, 7.5 }.Select(passed => DuckerLaw.ReductionDb(curve, passed, 12)));
    }

    /// <summary>Half a cosine: a third of the time a quarter of the way, half of it half, two thirds three quarters.</summary>
    [Theory]
    [InlineData(0, 2)]
    [InlineData(1.0 / 3, 4)]
    [InlineData(0.5, 6)]
    [InlineData(2.0 / 3, 8)]
    [InlineData(1, 10)]
    public void TheGlideToAHit_IsHalfACosine(double share, double expectedDb) => Assert.Equal(expectedDb, DuckerLaw.GlidingDb(nowDb: 2, startDb: 10, share), 1e-9);

    [Fact]
    public void ThirdOctaves_AreThoseOfTheStandard()
    {
        // IEC 61260-1, nominal mid-band frequencies.
        double[] nominal = [20, 25, 31.5, 40, 50, 63, 80, 100, 125, 160, 200, 250, 315, 400, 500, 630, 800, 1000, 1250, 1600, 2000, 2500, 3150, 4000, 5000, 6300, 8000, 10000, 12500, 16000, 20000];

        Assert.Equal(nominal.Length, ThirdOctaveBands.OfHearing.Count);
        Assert.All(nominal.Zip(ThirdOctaveBands.OfHearing), x => Assert.InRange(x.Second / x.First, 0.985, 1.015));
    }

    [Fact]
    public void ASectionThatDoesNothing_HasItsZerosOnItsPoles()
    {
        Assert.True(Biquad.Unity.DoesNothing);
        Assert.True(FilterDesign.Bell(900, 0, 2, Rate).DoesNothing);
        Assert.All(new Biquad[] { new(0.9, -0.5, 0.2, -0.5, 0.2), new(1, -0.4, 0.2, -0.5, 0.2), new(1, -0.5, 0.3, -0.5, 0.2) }, section => Assert.False(section.DoesNothing));
    }

    [Theory]
    // The resonance at its centre, and an octave above by |H|² of the analogue bell with Q = 1.4: 0.56 dB.
    [InlineData(110, 3.0, 0.05)]
    [InlineData(220, 0.56, 0.05)]
    // Presence at its centre, where the four poles above take 0.02 dB.
    [InlineData(2600, 3.98, 0.1)]
    // A fourth-order Butterworth corner is 3.01 dB down; the presence adds 0.96 dB an octave above its centre.
    [InlineData(5200, -2.05, 0.2)]
    public void Cabinet_HasTheFiguresThatItIsDescribedWith(double hertz, double db, double tolerance) => Assert.Equal(db, Tone(hertz, cabinet: true) - Tone(hertz, cabinet: false), tolerance);

    [Fact]
    public void WithoutItsCabinet_AnAmplifierCutsBelowSeventyFive()
    {
        Assert.Equal(-3.01, Tone(75, cabinet: false), 0.02);
        Assert.Equal(-3.01, AmplifierLaw.Before(Rate).GainDb(70, Rate), 0.02);
        // Two poles: an octave below, 10·log(1 + 2⁴).
        Assert.Equal(-12.3, Tone(37.5, cabinet: false), 0.05);
    }

    private static double Tone(double hertz, bool cabinet) => AmplifierLaw.After(0, 0, 0, cabinet, Rate).Sum(section => section.GainDb(hertz, Rate));
}
