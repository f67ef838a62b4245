using HomeStage.Core.Catalogue;
using HomeStage.Core.Devices;
using HomeStage.Core.Editing.Rules;
using HomeStage.Core.Fitting;
using HomeStage.Core.Templates;
using static HomeStage.TestKit.Stages;

namespace HomeStage.Core.Tests.Fitting;

/// <summary>Devices of a project from elsewhere that the shelf or the studio knows.</summary>
public class KnownStandInsTests
{
    private static readonly OutsideDevice Tide = new("Slow Tide") { Maker = "Nobody", DeviceId = "ab-1", Latency = new(256, 48000), Weight = new(2, 30, 1) };
    private static readonly OutsideDevice Loom = new("Loom");

    private static readonly Template Came = OneBar(
        new Core.Editing.AddChannel(new()
        {
            Id = new("p"),
            Name = "Pad",
            Kind = ChannelKind.Instrument,
            Destination = EmptyStage.MixBus,
            Source = new InstrumentSource(InstrumentCatalogue.Bellbuoy) { Device = new("LOOM") { Preset = "Dusk" } },
            Inserts = [new(new("a"), ProcessorCatalogue.Through) { Device = new("Tide, old name") { DeviceId = "AB-1" }, Off = true }, new(new("b"), ProcessorCatalogue.Through) { Device = new("Stranger") }],
        }));

    [Fact]
    public void WhatIsKnown_StandsInAsItDoesHere_AndTheRestStays()
    {
        var after = KnownStandIns.In(Came, [(Loom, InstrumentCatalogue.Gullwing), (Tide, ProcessorCatalogue.Reverb)]);
        var pad = after.Channels[new ChannelId("p")];

        Assert.Null(TemplateRules.Check(after));
        Assert.Equal((InstrumentCatalogue.Gullwing, "Loom", "Dusk"), pad.Source is InstrumentSource { Device: { } device } played ? (played.Instrument, device.Name, device.Preset) : default);
        Assert.Equal((ProcessorCatalogue.Reverb, "Slow Tide", new DeviceLatency(256, 48000), true), (pad.Inserts[0].Processor, pad.Inserts[0].Device!.Name, pad.Inserts[0].Device!.Latency!, pad.Inserts[0].Off));
        Assert.Equal(Came.Channels[new ChannelId("p")].Inserts[1], pad.Inserts[1]);
    }

    [Fact]
    public void AStandInOfTheOtherSort_IsNone_AndAKitComesWithIts()
    {
        Assert.Equal(Came, KnownStandIns.In(Came, [(Loom, ProcessorCatalogue.Reverb), (Tide, InstrumentCatalogue.Gullwing)]));
        Assert.Equal(Came, KnownStandIns.In(Came, []));
        Assert.NotNull(((InstrumentSource)KnownStandIns.In(Came, [(Loom, InstrumentCatalogue.Breakwater)]).Channels[new ChannelId("p")].Source!).Kit);
    }
}
