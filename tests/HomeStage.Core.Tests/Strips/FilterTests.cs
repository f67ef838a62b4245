using System.Numerics;
using HomeStage.Core.Catalogue;
using HomeStage.Core.Sound.Processors;
using HomeStage.Core.Sound.Signals;
using HomeStage.Core.Strips;
using MathNet.Numerics.IntegralTransforms;
using NWaves.Filters.BiQuad;

namespace HomeStage.Core.Tests.Strips;

/// <summary>Sections against the closed forms of the Audio EQ Cookbook (W3C Note), against NWaves, and as measured.</summary>
public class FilterTests
{
    private const int Rate = 48000;

    [Theory]
    [InlineData(100, 6, 1)]
    [InlineData(1000, -12, 0.7)]
    [InlineData(9000, 3, 4)]
    public void Bell_HasItsGainAtItsCentre_AndNoneAtTheEnds(double hz, double gainDb, double q)
    {
        var bell = FilterDesign.Bell(hz, gainDb, q, Rate);

        Assert.Equal(gainDb, bell.GainDb(hz, Rate), 6);
        Assert.Equal(0, bell.GainDb(0, Rate), 6);
        Assert.Equal(0, bell.GainDb(Rate / 2.0, Rate), 6);
    }

    [Theory]
    [InlineData(40)]
    [InlineData(1000)]
    [InlineData(12000)]
    public void Cuts_AreDownByHalfThePowerAtTheirCorner(double hz)
    {
        var half = 10 * Math.Log10(0.5);

        Assert.Equal(half, FilterDesign.LowCut(hz, Rate).GainDb(hz, Rate), 6);
        Assert.Equal(half, FilterDesign.HighCut(hz, Rate).GainDb(hz, Rate), 6);
        Assert.Equal(0, FilterDesign.HighCut(hz, Rate).GainDb(0, Rate), 6);
        Assert.Equal(0, FilterDesign.LowCut(hz, Rate).GainDb(Rate / 2.0, Rate), 6);
    }

    [Fact]
    public void LowCut_FallsBy12DbAnOctave_FarBelowItsCorner()
    {
        var cut = FilterDesign.LowCut(1000, Rate);

        // Within a tenth of a dB: two octaves and more below, the slope is all but straight.
        Assert.Equal(12.04, cut.GainDb(100, Rate) - cut.GainDb(50, Rate), 0.1);
    }

    [Theory]
    [InlineData(6)]
    [InlineData(-9)]
    public void Shelves_HaveHalfTheirDbAtTheCorner_AndAllOfThemAtTheirEnd(double gainDb)
    {
        Assert.Equal(gainDb / 2, FilterDesign.LowShelf(500, gainDb, Rate).GainDb(500, Rate), 6);
        Assert.Equal(gainDb, FilterDesign.LowShelf(500, gainDb, Rate).GainDb(0, Rate), 6);
        Assert.Equal(gainDb / 2, FilterDesign.HighShelf(500, gainDb, Rate).GainDb(500, Rate), 6);
        Assert.Equal(gainDb, FilterDesign.HighShelf(500, gainDb, Rate).GainDb(Rate / 2.0, Rate), 6);
    }

    [Fact]
    public void Sections_HaveTheCoefficientsOfNWaves()
    {
        const double F = 700.0 / Rate;
        Same(new LowPassFilter(F), FilterDesign.HighCut(700, Rate, 1));
        Same(new HighPassFilter(F), FilterDesign.LowCut(700, Rate, 1));
        Same(new PeakFilter(F, 2, 5), FilterDesign.Bell(700, 5, 2, Rate));
        // What NWaves calls Q of a shelf is the cookbook's slope.
        Same(new LowShelfFilter(F, 1, 5), FilterDesign.LowShelf(700, 5, Rate));
        Same(new HighShelfFilter(F, 1, 5), FilterDesign.HighShelf(700, 5, Rate));

        static void Same(BiQuadFilter theirs, Biquad ours)
        {
            // NWaves keeps its coefficients in single precision.
            const double Single = 1e-5;
            var (b, a) = (theirs.Tf.Numerator, theirs.Tf.Denominator);
            Assert.Equal(b[0] / a[0], ours.B0, Single);
            Assert.Equal(b[1] / a[0], ours.B1, Single);
            Assert.Equal(b[2] / a[0], ours.B2, Single);
            Assert.Equal(a[1] / a[0], ours.A1, Single);
            Assert.Equal(a[2] / a[0], ours.A2, Single);
        }
    }

    [Fact]
    public void EqualiserProcessor_ImpulseResponse_HasTheMagnitudeOfItsLaw()
    {
        const int Length = 32768;
        var settings = Map<double>.Empty.With("low-cut", 1).With("low-shelf-db", 4).With("bell-1-db", -6).With("bell-2-db", 5).With("high-shelf-db", -3).With("high-cut", 1);
        var block = new SignalBlock(1, Length);
        block.Lane(0, Length)[0] = 1;
        new EqualiserProcessor(settings, 1, Rate).Process(block, null, Length);
        var spectrum = block.Lane(0, Length).ToArray().Select(s => new Complex(s, 0)).ToArray();
        Fourier.Forward(spectrum, FourierOptions.AsymmetricScaling);
        var law = EqualiserLaw.Sections(settings, Rate);

        foreach (var bin in new[] { 20, 55, 110, 300, 700, 1500, 3000, 6000, 9000 })
        {
            var hz = (double)bin * Rate / Length;
            // A hundredth of a dB: the response is cut off after 0.7 s and kept in single precision.
            Assert.Equal(EqualiserLaw.GainDb(law, hz, Rate), 20 * Math.Log10(spectrum[bin].Magnitude), 0.01);
        }
    }

    [Fact]
    public void GainDb_OutsideZeroToNyquist_IsTheCallersMistake()
    {
        Assert.Throws<ArgumentOutOfRangeException>(() => Biquad.Unity.GainDb(24001, Rate));
        Assert.Throws<ArgumentOutOfRangeException>(() => Biquad.Unity.GainDb(double.NaN, Rate));
    }
}
