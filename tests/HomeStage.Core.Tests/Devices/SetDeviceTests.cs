using FsCheck.Xunit;
using HomeStage.Core.Automation;
using HomeStage.Core.Catalogue;
using HomeStage.Core.Controls;
using HomeStage.Core.Devices;
using HomeStage.Core.Editing;
using HomeStage.Core.Kits;
using HomeStage.Core.Soundcheck.Findings;
using HomeStage.Core.Templates;
using HomeStage.TestKit;
using static HomeStage.TestKit.Stages;

namespace HomeStage.Core.Tests.Devices;

public class SetDeviceTests
{
    private static readonly ChannelId Keys = new("keys");
    private static readonly InsertId Comp = new("comp");

    private static readonly OutsideDevice Winch = new("Winch") { Controls = [new("pull", "Pull", Unit.Percent, 0, 100, 20)], Key = KeyWidth.Mono };

    private static readonly Template Played = OneBar(
        Tone("organ", "mix-bus"), Trigger("pulse"), Bus("keys", "mix-bus", Insert("comp", ProcessorCatalogue.Compressor, ("ratio", 4))),
        new SetKey(Keys, Comp, new(true)), new PutFeed(new("pulse"), new(Keys, Comp, new(0))));

    [Fact]
    public void SetDevice_AndNullAgain_GivesTheSameTemplate_OnInsertAndInstrument()
    {
        var there = Played.With(new SetDevice(Keys, Comp, Winch), new SetDevice(new("organ"), null, new("Loom")));

        Assert.Equal("Winch", there.Channels[Keys].Inserts[0].Title());
        Assert.Equal(4, there.Channels[Keys].Inserts[0].Settings["ratio"]);
        Assert.Equal(Played, there.With(new SetDevice(Keys, Comp, null), new SetDevice(new("organ"), null, null)));
    }

    [Fact]
    public void Controls_AreParametersLikeAnyOther()
    {
        var pull = Winch.Controls[0].Setting;
        var there = Played.With(new SetDevice(Keys, Comp, Winch), new SetParameter(Keys, Comp, pull, 55),
            new PutShape(Keys, new(new InsertTarget(Comp, pull), "song", [new(0, 0), new(1, 100)])),
            new PutLever(new("heave", "Heave", 0, [new(Keys, new InsertTarget(Comp, pull), 0, 100)])));

        Assert.Equal(new("Pull", 0, 100, "%"), new InsertTarget(Comp, pull).RangeOn(there.Channels[Keys]));
        Assert.Equal("out-of-range", there.RefusalOf(new SetParameter(Keys, Comp, pull, 101)).Code);
        Assert.Equal("missing", Played.RefusalOf(new SetParameter(Keys, Comp, pull, 50)).Code);
        Assert.Equal("out-of-range", there.RefusalOf(new PutShape(Keys, new(new InsertTarget(Comp, pull), "song", [new(0, 0), new(1, 101)]))).Code);
    }

    [Fact]
    public void SetStandIn_KeepsTheDeviceAndItsControls_AndLetsGoOfTheOldStandInsSettings()
    {
        var pull = Winch.Controls[0].Setting;
        var there = Played.With(new SetDevice(Keys, Comp, Winch), new SetParameter(Keys, Comp, pull, 55), new SetStandIn(Keys, Comp, ProcessorCatalogue.Limiter));

        var insert = there.Channels[Keys].Inserts[0];
        Assert.Equal((ProcessorCatalogue.Limiter, Winch), (insert.Processor, insert.Device));
        Assert.Equal(Map<double>.Empty.With(pull, 55), insert.Settings);
        Assert.Equal("wrong-place", Played.RefusalOf(new SetStandIn(Keys, Comp, ProcessorCatalogue.Limiter)).Code);
    }

    [Fact]
    public void SetDevice_WithoutAKeyInput_IsRefusedWhereOneIsFed()
    {
        Assert.Equal("wrong-place", Played.RefusalOf(new SetDevice(Keys, Comp, Winch with { Key = KeyWidth.None })).Code);
    }

