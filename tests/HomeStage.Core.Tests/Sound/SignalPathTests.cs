using HomeStage.Core.Catalogue;
using HomeStage.Core.Editing;
using HomeStage.Core.Sound;
using HomeStage.Core.Sound.Signals;
using HomeStage.Core.Templates;
using HomeStage.TestKit;
using HomeStage.TestKit.Plain;
using static HomeStage.TestKit.Stages;

namespace HomeStage.Core.Tests.Sound;

/// <summary>How signals of one lane and two meet, and which channels the main hears.</summary>
public class SignalPathTests
{
    private const double ToneLevelDb = -6;
    private const double ToleranceDb = 0.01;

    [Fact]
    public void MonoIntoAMonoBus_PassesAtUnity()
    {
        var template = OneBar(Bus("b", "mix-bus"), new SetFormat(new("b"), ChannelFormat.Mono), Tone("t", "b", ChannelFormat.Mono));

        // Into the bus at unity; the bus enters the stereo mix by the pan law, 3.01 dB down at the centre.
        Assert.Equal(ToneLevelDb - 3.0103, Level(template, "mix-bus"), ToleranceDb);
    }

    [Fact]
    public void StereoIntoAMonoBus_IsHalfTheSumOfItsSides()
    {
        var template = OneBar(Bus("b", "mix-bus"), new SetFormat(new("b"), ChannelFormat.Mono), Tone("t", "b"), new SetPan(new("t"), -1));

        // Hard left, one side of two is left: half the amplitude, then the pan law.
        Assert.Equal(ToneLevelDb - 6.0206 - 3.0103, Level(template, "mix-bus"), ToleranceDb);
    }

    [Theory]
    [InlineData(PanLaw.Linear, -6.0206)]
    [InlineData(PanLaw.Compromise, -4.5154)]
    [InlineData(PanLaw.LinearCentreUnity, 0)]
    public void MonoIntoStereo_GoesByTheTemplatesPanLaw(PanLaw law, double db)
    {
        var template = OneBar(Tone("t", "mix-bus", ChannelFormat.Mono)) with { PanLaw = law };

        Assert.Equal(ToneLevelDb + db, Level(template, "mix-bus"), ToleranceDb);
    }

    [Fact]
    public void Polarity_TurnedOnOneOfTwoEqualChannels_CancelsThem()
    {
        var both = OneBar(Tone("a", "mix-bus"), Tone("b", "mix-bus"));

        Assert.Equal(ToneLevelDb + 6.0206, Level(both, "mix-bus"), ToleranceDb);
        Assert.Null(Renderer.Render(both.With(new SetPolarity(new("b"), true)), new(InMix)).PeakDbfs);
    }

    [Theory]
    [InlineData(TapPoint.Pre, 0)]
    [InlineData(TapPoint.Post, -10)]
    public void InternalInput_RecordsWhatTheOtherChannelPutsOut(TapPoint tap, double db)
    {
        var template = OneBar(Tone("t", "mix-bus"), new SetLevel(new("t"), new(-10)), new AddChannel(new() { Id = new("take"), Name = "Take", Kind = ChannelKind.Audio, Source = new InternalSource(new("t"), tap) }));

        Assert.Equal(ToneLevelDb + db, Level(template, "take"), ToleranceDb);
    }

    [Fact]
    public void InternalInput_OfABusThatItFeeds_IsRefusedWithTheLoop()
    {
        var template = OneBar(new AddChannel(new() { Id = new("take"), Name = "Take", Kind = ChannelKind.Audio, Destination = EmptyStage.MixBus }));

        Assert.Equal(["Take", "Mix bus", "Take"], template.RefusalOf(new SetSource(new("take"), new InternalSource(EmptyStage.MixBus))).Path);
    }

    [Fact]
    public void DirectChannel_GoesAroundTheMain()
    {
        var direct = Tone("d", "mix-bus").Channel with { Id = new("direct"), Kind = ChannelKind.Direct, Destination = null, OutputPair = 2 };
        var template = OneBar(new AddChannel(direct));

        Assert.Null(Renderer.Render(template, new(InMix)).PeakDbfs);
        Assert.Equal(ToneLevelDb, Level(template, "direct"), ToleranceDb);
    }

