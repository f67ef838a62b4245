using FsCheck.Xunit;
using HomeStage.Core.Automation;
using HomeStage.Core.Catalogue;
using HomeStage.Core.Controls;
using HomeStage.Core.Devices;
using HomeStage.Core.Editing;
using HomeStage.Core.Fitting;
using HomeStage.Core.Templates;
using HomeStage.TestKit;
using static HomeStage.TestKit.Stages;

namespace HomeStage.Core.Tests.Fitting;

public class DeviceSwapTests
{
    private static readonly ChannelId Keys = new("keys");
    private static readonly InsertId Comp = new("comp");
    private static readonly OutsideDevice Old = new("Old") { Key = KeyWidth.Mono, Controls = [new("pull", "Pull", Unit.Percent, 0, 100, 20), new("air", "Air", Unit.Number, 0, 10, 0)] };
    private static readonly OutsideDevice New = new("New") { Key = KeyWidth.Mono, Controls = [new("amount", "PULL", Unit.Percent, 0, 100, 0), new("tilt", "Tilt", Unit.Number, 0, 1, 0)] };

    private static readonly Template Set = OneBar(
        Trigger("pulse"), Bus("keys", "mix-bus", Insert("comp", ProcessorCatalogue.Compressor, ("ratio", 4))), new SetKey(Keys, Comp, new(true)), new PutFeed(new("pulse"), new(Keys, Comp, new(-3))),
        new SetDevice(Keys, Comp, Old), new SetParameter(Keys, Comp, "device.pull", 60), new SetParameter(Keys, Comp, "device.air", 7),
        new PutShape(Keys, new(new InsertTarget(Comp, "device.pull"), "song", [new(0, 0), new(1, 80)])),
        new PutLever(new("heave", "Heave", 0.5, [new(Keys, new InsertTarget(Comp, "device.pull"), 0, 50), new(Keys, new LevelTarget(), -6, 0)])));

    [Fact]
    public void Of_AnotherDevice_TakesAlongWhatItHasByName_AndSaysFirstWhatItHasNot()
    {
        var swap = DeviceSwap.Of(Set, Keys, Comp, New);
        var after = Set.With([.. swap.Edits]);

        Assert.Equal(["Air: New has no control for its value 7"], swap.Left);
        var insert = after.Channels[Keys].Inserts[0];
        Assert.Equal((New, new KeyInput(true), 60, 4), (insert.Device, insert.Key, insert.Settings["device.amount"], insert.Settings["ratio"]));
        Assert.False(insert.Settings.ContainsKey("device.pull"));
        Assert.Equal(new InsertTarget(Comp, "device.amount"), Assert.Single(after.Channels[Keys].Shapes).Target);
        Assert.Equal([new InsertTarget(Comp, "device.amount"), new LevelTarget()], after.Levers[0].Ranges.Select(r => r.Target));
        Assert.Equal(Set.Channels[new ChannelId("pulse")], after.Channels[new ChannelId("pulse")]);
        Assert.Equal(Set, after.With([.. DeviceSwap.Of(after, Keys, Comp, Old).Edits]));
    }

    [Fact]
    public void Of_TheSameIdInAnotherRange_LetsGoOfWhatDoesNotFit_AndSaysSo()
    {
        var narrow = Old with { Name = "Narrow", Controls = [Old.Controls[0] with { Max = 50 }, Old.Controls[1]] };

        var swap = DeviceSwap.Of(Set, Keys, Comp, narrow);
        var after = Set.With([.. swap.Edits]);

        Assert.Equal(["Pull: Narrow has no control for its value 60 %, a curve, a lever"], swap.Left);
        Assert.Equal(Map<double>.Empty.With("ratio", 4).With("device.air", 7), after.Channels[Keys].Inserts[0].Settings);
        Assert.Empty(after.Channels[Keys].Shapes);
        Assert.Equal([new LevelTarget()], after.Levers[0].Ranges.Select(r => r.Target));
    }

    [Property(MaxTest = 150)]
    public void AnyDevice_InThePlaceOfAnother_AndBack_GivesTheSameTemplate(int seed)
    {
        var chance = new RandomTemplates(seed);
        var template = chance.Grown(40);
        var other = new RandomParts(new Random(seed)).Device();
        foreach (var channel in template.Channels)
            foreach (var (insert, device) in channel.Inserts.Where(i => i.Device is not null).Select(i => ((InsertId?)i.Id, i.Device!)).Concat(channel.Source is InstrumentSource { Device: { } played } ? [((InsertId?)null, played)] : []))
            {
                var swap = DeviceSwap.Of(template, channel.Id, insert, other with { Key = device.Key, Outputs = device.Outputs });
                var there = template.With([.. swap.Edits]);
                Assert.Equal(template, there.With([.. DeviceSwap.Of(there, channel.Id, insert, device).Edits]));
            }
    }
}
