using System.Numerics;
using HomeStage.Core.Catalogue;
using HomeStage.Core.Editing;
using HomeStage.Core.Kits;
using HomeStage.Core.Sound;
using HomeStage.Core.Templates;
using HomeStage.Core.Timing;
using MathNet.Numerics.IntegralTransforms;

namespace HomeStage.Core.Tests.Sound;

/// <summary>Instruments sound like what they are called: where their energy lies and how long they ring (common practice).</summary>
public class InstrumentTests
{
    private const int Rate = 48000;

    [Theory]
    [InlineData(DrumSound.Kick, 30, 300)]
    [InlineData(DrumSound.DeepDrum, 25, 250)]
    [InlineData(DrumSound.LowTom, 70, 500)]
    [InlineData(DrumSound.HighTom, 120, 900)]
    [InlineData(DrumSound.FrameDrumOpen, 60, 600)]
    [InlineData(DrumSound.Snare, 150, 8000)]
    [InlineData(DrumSound.HighWoodBlock, 800, 3500)]
    [InlineData(DrumSound.LowWoodBlock, 500, 2500)]
    [InlineData(DrumSound.ClosedHat, 5000, 16000)]
    [InlineData(DrumSound.OpenHat, 5000, 16000)]
    [InlineData(DrumSound.Crash, 2000, 14000)]
    [InlineData(DrumSound.Shaker, 4000, 13000)]
    [InlineData(DrumSound.Bell, 400, 5000)]
    [InlineData(DrumSound.Gong, 60, 1200)]
    public void DrumSound_HasItsWeightWhereItsNamesakeHas(DrumSound sound, double lowHz, double highHz)
    {
        Assert.InRange(CentroidHz(Hit(sound, 100)), lowHz, highHz);
    }

    [Fact]
    public void DrumSounds_RingAsLongAsTheirKind()
    {
        double Ring(DrumSound s) => RingSeconds(Hit(s, 110));

        Assert.True(Ring(DrumSound.ClosedHat) < Ring(DrumSound.OpenHat) / 3);
        Assert.True(Ring(DrumSound.OpenHat) < Ring(DrumSound.Crash));
        Assert.True(Ring(DrumSound.HighWoodBlock) < 0.15);
        Assert.True(Ring(DrumSound.Gong) > 2);
        Assert.True(Ring(DrumSound.Kick) < Ring(DrumSound.DeepDrum));
        Assert.InRange(Ring(DrumSound.BellTree), 0.6, 3);
    }

    [Fact]
    public void Clap_IsSeveralHandsWithinAFewHundredthsOfASecond()
    {
        var sound = Hit(DrumSound.Clap, 110);

        // The level in windows of 2 ms rises at least three times in the first 50 ms.
        var windows = Enumerable.Range(0, 25).Select(w => sound[(w * 96)..((w + 1) * 96)].Average(s => s * s)).ToList();
        Assert.InRange(windows.Zip(windows.Skip(1)).Count(x => x.Second > 2 * x.First), 3, 8);
    }

    public static TheoryData<DrumSound> AllSounds() => [.. Enum.GetValues<DrumSound>()];

    // The kit's gain to its nominal loudness.
    private static double Calibrated => Math.Pow(10, InstrumentCatalogue.Find(InstrumentCatalogue.Breakwater)!.CalibrationDb / 20);

    [Theory]
    [MemberData(nameof(AllSounds))]
    public void DrumSound_IsLouderWhenHitHarder_HasNoDirectCurrent_AndNeverJumps(DrumSound sound)
    {
        var (soft, hard) = (Hit(sound, 50), Hit(sound, 120));

        Assert.True(hard.Max(Math.Abs) > 2.5 * soft.Max(Math.Abs));
        Assert.InRange(hard.Max(Math.Abs), 0.05, 1.2 * Calibrated);
        Assert.InRange(Math.Abs(hard.Average()), 0, 0.002);
        Assert.InRange(Math.Abs(hard[0]), 0, 0.1);
        Assert.InRange(hard[^480..].Max(Math.Abs), 0, 1e-3);
    }

