using FsCheck;
using FsCheck.Xunit;
using HomeStage.Core.Catalogue;
using HomeStage.Core.Compiling;
using HomeStage.Core.Devices;
using HomeStage.Core.Editing;
using HomeStage.Core.Sound;
using HomeStage.Core.Templates;
using static HomeStage.TestKit.Stages;

namespace HomeStage.Core.Tests.Devices;

/// <summary>What is late by what a device says of itself meets what is not at one frame: a copy that is turned upside down takes it away whole.</summary>
public class DeviceSoundTests
{
    // The cross of two copies that differ by one frame of 1 kHz at 48 kHz stands at −23 dBFS: far above this.
    private const double SilentDbfs = -120;

    [Theory]
    [InlineData(ProcessorCatalogue.Through, 1)]
    [InlineData(ProcessorCatalogue.Through, 1537)]
    [InlineData(ProcessorCatalogue.Equaliser, 64)]
    [InlineData(ProcessorCatalogue.Gain, 48000)]
    // The stand-in itself is later than that: 2 ms of look-ahead and more.
    [InlineData(ProcessorCatalogue.Limiter, 7)]
    public void Insert_LateByWhatItDeclares_MeetsWhatIsNotLate_ToTheFrame(string standIn, int frames)
    {
        var device = Insert("dev", standIn) with { Device = new("Slow Box") { Latency = new(frames, 48000) } };
        var template = OneBar(Tone("a", "mix-bus", strip: device), Tone("b", "mix-bus"), new SetPolarity(new("b"), true));

        Assert.True((Renderer.Render(template, new(InMix)).PeakDbfs ?? double.NegativeInfinity) < SilentDbfs);
        Assert.Equal(frames, new CompiledTemplate(template).In(InMix).Compensation.TotalFrames);
    }

    [Fact]
    public void Insert_ThroughNothing_ChangesNoSample_ButForItsDelay()
    {
        var device = Insert("dev", ProcessorCatalogue.Through) with { Device = new("Slow Box") { Latency = new(100, 48000) } };

        var plain = Renderer.Render(OneBar(Tone("a", "mix-bus")), new(InMix));
        var through = Renderer.Render(OneBar(Tone("a", "mix-bus", strip: device)), new(InMix));

        Assert.Equal(plain.Left, through.Left);
        Assert.Equal(plain.Right, through.Right);
    }

    [Fact]
    public void Insert_OfUnknownLatency_CountsAsNone_AndOneThatIsParkedToo()
    {
        var unknown = Insert("dev", ProcessorCatalogue.Gain) with { Device = new("Slow Box") };
        var parked = Insert("off", ProcessorCatalogue.Gain) with { Device = new("Slow Box") { Latency = new(999, 48000) }, ParkedIn = [InMix] };

        Assert.Equal(0, new CompiledTemplate(OneBar(Tone("a", "mix-bus", strip: [unknown, parked]))).In(InMix).Compensation.TotalFrames);
    }

    [Theory]
    [InlineData(480, 48000, 480)]
    [InlineData(441, 44100, 480)]
    [InlineData(100, 44100, 109)]
    [InlineData(64, 96000, 32)]
    public void FramesAt_AnotherRate_IsTheNearestToTheSameTime(int frames, int rate, int at48)
    {
        Assert.Equal(at48, new DeviceLatency(frames, rate).FramesAt(48000));
    }

    [Theory]
    [InlineData(1)]
    [InlineData(2049)]
    public void Instrument_LateByWhatItDeclares_MeetsWhatIsNotLate_ToTheFrame(int frames)
    {
        var template = OneBar(Tone("a", "mix-bus"), Tone("b", "mix-bus"), new SetPolarity(new("b"), true),
            new SetDevice(new("a"), null, new("Far Keys") { Latency = new(frames, 48000) }));

        Assert.True((Renderer.Render(template, new(InMix)).PeakDbfs ?? double.NegativeInfinity) < SilentDbfs);
        Assert.Equal(frames, new CompiledTemplate(template).In(InMix).Compensation.TotalFrames);
    }

    [Fact]
    public void KeyInput_ThatTheStandInDoesNotHear_IsPaddedAllTheSame_AndCanBeListenedTo()
    {
        var device = Insert("dev", ProcessorCatalogue.Through) with { Device = new("Press") { Key = KeyWidth.Stereo, Latency = new(10, 48000) }, Key = new(true) };
        var late = Insert("late", ProcessorCatalogue.Through) with { Device = new("Slow Box") { Latency = new(700, 48000) } };
        var template = OneBar(Tone("a", "mix-bus", strip: device), Tone("b", "mix-bus"), Tone("key", "mix-bus", strip: late), new SetPolarity(new("b"), true), new SetMute(new("key"), false),
            new SetLevel(new("key"), Decibels.Silence), new PutFeed(new("key"), new(new("a"), new("dev"), new(0), TapPoint.Pre)));

        Assert.True((Renderer.Render(template, new(InMix)).PeakDbfs ?? double.NegativeInfinity) < SilentDbfs);
        Assert.Equal(710, new CompiledTemplate(template).In(InMix).Compensation.TotalFrames);
        Assert.InRange(Renderer.Render(template, new(InMix, new("a")) { Point = Core.Sound.Listening.ListeningPoint.Key, Insert = new("dev") }).PeakDbfs!.Value, -6.1, -5.9);
    }

    [Property(MaxTest = 25)]
    public void Devices_OnAnyPathsOfCopies_LeaveTheirSumAsItIs(PositiveInt a, PositiveInt b, PositiveInt c, bool keyed)
    {
        Insert Slow(string id, int frames) => Insert(id, ProcessorCatalogue.Through) with { Device = new("Box") { Latency = new(frames % 5000, 48000), Key = KeyWidth.Mono }, Key = keyed ? new(true) : null };
        var template = OneBar(
            Bus("one", "mix-bus", Slow("x", a.Get)), Bus("two", "one", Slow("y", b.Get)),
            Tone("p", "two", strip: Slow("z", c.Get)), Tone("q", "mix-bus"), new SetPolarity(new("q"), true));

        Assert.True((Renderer.Render(template, new(InMix)).PeakDbfs ?? double.NegativeInfinity) < SilentDbfs);
        Assert.Equal(a.Get % 5000 + b.Get % 5000 + c.Get % 5000, new CompiledTemplate(template).In(InMix).Compensation.TotalFrames);
    }

    [Fact]
    public void SplitsOfADeviceThatItsStandInDoesNotPlay_AreSilent_AndItsOwnChannelIsHeard()
    {
        var device = new OutsideDevice("Twin Keys") { Outputs = [new("Front", ChannelFormat.Stereo), new("Back", ChannelFormat.Mono)] };
        var template = OneBar(Tone("a", "mix-bus"), new SetDevice(new("a"), null, device), new MakeChannel(new(ChannelKind.Split) { SplitOf = new("a") }));
        var split = template.Channels.Single(c => c.Kind == ChannelKind.Split);

        Assert.Equal(("Back", ChannelFormat.Mono, new OutputSource(new("a"), 2)), (split.Name, split.Format, split.Source));
        var heard = Renderer.Render(template, new(InMix));
        Assert.InRange(heard.PeakDbfs!.Value, -6.1, -5.9);
        Assert.Null(Renderer.Render(template, new(InMix, split.Id)).PeakDbfs);
    }
}
