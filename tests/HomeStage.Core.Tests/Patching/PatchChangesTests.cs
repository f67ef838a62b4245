using HomeStage.Core.Editing;
using HomeStage.Core.Patching;
using HomeStage.Core.Templates;
using static HomeStage.TestKit.Stages;

namespace HomeStage.Core.Tests.Patching;

/// <summary>What lines of a patching table come to, by hand.</summary>
public class PatchChangesTests
{
    private static readonly Template Stage = OneBar(
        Taking("oboe", "Oboe", new InputSource(3, Monitored: true) { FirstName = "Wall 3" }), Taking("lute", "Lute", null), Taking("twin", "Twin", null), Taking("twin2", "Twin", null),
        new AddChannel(new() { Id = new("ref"), Name = "Reference", Kind = ChannelKind.Direct, OutputPair = 2, OutputName = "Small boxes" }), Tone("keys", "mix-bus"));

    [Fact]
    public void OneInputOrTwo_AreTaken_AndTheChannelIsAsWide()
    {
        var after = Done(new PatchRow("Lute") { Inputs = [7, 8], InputName = "Far left", SecondInputName = "" }, new PatchRow("oboe") { Inputs = [5], InputName = "" });

        Assert.Equal((ChannelFormat.Stereo, new InputSource(7, 8, Monitored: true) { FirstName = "Far left" }), (after.Channels[new ChannelId("lute")].Format, (InputSource)after.Channels[new ChannelId("lute")].Source!));
        Assert.Equal(new InputSource(5, Monitored: true), after.Channels[new ChannelId("oboe")].Source);
    }

    [Fact]
    public void WhatIsNotSaid_Stays_AndAnEmptyCellTakesTheInputAway()
    {
        var heard = Done(new PatchRow("Oboe") { Monitored = false });

        Assert.Equal(new InputSource(3) { FirstName = "Wall 3" }, heard.Channels[new ChannelId("oboe")].Source);
        Assert.Null(Done(new PatchRow("Oboe") { Inputs = [] }).Channels[new ChannelId("oboe")].Source);
        Assert.Empty(PatchChanges.Of(Stage, PatchRow.OfInputs(Stage).Concat(PatchRow.OfOutputs(Stage)).Where(r => r.Channel != "Twin")).Edits);
    }

    [Fact]
    public void WhatIsOnOneSideNow_ForgetsTheOtherSidesName_AndWhatWasUnheardStaysSo()
    {
        var wide = Stage.With(new TakeInput(new("lute"), new(1, 2) { FirstName = "L", SecondName = "R" }));

        var after = wide.With([.. PatchChanges.Of(wide, [new("Lute") { Inputs = [6] }]).Edits]);

        Assert.Equal(new InputSource(6) { FirstName = "L" }, after.Channels[new ChannelId("lute")].Source);
    }

    [Fact]
    public void APairAndItsName_ArePatched()
    {
        var after = Done(new PatchRow("Reference") { Pair = 4 }, new PatchRow("Main") { Pair = 1, PairName = "Desk" });

        Assert.Equal((4, "Small boxes"), (after.Channels[new ChannelId("ref")].OutputPair, after.Channels[new ChannelId("ref")].OutputName));
        Assert.Equal("Desk", after.Main.OutputName);
    }

    [Theory]
    [InlineData("Nobody", 1, "Line 9: no channel is called Nobody.")]
    [InlineData("Twin", 1, "Line 9: 2 channels are called Twin.")]
    [InlineData("Mix bus", 1, "Line 9: Mix bus takes no hardware input.")]
    public void WhatCannotBe_IsSaid_AndTheRestIsDone(string channel, int input, string said)
    {
        var changes = PatchChanges.Of(Stage, [new(channel) { Inputs = [input], Line = 9 }, new("Lute") { Inputs = [2] }, new("LUTE") { Inputs = [4] }]);

        Assert.Equal([said, "LUTE stands in it twice."], changes.LeftOut);
        Assert.Equal(2, ((InputSource)Stage.With([.. changes.Edits]).Channels[new ChannelId("lute")].Source!).First);
    }

    [Fact]
    public void InputsThatCannotBe_AreSaid()
    {
        string Said(PatchRow row) => Assert.Single(PatchChanges.Of(Stage, [row]).LeftOut);

        Assert.Equal("Lute would take input 4 on both sides.", Said(new("Lute") { Inputs = [4, 4] }));
        Assert.Equal("Lute takes one input or two.", Said(new("Lute") { Inputs = [4, 5, 6] }));
        Assert.Equal("Lute takes no output of an instrument.", Said(new("Lute") { Output = 2 }));
        Assert.Equal("Lute goes to no hardware output by itself.", Said(new("Lute") { Pair = 2 }));
        Assert.Contains("128", Said(new("Lute") { Inputs = [129] }), StringComparison.Ordinal);
    }

    private static Template Done(params PatchRow[] rows)
    {
        var changes = PatchChanges.Of(Stage, rows);
        Assert.Empty(changes.LeftOut);
        return Stage.With([.. changes.Edits]);
    }

    private static AddChannel Taking(string id, string name, InputSource? source) => new(new() { Id = new(id), Name = name, Kind = ChannelKind.Audio, Destination = EmptyStage.MixBus, Source = source, Format = ChannelFormat.Mono });
}