    [Fact]
    public void SetDevice_WithFewerOutputsThanSplitsTake_IsRefused()
    {
        OutsideDevice With(int outputs) => new("Rack") { Outputs = Enumerable.Range(1, outputs).Select(n => new KitOutput($"Out {n}", ChannelFormat.Stereo)).ToSequence() };
        var split = Played.With(new SetDevice(new("organ"), null, With(3)), new MakeChannel(new(ChannelKind.Split) { SplitOf = new("organ"), Output = 3 }));

        Assert.Equal("out-of-range", split.RefusalOf(new SetDevice(new("organ"), null, With(2))).Code);
        Assert.Equal("wrong-place", split.RefusalOf(new SetDevice(new("organ"), null, null)).Code);
    }

    [Fact]
    public void ThroughNothing_WithoutADevice_IsRefused()
    {
        var through = Played.With(new SetDevice(Keys, Comp, Winch), new SetStandIn(Keys, Comp, ProcessorCatalogue.Through));

        Assert.Equal("wrong-place", through.RefusalOf(new SetDevice(Keys, Comp, null)).Code);
        Assert.Equal("wrong-place", Played.RefusalOf(new MakeInsert(Keys, ProcessorCatalogue.Through)).Code);
        Assert.Equal("winch", Played.With(new MakeInsert(Keys, ProcessorCatalogue.Through, 0, Winch)).Channels[Keys].Inserts[0].Id.Value);
    }

    [Fact]
    public void Patches_HoldTheStandInsSettings_AndLeaveTheDevicesAlone()
    {
        var pull = Winch.Controls[0].Setting;
        var there = Played.With(new SetDevice(Keys, Comp, Winch), new SetParameter(Keys, Comp, pull, 55), new KeepPatch(Keys, Comp, "Tight"));

        Assert.Equal(Map<double>.Empty.With("ratio", 4), there.Patches[0].Settings);
        var taken = there.With(new SetParameter(Keys, Comp, "ratio", 9), new TakePatch(Keys, Comp, "Tight")).Channels[Keys].Inserts[0];
        Assert.Equal(Map<double>.Empty.With("ratio", 4).With(pull, 55), taken.Settings);
    }

    [Fact]
    public void Weight_IsWhatTheDeviceDeclares_AndNotThatOfItsStandIn()
    {
        var bare = Weight.PercentOf(OneBar(Tone("organ", "mix-bus"), Bus("keys", "mix-bus")), InMix);
        var there = Played.With(new SetDevice(Keys, Comp, Winch with { Weight = new(2.25) }));

        Assert.Equal(bare + 2.25, Weight.PercentOf(there.With(new RemoveChannel(new("pulse"))), InMix), 9);
        Assert.Equal(bare, Weight.PercentOf(there.With(new RemoveChannel(new("pulse")), new SetDevice(Keys, Comp, Winch)), InMix), 9);
    }

    [Fact]
    public void ToOpen_SumsWhatDevicesThatRunSay_AndCountsThoseThatDoNotSayAll()
    {
        var there = Played.With(
            new SetDevice(Keys, Comp, Winch with { Weight = new(1, 100, 2.5) }), new SetDevice(new("organ"), null, new("Loom") { Weight = new(null, 40, 1) }),
            new AddInsert(Keys, Insert("off", ProcessorCatalogue.Through) with { Device = new("Off") { Weight = new(1, 999, 999) }, ParkedIn = [InMix] }));

        Assert.Equal((140, 3.5, 1), Weight.ToOpen(there, InMix));
        Assert.Equal((100, 2.5, 0), Weight.ToOpen(there.With(new SetStage(new("organ"), InMix, StageState.InTheWings)), InMix));
    }

