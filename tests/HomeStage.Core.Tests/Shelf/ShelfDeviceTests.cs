using HomeStage.Core.Catalogue;
using HomeStage.Core.Controls;
using HomeStage.Core.Devices;
using HomeStage.Core.Editing;
using HomeStage.Core.Shelf;
using HomeStage.Core.Studios;
using HomeStage.Core.Templates;
using HomeStage.TestKit;
using static HomeStage.TestKit.Stages;

namespace HomeStage.Core.Tests.Shelf;

/// <summary>Devices of the shelf in templates, and what of a template becomes one.</summary>
public class ShelfDeviceTests
{
    private static readonly OutsideDevice Winch = new("Winch") { Controls = [new("pull", "Pull", Unit.Percent, 0, 100, 20)] };
    private static readonly ShelfItem Processor = new("item-1", "Our winch", 3, new DeviceContent(Winch, ProcessorCatalogue.Compressor, Map<double>.Empty.With("ratio", 4)));
    private static readonly ShelfItem Instrument = new("item-2", "Loom", 1, new DeviceContent(new("Loom"), InstrumentCatalogue.Gullwing, Map<double>.Empty));

    [Fact]
    public void Processor_OntoAChannel_StandsAtTheEndOfItsStrip_AndIsKnownAsACopy()
    {
        var template = OneBar(Tone("organ", "mix-bus", strip: Insert("eq", ProcessorCatalogue.Equaliser)));
        var after = Taken(template, Processor, "organ/");

        var insert = after.Channels[new ChannelId("organ")].Inserts[1];
        Assert.Equal(("winch", ProcessorCatalogue.Compressor, Winch, 4), (insert.Id.Value, insert.Processor, insert.Device, insert.Settings["ratio"]));
        Assert.Equal([new ShelfCopy(ShelfKind.Device, "organ/winch", "item-1", 3, Map<string>.Empty)], after.Copies);
        Assert.False(after.Copies[0].IsIn(after.With(new SetDevice(new("organ"), new("winch"), null))));
    }

    [Fact]
    public void Instrument_ForNothing_IsANewChannel_AndOntoAnother_TakesItsPlace()
    {
        var alone = Taken(OneBar(), Instrument, null);
        var onto = Taken(OneBar(Tone("organ", "mix-bus")), Instrument, "organ");

        Assert.Equal("Loom", ((InstrumentSource)alone.Channels[new ChannelId("loom")].Source!).Title());
        var source = (InstrumentSource)onto.Channels[new ChannelId("organ")].Source!;
        Assert.Equal((InstrumentCatalogue.KeyTone, "Loom"), (source.Instrument, source.Device!.Name));
    }

    [Fact]
    public void Device_WhereItCannotStand_IsRefused()
    {
        var template = OneBar(Tone("organ", "mix-bus", strip: Insert("eq", ProcessorCatalogue.Equaliser)));

        foreach (var (item, onto) in new[] { (Processor, (string?)null), (Processor, "organ"), (Processor, "nobody/"), (Instrument, "organ/"), (Instrument, "organ/eq"), (Processor, "organ/none"), (Processor, "a/b/c") })
            Assert.IsType<ShelfTakeResult.Refused>(ShelfTake.Of(template, item, onto));
        Assert.IsType<ShelfTakeResult.Refused>(ShelfTake.Of(template, new("s", "Room", 1, new StudioContent(new(new AudioInterface("Box", [], [], 64))))));
    }

    [Fact]
    public void Renewal_OfACopy_TakesTheNewerDevice_AndKeepsWhatItWasSetTo()
    {
        var template = Taken(OneBar(Tone("organ", "mix-bus")), Processor, "organ/").With(new SetParameter(new("organ"), new("winch"), "device.pull", 70));
        var newer = Processor with { Revision = 4, Content = new DeviceContent(Winch with { Latency = new(64, 48000) }, ProcessorCatalogue.Compressor, Map<double>.Empty) };

        var renewed = template.With([.. Assert.Single(ShelfRenewal.Of(template, newer, _ => null)).Edits]).Channels[new ChannelId("organ")].Inserts[0];

        Assert.Equal((64, 70, 4), (renewed.Device!.Latency!.Frames, renewed.Settings["device.pull"], renewed.Settings["ratio"]));
    }

    [Fact]
    public void Keep_OfADevice_TakesItWithItsStandIn_AndOfNoneIsNothing()
    {
        var template = OneBar(Tone("organ", "mix-bus", strip: Insert("comp", ProcessorCatalogue.Compressor, ("ratio", 4)) with { Device = Winch }));

        Assert.Equal((new DeviceContent(Winch, ProcessorCatalogue.Compressor, Map<double>.Empty.With("ratio", 4)), "Winch"), ShelfKeep.Of(template, ShelfKind.Device, "organ/comp"));
        Assert.Null(ShelfKeep.Of(template, ShelfKind.Device, "organ"));
        Assert.Null(ShelfKeep.Of(template, ShelfKind.Device, "Not a place"));
    }

    private static Template Taken(Template template, ShelfItem item, string? onto) =>
        template.With([.. Assert.IsType<ShelfTakeResult.Taken>(ShelfTake.Of(template, item, onto)).Take.Edits]);
}