    [Theory]
    [InlineData(InstrumentCatalogue.Undertow, 33)]
    [InlineData(InstrumentCatalogue.Undertow, 45)]
    [InlineData(InstrumentCatalogue.Bellbuoy, 60)]
    [InlineData(InstrumentCatalogue.Bellbuoy, 72)]
    public void PitchedInstrument_PlaysTheNoteThatIsWritten(string instrument, int note)
    {
        var sound = Play(instrument, note, 100);

        // Equal temperament, A at 440 (ISO 16); the strongest of the low partials within a quarter tone.
        var hz = 440 * Math.Pow(2, (note - 69) / 12.0);
        Assert.InRange(StrongestHz(sound, hz * 0.75, hz * 1.4), hz / 1.03, hz * 1.03);
    }

    [Fact]
    public void Undertow_IsABass_MostOfItLiesUnder500Hz()
    {
        Assert.True(ShareBelow(Play(InstrumentCatalogue.Undertow, 36, 100), 500) > 0.9);
    }

    [Fact]
    public void Bellbuoy_DiesAwayWhileItIsHeld()
    {
        var sound = Play(InstrumentCatalogue.Bellbuoy, 64, 100);

        Assert.True(sound[Rate..(Rate + 4800)].Max(Math.Abs) < 0.5 * sound[..4800].Max(Math.Abs));
    }

    [Theory]
    [InlineData(InstrumentCatalogue.Undertow)]
    [InlineData(InstrumentCatalogue.Bellbuoy)]
    public void PitchedInstrument_StartsAndEndsWithoutAClick_AndMindsVelocity(string instrument)
    {
        var (soft, hard) = (Play(instrument, 48, 40), Play(instrument, 48, 120));

        Assert.InRange(Math.Abs(hard[0]), 0, 0.02);
        Assert.True(hard.Max(Math.Abs) > 2 * soft.Max(Math.Abs));
        Assert.InRange(Math.Abs(hard.Average()), 0, 0.003);
    }

    private static float[] Hit(DrumSound sound, int velocity)
    {
        var kit = new Kit([Piece.Pad("Piece", 60, "x", 1, sound)], [new("Out", ChannelFormat.Mono)]);
        return Render(new InstrumentSource(InstrumentCatalogue.Breakwater, kit), 60, velocity, 12);
    }

    private static float[] Play(string instrument, int note, int velocity) => Render(new InstrumentSource(instrument), note, velocity, 3);

    private static float[] Render(InstrumentSource source, int note, int velocity, int seconds)
    {
        var held = new Pattern("One", seconds * 960, [new(0, 1920, note, velocity)], []);
        var template = EmptyStage.Create("One note") with { Timeline = new(60, new(1, 4), [new("song", "Song", seconds)]), PanLaw = PanLaw.ConstantPowerCentreUnity };
        var added = new AddChannel(new() { Id = new("x"), Name = "X", Kind = ChannelKind.Instrument, Destination = EmptyStage.MixBus, Source = source, Patterns = [held] });
        return Renderer.Render(((BatchResult.Applied)Batch.Apply(template, [added])).Template, new("mix")).Left;
    }

    private static (double Hz, double Power)[] Spectrum(float[] sound)
    {
        const int Length = 65536;
        var bins = Enumerable.Range(0, Length).Select(i => new Complex(i < sound.Length ? sound[i] : 0, 0)).ToArray();
        Fourier.Forward(bins, FourierOptions.NoScaling);
        return [.. bins.Take(Length / 2).Select((b, i) => ((double)i * Rate / Length, b.Magnitude * b.Magnitude))];
    }

    private static double CentroidHz(float[] sound)
    {
        var spectrum = Spectrum(sound);
        return spectrum.Sum(b => b.Hz * b.Power) / spectrum.Sum(b => b.Power);
    }

    private static double StrongestHz(float[] sound, double lowHz, double highHz) =>
        Spectrum(sound).Where(b => b.Hz >= lowHz && b.Hz <= highHz).MaxBy(b => b.Power).Hz;

    private static double ShareBelow(float[] sound, double hz)
    {
        var spectrum = Spectrum(sound);
        return spectrum.Where(b => b.Hz < hz).Sum(b => b.Power) / spectrum.Sum(b => b.Power);
    }

    /// <returns>Until the sound is 40 dB under its peak for good.</returns>
    private static double RingSeconds(float[] sound)
    {
        var floor = sound.Max(Math.Abs) / 100;
        return Array.FindLastIndex(sound, s => Math.Abs(s) > floor) / (double)Rate;
    }
}
