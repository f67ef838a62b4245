using HomeStage.Core.Catalogue;
using HomeStage.Core.Editing;
using HomeStage.Core.Sound;
using HomeStage.Core.Sound.Kernels;
using HomeStage.Core.Sound.Listening;
using HomeStage.Core.Sound.Meters;
using HomeStage.Core.Sound.Signals;
using MathNet.Numerics.IntegralTransforms;
using static HomeStage.TestKit.Stages;

namespace HomeStage.Core.Tests.Sound;

public class MetersTests
{
    [Theory]
    [InlineData(2)]
    [InlineData(64)]
    [InlineData(4096)]
    public void Transform_IsThatOfMathNet(int length)
    {
        var (re, im) = (Signals.Noise(length, 1).Select(x => (double)x).ToArray(), Signals.Noise(length, 2).Select(x => (double)x).ToArray());
        var theirs = re.Zip(im, (r, i) => new System.Numerics.Complex(r, i)).ToArray();
        Fourier.Forward(theirs, FourierOptions.NoScaling);

        new Transform(length).Run(re, im);

        Assert.All(Enumerable.Range(0, length), i => Assert.Equal(0, (theirs[i] - new System.Numerics.Complex(re[i], im[i])).Magnitude, 1e-9));
    }

    /// <summary>IEC 61260-1, table of mid-band frequencies in base ten: 1 kHz is exact, ten bands make a decade.</summary>
    [Fact]
    public void ThirdOctaves_StandWhereTheStandardHasThem()
    {
        Assert.Equal(30, ThirdOctaves.CentresHz.Count);
        Assert.Equal(25.119, ThirdOctaves.CentresHz[0], 3);
        Assert.Equal(1000, ThirdOctaves.CentresHz[16], 9);
        Assert.Equal(1258.925, ThirdOctaves.CentresHz[17], 3);
        Assert.Equal(19952.623, ThirdOctaves.CentresHz[29], 3);
    }

    [Theory]
    [InlineData(100)]
    [InlineData(1000)]
    [InlineData(10000)]
    public void ThirdOctaves_OfASine_HaveItInItsBand_AndLittleInOthers(double hz)
    {
        var levels = Octaves(Signals.Sine(hz, 0.1, 4 * Signals.Rate));
        var band = Enumerable.Range(0, 30).MinBy(i => Math.Abs(Math.Log(ThirdOctaves.CentresHz[i] / hz)));

        Assert.Equal(-20, levels[band], 0.1);
        Assert.All(Enumerable.Range(0, 30).Where(i => Math.Abs(i - band) > 1), i => Assert.True(levels[i] < -70));
    }

    /// <summary>White noise has the same power in each Hz, so each band has 10·log₁₀(10^0.1) = 1 dB more than the one below.</summary>
    [Fact]
    public void ThirdOctaves_OfWhiteNoise_RiseByOneDbABand()
    {
        var levels = Octaves(Signals.Noise(60 * Signals.Rate));

        Assert.All(Enumerable.Range(8, 20), i => Assert.Equal(levels[8] + (i - 8), levels[i], 0.5));
        // Evenly spread, its mean square is a third: all bands and the little outside of them together.
        var share = Math.Pow(10, 0.05) * 19952.623 / (Signals.Rate / 2.0);
        Assert.Equal(10 * Math.Log10(2.0 / 3 * share), 10 * Math.Log10(levels.Sum(l => Math.Pow(10, l / 10))), 0.3);
    }

    [Theory]
    [InlineData(1, 1.0)]
    [InlineData(-1, -1.0)]
    public void ChannelMeter_OfASine_HasItsPeakRmsCrestAndCorrelation(int sign, double correlation)
    {
        var sine = Signals.Sine(1000, 0.5, Signals.Rate);
        var meter = new ChannelMeter();
        Assert.Null(meter.Read());

        meter.Add(sine, [.. sine.Select(s => sign * s)]);

        var read = meter.Read()!;
        Assert.Equal(-6.0206, read.PeakDbfs, 0.01);
        Assert.Equal(-9.0309, read.RmsDbfs, 0.01);
        Assert.Equal(3.0103, read.CrestDb, 0.01);
        Assert.Equal(correlation, read.Correlation, 1e-6);
    }

