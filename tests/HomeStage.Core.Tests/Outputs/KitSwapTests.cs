using FsCheck.Xunit;
using HomeStage.Core.Catalogue;
using HomeStage.Core.Editing;
using HomeStage.Core.Kits;
using HomeStage.Core.Outputs;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Tests.Outputs;

/// <summary>Another kit on the splits that are there: what stays, over random kits and in the demo's own.</summary>
public sealed class KitSwapTests
{
    private static readonly ChannelId Player = KitOnStage.Player;

    [Property(MaxTest = 200, Arbitrary = [typeof(RandomKits)])]
    public void Of_AnyKit_LeavesEveryOtherChannelAsItIs((KitOnStage Stage, Kit Next) swap)
    {
        var template = Split(swap.Stage);
        if (KitSwap.Of(template, Player, InstrumentCatalogue.Flotsam, swap.Next) is not SwapResult.Swapped { Swap: var swapped })
        {
            // Refused only where the splits stand on more jacks than the new kit has.
            Assert.True(JacksUpTo(template) > swap.Next.Outputs.Sum(o => o.Format == ChannelFormat.Mono ? 1 : 2));
            return;
        }

        var after = ((BatchResult.Applied)Batch.Apply(template, [.. swapped.Edits])).Template;
        var kit = KitOf(after);
        Assert.All(template.Channels.Where(c => c.Id != Player), c => Assert.Equal(c, after.Channels[c.Id]));
        Assert.Equal(swap.Next.Pieces.Select(p => (p.Name, p.Note)), kit.Pieces.Select(p => (p.Name, p.Note)));
        foreach (var piece in kit.Pieces)
        {
            // A role keeps its output.
            if (KitOf(template).Pieces.FirstOrDefault(p => p.Name == piece.Name) is { } old && old.Output <= kit.Outputs.Count)
                Assert.Equal(old.Output, piece.Output);
            // Nothing falls silent: what is not on the first output has a split.
            Assert.True(piece.Output == 1 || after.Channels.Any(c => c.Source is OutputSource s && s.Output == piece.Output));
        }

        Assert.Equal(
            after.Channels.Where(c => c.Source is OutputSource s && kit.Pieces.All(p => p.Output != s.Output)).Select(c => c.Id),
            swapped.Empty);
        Assert.Equal(kit.Outputs.Sum(o => o.Format == ChannelFormat.Mono ? 1 : 2), swap.Next.Outputs.Sum(o => o.Format == ChannelFormat.Mono ? 1 : 2));
    }

    [Theory]
    // Neither name nor family is there; what stands above or below in the tree is near, nearest first, and what only shares the root is not.
    [InlineData("drums/metal/bells/hand", 2, SwapReason.NearFamily)]
    [InlineData("drums/metal", 2, SwapReason.NearFamily)]
    [InlineData("drums/shells/toms/low", 3, SwapReason.NearFamily)]
    [InlineData("drums/cymbals", 0, SwapReason.New)]
    public void Of_APieceWithoutItsLike_JoinsTheNearestFamilyAboveOrBelow(string family, int output, SwapReason reason)
    {
        Kit old = new(
        [
            new("Ding", 40, "drums/metal/bells", 2, DrumSound.Bell), new("Dong", 41, "drums/shells/toms", 3, DrumSound.LowTom),
        ],
        [new("One", ChannelFormat.Stereo), new("Two", ChannelFormat.Stereo), new("Three", ChannelFormat.Stereo), new("Four", ChannelFormat.Stereo)]);
        Edit[] edits =
        [
            new AddChannel(new() { Id = Player, Name = "Old kit", Kind = ChannelKind.Instrument, Destination = EmptyStage.MixBus, Source = new InstrumentSource(InstrumentCatalogue.Flotsam, old) }),
            .. Enumerable.Range(2, 2).Select(n => new AddChannel(new() { Id = new($"split-{n}"), Name = $"Split {n}", Kind = ChannelKind.Split, Destination = EmptyStage.MixBus, Source = new OutputSource(Player, n) })),
        ];
        var template = ((BatchResult.Applied)Batch.Apply(EmptyStage.Create("Swap"), edits)).Template;
        var next = old with { Pieces = [new("Zyx", 50, family, 1, DrumSound.Bell)] };

        var piece = Assert.Single(((SwapResult.Swapped)KitSwap.Of(template, Player, InstrumentCatalogue.Flotsam, next)).Swap.Pieces);

        Assert.Equal(reason, piece.Reason);
        if (output > 0)
            Assert.Equal(output, piece.Output);
    }

