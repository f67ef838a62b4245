using HomeStage.Core.Catalogue;
using HomeStage.Core.Editing;
using HomeStage.Core.Kits;
using HomeStage.Core.Media;
using HomeStage.Core.Sound;
using HomeStage.Core.Sound.Instruments;
using HomeStage.Core.Sound.Kernels;
using HomeStage.Core.Templates;
using HomeStage.Core.Timing;
using HomeStage.TestKit;
using MathNet.Numerics.IntegralTransforms;
using static HomeStage.TestKit.Stages;

namespace HomeStage.Core.Tests.Sound;

/// <summary>What every stand-in instrument keeps to, and what is particular to some.</summary>
public class VoicesTests
{
    public static TheoryData<string> Calibrated => [.. InstrumentCatalogue.All.Where(i => i.Kit is not null || i.CalibrationNotes.Count > 0).Select(i => i.Id)];

    public static TheoryData<string> Tuned => [InstrumentCatalogue.Undertow, InstrumentCatalogue.Gullwing, InstrumentCatalogue.Driftwood, InstrumentCatalogue.Reedbox];

    [Theory]
    [MemberData(nameof(Calibrated))]
    public void Instrument_PlayingItsPhrase_HasItsNominalLoudness_AtEveryRate(string id)
    {
        var stage = CalibrationStage.Of(InstrumentCatalogue.Find(id)!);

        Assert.Equal(Calibration.NominalLufs, Renderer.Render(stage, new(InMix)).LoudnessLufs!.Value, 0.5);
        // Noise reaches further up at higher rates: half an LU more is allowed.
        foreach (var rate in Runs.AreLong ? (int[])[44100, 96000] : [Random.Shared.Next(2) == 0 ? 44100 : 96000])
            Assert.Equal(Calibration.NominalLufs, Renderer.Render(stage with { SampleRateHz = rate }, new(InMix)).LoudnessLufs!.Value, 1.0);
    }

    [Theory]
    [InlineData("Lead voice")]
    [InlineData("Rhythm guitar")]
    [InlineData("Organ close")]
    public void Performer_HasTheNominalLoudnessToo_AndIsHeardWhileMonitored(string name)
    {
        Template Stage(bool monitored) => OneBar(new AddChannel(new()
        {
            Id = new("in"),
            Name = name,
            Kind = ChannelKind.Audio,
            Format = ChannelFormat.Mono,
            Destination = new("mix-bus"),
            Source = new InputSource(1, Monitored: monitored),
        })) with
        { Timeline = new(120, new(4, 4), [new("song", "Song", 8)]) };

        Assert.Equal(Calibration.NominalLufs, Renderer.Render(Stage(true), new(InMix)).LoudnessLufs!.Value, 0.5);
        Assert.Null(Renderer.Render(Stage(false), new(InMix)).PeakDbfs);
    }

    [Theory]
    [MemberData(nameof(Calibrated))]
    public void Instrument_NeitherClicksNorLeans(string id)
    {
        var sound = Renderer.Render(CalibrationStage.Of(InstrumentCatalogue.Find(id)!), new(InMix)).Left;

        Assert.Equal(0, sound.Average(), 1e-3);
        // Nothing jumps when it begins: a click would be as high as the loudest sample at once.
        Assert.True(Math.Abs(sound[0]) < 0.02, $"{sound[0]}");
        Assert.All(sound, s => Assert.True(float.IsFinite(s)));
    }

    [Theory]
    [MemberData(nameof(Calibrated))]
    public void Instrument_StruckSofter_IsQuieter(string id)
    {
        var kind = InstrumentCatalogue.Find(id)!;
        Template Soft(Template stage, int velocity)
        {
            var phrase = stage.Channels[new ChannelId("alone")].Patterns[0];
            return stage.With(new PutPattern(new("alone"), phrase with { Notes = phrase.Notes.Select(n => n with { Velocity = velocity }).ToSequence() }));
        }

        double Lufs(int velocity) => Renderer.Render(Soft(CalibrationStage.Of(kind), velocity), new(InMix)).LoudnessLufs!.Value;
        Assert.True(Lufs(120) > Lufs(50) + 3);
    }