    [Fact]
    public void ParkedInsert_LetsThroughWhatItWouldChange_InThatActOnly()
    {
        var gain = Insert("g", ProcessorCatalogue.Gain, ("gain-db", -20)) with { ParkedIn = ["write"] };
        var template = OneBar(Tone("t", "mix-bus", strip: gain));

        Assert.Equal(ToneLevelDb, PeakDb(Renderer.Render(template, new("write"))), ToleranceDb);
        Assert.Equal(ToneLevelDb - 20, PeakDb(Renderer.Render(template, new(InMix))), ToleranceDb);
    }

    [Fact]
    public void Strip_WorksInItsOrder()
    {
        var (gain, limit) = (Insert("g", ProcessorCatalogue.Gain, ("gain-db", 18)), Insert("l", ProcessorCatalogue.Limiter, ("ceiling-db", -6)));
        var template = OneBar(Tone("t", "mix-bus", strip: [gain, limit]));

        Assert.Equal(-6, PeakDb(Renderer.Render(template, new(InMix))), 0.05);
        var turned = template.With(new MoveInsert(new("t"), limit.Id, 0));
        Assert.Equal(ToneLevelDb + 18, PeakDb(Renderer.Render(turned, new(InMix))), 0.05);
    }

    [Fact]
    public void KeyFilter_KeepsLowNotesFromTheDetector()
    {
        Insert Ducker(double? lowCut) => Insert("duck", ProcessorCatalogue.Compressor, ("threshold-db", -30), ("ratio", 4), ("knee-db", 0)) with { Key = new(true, lowCut) };
        Template Stage(double? lowCut) => OneBar(Trigger("pulse"), Bus("b", "mix-bus", Ducker(lowCut)), Tone("t", "b"), new PutFeed(new("pulse"), new(new("b"), new("duck"), new(0))));

        // The key is a tone of 100 Hz; three octaves under the corner the cut takes 36 dB of it.
        var open = Level(Stage(null), "b", 0.06, 0.1);
        var cut = Level(Stage(800), "b", 0.06, 0.1);

        Assert.True(open < ToneLevelDb - 15, $"{open} dB");
        Assert.Equal(ToneLevelDb, cut, 0.2);
    }

    [Fact]
    public void SwitchedOnKeyWithoutAFeed_HearsSilence()
    {
        var duck = Insert("duck", ProcessorCatalogue.Compressor, ("threshold-db", -60), ("ratio", 20)) with { Key = new(true) };

        Assert.Equal(ToneLevelDb, Level(OneBar(Tone("t", "mix-bus", strip: duck)), "t"), ToleranceDb);
    }

    [Theory]
    [InlineData(0)]
    [InlineData(3)]
    [InlineData(700)]
    public void HeldBack_InBlocksOfAnyLength_IsThePlainLine(int lateFrames)
    {
        var (held, plain, samples) = (new HeldBack(lateFrames), new DelayLine(lateFrames), Signals.Noise(6000));
        for (var start = 0; start < samples.Length;)
        {
            var stretch = Math.Min(1 + start * 7 % 611, samples.Length - start);
            var expected = samples[start..(start + stretch)].Select(plain.Next).ToArray();
            Assert.Equal(expected, held.Take(samples.AsSpan(start, stretch)).ToArray());
            start += stretch;
        }

        held.Reset();
        Assert.Equal(new float[lateFrames], held.Take(samples.AsSpan(0, lateFrames)).ToArray());
        Assert.Throws<ArgumentOutOfRangeException>(() => new HeldBack(-1));
    }

    private static double Level(Template template, string channel, double from = 0.5, double to = 1.5) =>
        PeakDb(Renderer.Render(template, new(InMix, new(channel))), from, to);

    private static double PeakDb(RenderedSound sound, double from = 0.5, double to = 1.5)
    {
        int First(double seconds) => (int)(seconds * sound.SampleRateHz);
        return 20 * Math.Log10(Math.Max(sound.Left[First(from)..First(to)].Max(Math.Abs), sound.Right[First(from)..First(to)].Max(Math.Abs)));
    }
}