    public static TheoryData<OutsideDevice, string> Wrong() => new()
    {
        { Winch with { Name = " " }, "bad-text" },
        { Winch with { Maker = "a\nb" }, "bad-text" },
        { Winch with { DeviceId = new string('x', 201) }, "bad-text" },
        { Winch with { Latency = new(-1, 48000) }, "out-of-range" },
        { Winch with { Latency = new(1, 7999) }, "out-of-range" },
        { Winch with { Weight = new(double.NaN) }, "out-of-range" },
        { Winch with { Weight = new(null, -1) }, "out-of-range" },
        { Winch with { Weight = new(null, null, 3601) }, "out-of-range" },
        { Winch with { State = new("xyz", "a.state", 5) }, "wrong-place" },
        { Winch with { State = new(new string('a', 64), "a.state", DeviceState.MostBytes + 1) }, "out-of-range" },
        { Winch with { Controls = [Winch.Controls[0], Winch.Controls[0]] }, "doubled" },
        { Winch with { Controls = [Winch.Controls[0] with { Min = 100 }] }, "wrong-place" },
        { Winch with { Controls = [Winch.Controls[0] with { Default = 101 }] }, "out-of-range" },
        { Winch with { Controls = [Winch.Controls[0] with { Unit = Unit.Choice }] }, "wrong-place" },
        { Winch with { Controls = [Winch.Controls[0] with { Unit = Unit.Switch }] }, "wrong-place" },
        { Winch with { Controls = [Winch.Controls[0] with { Id = "Pull it" }] }, "bad-text" },
        { Winch with { Controls = [Winch.Controls[0] with { Options = ["a", "b"] }] }, "wrong-place" },
        { Winch with { Outputs = Enumerable.Repeat(new KitOutput("O", ChannelFormat.Mono), 129).ToSequence() }, "too-many" },
        { Winch with { Outputs = [new("", ChannelFormat.Mono)] }, "bad-text" },
    };

    [Theory]
    [MemberData(nameof(Wrong))]
    public void SetDevice_OfOneThatCannotBe_IsRefused(OutsideDevice device, string code)
    {
        Assert.Equal(code, Played.RefusalOf(new SetDevice(Keys, Comp, device)).Code);
        Assert.Equal(code, Played.RefusalOf(new SetDevice(new("organ"), null, device)).Code);
    }

    [Theory]
    [InlineData("VST3", "a1", "VST3", "A1", true)]
    [InlineData("VST3", "a1", "VST3", "b2", false)]
    [InlineData("VST3", "a1", "CLAP", "a1", false)]
    [InlineData("VST3", "a1", "", "", true)]
    [InlineData("VST3", "", "CLAP", "", false)]
    public void IsSameAs_GoesByIdWhereBothHaveOne_ElseByName(string format, string id, string otherFormat, string otherId, bool same)
    {
        Assert.Equal(same, new OutsideDevice("Winch") { Format = format, DeviceId = id }.IsSameAs(new("winch") { Format = otherFormat, DeviceId = otherId, Maker = "Nobody" }));
    }

    [Property(MaxTest = 60)]
    public void AnyTemplate_WithEveryInstrumentAndInsertTurnedIntoADevice_AndBack_IsTheSame(int seed)
    {
        var template = new RandomTemplates(seed).Grown(30);
        var device = Winch with { Key = KeyWidth.Stereo };
        var turned = template;
        foreach (var channel in template.Channels)
        {
            if (channel.Source is InstrumentSource { Device: null })
                turned = turned.With(new SetDevice(channel.Id, null, device));
            foreach (var insert in channel.Inserts.Where(i => i.Device is null))
                turned = turned.With(new SetDevice(channel.Id, insert.Id, device));
        }

        var back = turned;
        foreach (var channel in template.Channels)
        {
            if (channel.Source is InstrumentSource { Device: null })
                back = back.With(new SetDevice(channel.Id, null, null));
            foreach (var insert in channel.Inserts.Where(i => i.Device is null))
                back = back.With(new SetDevice(channel.Id, insert.Id, null));
        }

        Assert.Equal(template, back);
    }
}