    /// <summary>Equal temperament: the loudest line of the spectrum near the note lies within 8 cents of it.</summary>
    [Theory]
    [MemberData(nameof(Tuned))]
    public void Instrument_IsInTune(string id)
    {
        const int Length = 1 << 17;
        var note = new Pattern("One", 8 * 4 * Ticks.PerQuarter, [new(0, 8 * 4 * Ticks.PerQuarter, 45, 100)], []);
        var stage = CalibrationStage.Of(InstrumentCatalogue.Find(id)!).With(new PutPattern(new("alone"), note), new RemovePattern(new("alone"), "Phrase"));
        var sound = Renderer.Render(stage, new(InMix)).Left;
        var spectrum = Enumerable.Range(0, Length).Select(i => new System.Numerics.Complex(sound[4800 + i] * (0.5 - 0.5 * Math.Cos(2 * Math.PI * i / Length)), 0)).ToArray();
        Fourier.Forward(spectrum, FourierOptions.NoScaling);
        double Hz(int bin) => (double)bin * Signals.Rate / Length;
        var loudest = Enumerable.Range(1, Length / 2 - 1).Where(b => Hz(b) is > 100 and < 122).MaxBy(b => spectrum[b].Magnitude);

        Assert.Equal(0, 1200 * Math.Log2(Hz(loudest) / 110), 8 + 1200 * Math.Log2(1 + 0.37 / 110));
    }

    [Fact]
    public void Pad_IsWide_AndTheOrganIsNot()
    {
        float[][] Sides(string id)
        {
            var stage = CalibrationStage.Of(InstrumentCatalogue.Find(id)!).With(new SetFormat(new("alone"), ChannelFormat.Stereo));
            var sound = Renderer.Render(stage, new(InMix));
            return [sound.Left, sound.Right];
        }

        var (pad, organ) = (Sides(InstrumentCatalogue.Gullwing), Sides(InstrumentCatalogue.Reedbox));
        Assert.True(pad[0].Zip(pad[1], (l, r) => Math.Abs(l - r)).Average() > 0.2 * pad[0].Average(Math.Abs));
        Assert.Equal(organ[0], organ[1]);
    }

    [Fact]
    public void Riser_ClimbsOverItsNote()
    {
        var sound = Renderer.Render(CalibrationStage.Of(InstrumentCatalogue.Find(InstrumentCatalogue.Squall)!), new(InMix)).Left;
        int Crossings(double second) => Enumerable.Range((int)(second * Signals.Rate), Signals.Rate / 4).Count(i => sound[i] * sound[i + 1] < 0);

        Assert.True(Crossings(3.4) > 4 * Crossings(1.0));
    }

    /// <summary>343 m/s: 1.5 m are 210 frames at 48 kHz, 8 m are 1,120.</summary>
    [Theory]
    [InlineData(11, 210)]
    [InlineData(12, 1120)]
    public void FarMicrophone_HearsEveryHit_AsMuchLaterAsItIsFar(int output, int lateFrames)
    {
        var kit = StandInKits.TidewaterDeep;
        var strikes = new Pattern("One", 4 * Ticks.PerQuarter, [new(0, 60, 76, 120)], []);
        var template = OneBar(
            new AddChannel(new() { Id = new("kit"), Name = "Kit", Kind = ChannelKind.Instrument, Destination = new("mix-bus"), Source = new InstrumentSource(InstrumentCatalogue.TidewaterDeep, kit), Patterns = [strikes] }),
            new AddChannel(new() { Id = new("close"), Name = "Close", Kind = ChannelKind.Split, Destination = new("mix-bus"), Source = new OutputSource(new("kit"), 7) }),
            new AddChannel(new() { Id = new("far"), Name = "Far", Kind = ChannelKind.Split, Destination = new("mix-bus"), Source = new OutputSource(new("kit"), output) }));

        int First(string channel) => Array.FindIndex(Renderer.Render(template, new(InMix, new(channel))).Left, s => Math.Abs(s) > 1e-7);

        Assert.Equal(lateFrames, First("far") - First("close"), 3.0);
    }