    [Fact]
    public void ChannelMeter_OfUnlikeNoises_FindsNothingInCommon()
    {
        var meter = new ChannelMeter();
        meter.Add(Signals.Noise(10 * Signals.Rate, 1), Signals.Noise(10 * Signals.Rate, 2));

        Assert.Equal(0, meter.Read()!.Correlation, 0.01);
    }

    [Fact]
    public void ARender_TellsEveryChannelOnTheWay_WithWhatItsDynamicsTookOff()
    {
        var compressor = Insert("comp", ProcessorCatalogue.Compressor, ("threshold-db", -26), ("ratio", 4), ("knee-db", 0), ("attack-ms", 0.1));
        var template = OneBar(Tone("t", "mix-bus", strip: compressor), Tone("u", "mix-bus"), new SetLevel(new("u"), new(-10)), Return("nobody", "mix-bus"));

        var channels = Renderer.Render(template, new(InMix)).Channels;

        // A peak of −6 dBFS is 20 dB over: three quarters of that are taken off.
        var t = Assert.Single(channels, c => c.Channel.Value == "t");
        Assert.Equal(15, Assert.Single(t.Reductions).LargestDb, 0.1);
        Assert.Equal(-16, channels.Single(c => c.Channel.Value == "u").Reading!.PeakDbfs, 0.05);
        Assert.DoesNotContain(channels, c => c.Channel.Value == "nobody");
    }

    private static IReadOnlyList<double> Octaves(float[] samples)
    {
        var (meter, block) = (new ThirdOctaves(Signals.Rate), new SignalBlock(2, samples.Length));
        samples.CopyTo(block.Lane(0, samples.Length));
        samples.CopyTo(block.Lane(1, samples.Length));
        meter.Add(block, samples.Length);
        return meter.LevelsDb()!;
    }

    /// <summary>EBU Tech 3341: a stereo sine of 1 kHz reads its level in dBFS; one lane of it has half the power.</summary>
    [Fact]
    public void MetersInFull_ReadEveryChannelOnTheWay_AsTheListeningPointDoes()
    {
        var template = OneBar(Tone("wide", "mix-bus"), Tone("narrow", "mix-bus", ChannelFormat.Mono), new SetMute(new("narrow"), true), new SetLevel(new("mix-bus"), new(-4)));
        var plain = Renderer.Render(template, new(InMix));
        var full = Renderer.Render(template, new(InMix) { MetersInFull = true });
        SoundMeters Of(string id) => full.Channels.Single(c => c.Channel.Value == id).Full!;

        Assert.Equal(-6, Of("wide").LoudnessLufs!.Value, 0.1);
        Assert.Equal(-10, Of("mix-bus").LoudnessLufs!.Value, 0.1);
        Assert.Equal(-10, Of("main").TruePeakDbtp!.Value, 0.2);
        Assert.Equal(full.Meters!.LoudnessLufs!.Value, Of("main").LoudnessLufs!.Value, 1e-6);
        Assert.Equal(full.Meters.OverTime, Of("main").OverTime);
        Assert.Equal(16, Of("wide").ThirdOctavesDb!.IndexWhere(db => db > -12));
        Assert.Null(Of("narrow").LoudnessLufs);
        Assert.All(plain.Channels, c => Assert.Null(c.Full));

        var alone = template.With(new SetMute(new("narrow"), false));
        var read = Renderer.Render(alone, new(InMix, new("narrow"), null) { Point = ListeningPoint.BeforeFader, MetersInFull = true });
        Assert.Equal(-9.01, read.Channels.Single(c => c.Channel.Value == "narrow").Full!.LoudnessLufs!.Value, 0.1);
    }
}
