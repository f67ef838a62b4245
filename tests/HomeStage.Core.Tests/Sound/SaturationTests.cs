using System.Numerics;
using HomeStage.Core.Catalogue;
using HomeStage.Core.Sound.Processors;
using HomeStage.Core.Sound.Signals;
using HomeStage.Core.Strips;
using MathNet.Numerics.IntegralTransforms;

namespace HomeStage.Core.Tests.Sound;

public class SaturationTests
{
    private const int Rate = 48000;

    [Fact]
    public void Saturator_OfAQuietSound_IsItsDriveAndOutput_AsLateAsTheCatalogueSays()
    {
        var kind = ProcessorCatalogue.Find(ProcessorCatalogue.Saturator)!;
        var output = Through(Saturator(12, -6), i => 1e-3 * Math.Sin(2 * Math.PI * 500 * i / Rate));
        var late = kind.LatencyFrames(Map<double>.Empty, Rate);

        var gain = Math.Pow(10, 6 / 20.0);
        Assert.All(Enumerable.Range(1000, 2000), i => Assert.Equal(gain * 1e-3 * Math.Sin(2 * Math.PI * 500 * (i - late) / Rate), output[i], 5e-6));
    }

    /// <summary>The harmonics of a bent sine are those of the curve itself: its values around one wave, transformed by MathNet.</summary>
    [Theory]
    [InlineData(6)]
    [InlineData(18)]
    public void Saturator_OfASine_HasTheHarmonicsOfItsCurve(double driveDb)
    {
        const int Points = 4096;
        var drive = Math.Pow(10, driveDb / 20);
        var curve = Enumerable.Range(0, Points).Select(i => new Complex(SaturatorLaw.Curve((float)(drive * 0.5 * Math.Sin(2 * Math.PI * i / Points))), 0)).ToArray();
        Fourier.Forward(curve, FourierOptions.NoScaling);
        double Expected(int harmonic) => 2 * curve[harmonic].Magnitude / Points;
        // A whole number of waves in the stretch, low enough for its harmonics to lie in the band.
        var output = Through(Saturator(driveDb, 0), i => 0.5 * Math.Sin(2 * Math.PI * 300 * i / Rate));

        foreach (var harmonic in new[] { 1, 3, 5, 7 })
            Assert.Equal(Expected(harmonic), Amplitude(output, 300 * harmonic), 2e-4);
    }

    [Fact]
    public void Saturator_OfAHighSine_FoldsFarLessBackThanAtTheRateItself()
    {
        double Sine(int i) => 0.5 * Math.Sin(2 * Math.PI * 9000 * i / Rate);
        var drive = Math.Pow(10, 12 / 20.0);
        float[] plain = [.. Enumerable.Range(0, Rate).Select(i => SaturatorLaw.Curve((float)(drive * Sine(i))))];
        var ours = Through(Saturator(12, 0), Sine);

        // The third harmonic, 27 kHz, folds to 21 kHz; the fifth, 45 kHz, to 3 kHz. What folds at four times the rate, from the
        // nineteenth on, is left; at this drive it is little.
        Assert.True(Amplitude(ours, 3000) < Amplitude(plain, 3000) / 300, $"{Amplitude(ours, 3000)} of {Amplitude(plain, 3000)}");
        Assert.True(Amplitude(ours, 21000) < Amplitude(plain, 21000) / 30, $"{Amplitude(ours, 21000)} of {Amplitude(plain, 21000)}");
    }

    [Fact]
    public void Saturator_WithoutMix_IsTheDrySoundAsLate()
    {
        var output = Through(new SaturatorProcessor(Map<double>.Empty.With("mix-percent", 0), 1), i => i == 100 ? 1 : 0);

        Assert.Equal([100 + Oversampler.LatencyFrames], Enumerable.Range(0, 1000).Where(i => output[i] != 0));
    }

    [Fact]
    public void Clipper_HoldsALowSineAtItsCeiling_AndLeavesAQuietOneAlone()
    {
        var clipper = new ClipperProcessor(Map<double>.Empty.With("ceiling-db", -6), 1);
        var loud = Through(clipper, i => Math.Sin(2 * Math.PI * 100 * i / Rate));
        var quiet = Through(new ClipperProcessor(Map<double>.Empty, 1), i => 0.1 * Math.Sin(2 * Math.PI * 100 * i / Rate));

        // What the way back to the rate rings over a corner as blunt as this one is small.
        Assert.Equal(Math.Pow(10, -6 / 20.0), loud.Skip(1000).Max(Math.Abs), 0.01);
        Assert.Equal(0.1, quiet.Skip(1000).Max(Math.Abs), 1e-4);
    }

    private static SaturatorProcessor Saturator(double driveDb, double outputDb) =>
        new(Map<double>.Empty.With("drive-db", driveDb).With("output-db", outputDb), 1);

    private static float[] Through(IProcessor processor, Func<int, double> sound)
    {
        var block = new SignalBlock(1, Rate);
        for (var i = 0; i < Rate; i++)
            block.Lane(0, Rate)[i] = (float)sound(i);
        processor.Process(block, null, Rate);
        return block.Lane(0, Rate).ToArray();
    }

    /// <summary>Of one frequency, over half a second that holds it a whole number of times.</summary>
    private static double Amplitude(float[] sound, double hz)
    {
        var (sine, cosine) = (0.0, 0.0);
        for (var i = Rate / 2; i < Rate; i++)
        {
            sine += sound[i] * Math.Sin(2 * Math.PI * hz * i / Rate);
            cosine += sound[i] * Math.Cos(2 * Math.PI * hz * i / Rate);
        }

        return Math.Sqrt(sine * sine + cosine * cosine) * 4 / Rate;
    }
}