    [Theory]
    [InlineData(1, 0.25f)]
    [InlineData(63, 0.25f)]
    [InlineData(64, 0.75f)]
    [InlineData(127, 0.75f)]
    public void Pad_WithLayers_PlaysTheOneOfItsVelocity(int velocity, float level)
    {
        var (soft, hard) = (new MediaRef(new('a', 64), "Soft", Signals.Rate, 1, 100), new MediaRef(new('b', 64), "Hard", Signals.Rate, 1, 100));
        var kit = StandInKits.Flotsam with { Pieces = StandInKits.Flotsam.Pieces.SetItem(0, StandInKits.Flotsam.Pieces[0] with { Sample = soft, Layers = [new(64, hard)] }) };
        var strikes = new Pattern("One", 4 * Ticks.PerQuarter, [new(0, 60, 36, velocity)], []);
        var template = OneBar(new AddChannel(new() { Id = new("pads"), Name = "Pads", Kind = ChannelKind.Instrument, Destination = new("mix-bus"), Source = new InstrumentSource(InstrumentCatalogue.Flotsam, kit), Patterns = [strikes] }));

        var sound = Renderer.Render(template, new(InMix), shelf: new TwoSounds(soft.Content, 0.25f, hard.Content, 0.75f)).Left;

        // Each layer is a level all through, turned by the stroke (its velocity squared), the level of every sample and the pan in the middle.
        var gain = Math.Pow(10, Calibration.SampleDb / 20) * Math.Sqrt(0.5) * Math.Pow(velocity / 127.0, 2);
        Assert.Equal(level * gain, sound[50], 1e-4 * gain);
    }

    [Fact]
    public void Layers_ThatDoNotRise_OrHaveNothingBelowThem_AreRefused()
    {
        var sound = new MediaRef(new('a', 64), "Soft", Signals.Rate, 1, 100);
        Kit With(Func<Piece, Piece> change) => StandInKits.Flotsam with { Pieces = StandInKits.Flotsam.Pieces.SetItem(0, change(StandInKits.Flotsam.Pieces[0])) };

        Assert.Null(KitRules.Check(With(p => p with { Sample = sound, Layers = [new(40, sound), new(90, sound)] })));
        Assert.NotNull(KitRules.Check(With(p => p with { Layers = [new(40, sound)] })));
        Assert.NotNull(KitRules.Check(With(p => p with { Sample = sound, Layers = [new(90, sound), new(40, sound)] })));
        Assert.NotNull(KitRules.Check(With(p => p with { Sample = sound, Layers = [new(1, sound)] })));
    }

    private sealed class TwoSounds(string one, float oneLevel, string other, float otherLevel) : IMediaShelf
    {
        public MediaSound? Find(string content) =>
            content == one ? Level(oneLevel) : content == other ? Level(otherLevel) : null;

        private static MediaSound Level(float level) => new([[.. Enumerable.Repeat(level, 100)]], Signals.Rate);
    }

    [Fact]
    public void Pad_WithASoundOfItsOwn_PlaysThat()
    {
        float[] ramp = [.. Enumerable.Range(0, 1000).Select(i => i / 1000f)];
        var kit = StandInKits.Flotsam with { Pieces = StandInKits.Flotsam.Pieces.SetItem(0, StandInKits.Flotsam.Pieces[0] with { Sample = new(new('a', 64), "Ramp", Signals.Rate, 1, 1000) }) };
        var strikes = new Pattern("One", 4 * Ticks.PerQuarter, [new(Ticks.PerQuarter, 60, 36, 127)], []);
        var template = OneBar(new AddChannel(new() { Id = new("pads"), Name = "Pads", Kind = ChannelKind.Instrument, Destination = new("mix-bus"), Source = new InstrumentSource(InstrumentCatalogue.Flotsam, kit), Patterns = [strikes] }));
        var gain = Math.Pow(10, Calibration.SampleDb / 20) * Math.Sqrt(0.5);

        var sound = Renderer.Render(template, new(InMix), shelf: new OneSound(new([ramp], Signals.Rate))).Left;

        Assert.All(Enumerable.Range(0, 1000), i => Assert.Equal(gain * ramp[i], sound[24000 + i], 1e-5));
        Assert.Null(Renderer.Render(template, new(InMix)).PeakDbfs);
    }

    [Theory]
    [InlineData(0.01, 1, 0)]
    [InlineData(0.2, 0.9995, 0.3)]
    public void Partial_IsASineThatDies(double turnsAFrame, double keep, double turns)
    {
        var (partial, sum) = (new Partial(turnsAFrame, 0.5, keep, turns), new float[4096]);
        for (var i = 0; i < sum.Length; i += IVoice.Chunk)
            partial.AddTo(sum.AsSpan(i, IVoice.Chunk));

        Assert.All(Enumerable.Range(0, sum.Length), i => Assert.Equal(0.5 * Math.Pow(keep, i) * Math.Sin(2 * Math.PI * (turns + i * turnsAFrame)), sum[i], 3e-5));
    }

    private sealed class OneSound(MediaSound sound) : IMediaShelf
    {
        public MediaSound? Find(string content) => sound;
    }
}