    [Fact]
    public void Of_TheDeepKit_KeepsTheFourteenPieces_AndGivesTheNewFamiliesFreePairs()
    {
        var edits = new List<Edit> { new AddChannel(new() { Id = Player, Name = "Tidewater Kit", Kind = ChannelKind.Instrument, Destination = EmptyStage.MixBus, Source = new InstrumentSource(InstrumentCatalogue.Tidewater, StandInKits.Tidewater) }) };
        edits.AddRange(Enumerable.Range(2, 7).Select(n => new AddChannel(new() { Id = new($"split-{n}"), Name = StandInKits.Tidewater.Outputs[n - 1].Name, Kind = ChannelKind.Split, Destination = EmptyStage.MixBus, Source = new OutputSource(Player, n) })));
        var template = ((BatchResult.Applied)Batch.Apply(EmptyStage.Create("Ferry"), edits)).Template;

        var swap = ((SwapResult.Swapped)KitSwap.Of(template, Player, InstrumentCatalogue.TidewaterDeep, StandInKits.TidewaterDeep)).Swap;

        Assert.Equal(StandInKits.Tidewater.Pieces.Select(p => (p.Name, p.Output, SwapReason.Role)), swap.Pieces.Take(14).Select(p => (p.Name, p.Output, p.Reason)));
        // More bells join the metal; toms, cymbals and both far microphones are new.
        Assert.All(swap.Pieces.Skip(14).Take(3), p => Assert.Equal((8, SwapReason.NearFamily), (p.Output, p.Reason)));
        Assert.Equal([9, 9, 10, 10, 10, 11, 12], swap.Pieces.Skip(17).Select(p => p.Output));
        Assert.Equal(["Toms", "Cymbals", "Overheads", "Hall"], swap.Edits.OfType<AddChannel>().Select(e => e.Channel.Name));
        Assert.Empty(swap.Empty);
        Assert.Empty(swap.Gone);
    }

    [Fact]
    public void Of_AKitWithoutToms_KeepsTheirSplit_AndReportsItEmpty()
    {
        var two = new Kit([new("Kick", 36, "drums/kick", 2, DrumSound.Kick), new("Floor tom", 45, "drums/toms", 3, DrumSound.LowTom)], [.. Enumerable.Range(1, 3).Select(n => new KitOutput($"Output {n}", ChannelFormat.Stereo))]);
        var one = two with { Pieces = [new("Kik", 35, "drums/kick", 1, DrumSound.Kick)] };
        var template = ((BatchResult.Applied)Batch.Apply(EmptyStage.Create("Two"),
        [
            new AddChannel(new() { Id = Player, Name = "Kit", Kind = ChannelKind.Instrument, Destination = EmptyStage.MixBus, Source = new InstrumentSource(InstrumentCatalogue.Tidewater, two) }),
            new AddChannel(new() { Id = new("kick"), Name = "Kick", Kind = ChannelKind.Split, Destination = EmptyStage.MixBus, Source = new OutputSource(Player, 2) }),
            new AddChannel(new() { Id = new("toms"), Name = "Toms", Kind = ChannelKind.Split, Destination = EmptyStage.MixBus, Source = new OutputSource(Player, 3) }),
        ])).Template;

        var swap = ((SwapResult.Swapped)KitSwap.Of(template, Player, InstrumentCatalogue.Tidewater, one)).Swap;

        // "Kik" is a kick by the words of the trade.
        Assert.Equal(new SwappedPiece("Kik", 2, SwapReason.Role, "Kick"), Assert.Single(swap.Pieces));
        Assert.Equal([new ChannelId("toms")], swap.Empty);
        Assert.Equal(["Floor tom"], swap.Gone);
    }

    private static Template Split(KitOnStage stage)
    {
        var jacks = KitJacks.Of(stage.Kit);
        var plans = ((PlanResult.Planned)OutputPlanner.Plans([.. stage.Kit.Pieces.Select(PlanPiece.Of)], jacks.Outputs, jacks.Use(int.IsEvenInteger(stage.Choices[0])))).Plans;
        return ((BatchResult.Applied)Batch.Apply(stage.Template, [.. SplitBatch.Of(stage.Template, Player, plans[stage.Choices[1] % plans.Count])])).Template;
    }

    private static int JacksUpTo(Template template)
    {
        var last = template.Channels.Select(c => c.Source).OfType<OutputSource>().Select(s => s.Output).DefaultIfEmpty(1).Max();
        return KitOf(template).Outputs.Take(last).Sum(o => o.Format == ChannelFormat.Mono ? 1 : 2);
    }

    private static Kit KitOf(Template template) => ((InstrumentSource)template.Channels[Player].Source!).Kit!;
}
