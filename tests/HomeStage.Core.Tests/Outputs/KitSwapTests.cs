using FsCheck.Xunit;
using HomeStage.Core.Catalogue;
using HomeStage.Core.Editing;
using HomeStage.Core.Kits;
using HomeStage.Core.Outputs;
using HomeStage.Core.Templates;
using HomeStage.TestKit;

namespace HomeStage.Core.Tests.Outputs;

/// <summary>Another kit on the splits that are there: what stays, over random kits and in the demo's own.</summary>
public sealed class KitSwapTests
{
    private static readonly ChannelId Player = KitOnStage.Player;

    [Property(MaxTest = 200, Arbitrary = [typeof(RandomKits)])]
    public void Of_AnyKit_LeavesEveryOtherChannelAsItIs((KitOnStage Stage, Kit Next) swap)
    {
        var template = Split(swap.Stage);
        var swapped = KitSwap.Of(template, Player, InstrumentCatalogue.Flotsam, swap.Next);

        var after = ((BatchResult.Applied)Batch.Apply(template, [.. swapped.Edits])).Template;
        var kit = KitOf(after);
        Assert.Equal(swap.Next.Pieces.Select(p => (p.Name, p.Note)), kit.Pieces.Select(p => (p.Name, p.Note)));
        Assert.Equal(JacksOf(swap.Next), JacksOf(kit));
        // Nothing falls silent: what is not on the first output has a split.
        Assert.All(kit.Lines, l => Assert.True(l.Output == 1 || after.Channels.Any(c => c.Source is OutputSource s && s.Output == l.Output)));
        Assert.Equal(template.Channels.Where(c => !after.Channels.Contains(c.Id) && c.Kind == ChannelKind.Split).Select(c => c.Name), swapped.Replanned?.Removed ?? []);
        Assert.True(swapped.Replanned is not null || JacksUpTo(template, swap.Next.Outputs[0]) <= JacksOf(swap.Next));
        if (swapped.Replanned is not null)
            return;
        foreach (var channel in template.Channels.Where(c => c.Id != Player))
            Assert.Equal(Strip(channel), Strip(after.Channels[channel.Id]));
        foreach (var piece in swapped.Pieces.Where(p => p.InPlaceOf is not null && p.Reason != SwapReason.Joins))
        {
            // Output, pin and importance go along.
            var (was, now) = (KitOf(template).Line(piece.InPlaceOf!), kit.Line(piece.Name));
            Assert.Equal((was.Output, was.Microphone.Stay, was.Microphone.Importance), (now.Output, now.Microphone.Stay, now.Microphone.Importance));
        }

        Assert.Equal(
            after.Channels.Where(c => c.Source is OutputSource s && kit.Lines.All(l => l.Output != s.Output)).Select(c => c.Id),
            swapped.Empty);
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
            Piece.Pad("Ding", 40, "drums/metal/bells", 2, DrumSound.Bell), Piece.Pad("Dong", 41, "drums/shells/toms", 3, DrumSound.LowTom),
        ],
        [new("One", ChannelFormat.Stereo), new("Two", ChannelFormat.Stereo), new("Three", ChannelFormat.Stereo), new("Four", ChannelFormat.Stereo)]);
        Edit[] edits =
        [
            new AddChannel(new() { Id = Player, Name = "Old kit", Kind = ChannelKind.Instrument, Destination = EmptyStage.MixBus, Source = new InstrumentSource(InstrumentCatalogue.Flotsam, old) }),
            .. Enumerable.Range(2, 2).Select(n => new AddChannel(new() { Id = new($"split-{n}"), Name = $"Split {n}", Kind = ChannelKind.Split, Destination = EmptyStage.MixBus, Source = new OutputSource(Player, n) })),
        ];
        var template = ((BatchResult.Applied)Batch.Apply(EmptyStage.Create("Swap"), edits)).Template;
        var next = old with { Pieces = [Piece.Pad("Zyx", 50, family, 1, DrumSound.Bell)] };

        var piece = Assert.Single(KitSwap.Of(template, Player, InstrumentCatalogue.Flotsam, next).Pieces);

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

        var swap = KitSwap.Of(template, Player, InstrumentCatalogue.TidewaterDeep, StandInKits.TidewaterDeep);

        Assert.Equal(StandInKits.Tidewater.Lines.Select(l => (l.Name, l.Output, SwapReason.Role)), swap.Pieces.Take(14).Select(p => (p.Name, p.Output, p.Reason)));
        // The metal is taken one to one, so more bells join it; toms, cymbals and both far microphones are new.
        Assert.All(swap.Pieces.Skip(14).Take(3), p => Assert.Equal((8, SwapReason.Joins), (p.Output, p.Reason)));
        Assert.Equal([9, 9, 10, 10, 10, 11, 12], swap.Pieces.Skip(17).Select(p => p.Output));
        Assert.Equal(["Toms", "Cymbals", "Overheads", "Hall"], swap.Edits.OfType<AddChannel>().Select(e => e.Channel.Name));
        Assert.Empty(swap.Empty);
        Assert.Empty(swap.Gone);
    }

    /// <summary>What the new machine has beyond the old outputs is as wide as its jacks are.</summary>
    [Theory]
    [InlineData(ChannelFormat.Mono, 7)]
    [InlineData(ChannelFormat.Stereo, 5)]
    public void Of_AMachineWithMoreJacks_AddsThemAsTheyCome(ChannelFormat format, int outputs)
    {
        Kit Of(int count) => new([Piece.Pad("Ding", 40, "drums/kick", 2, DrumSound.Bell)], [.. Enumerable.Range(1, count).Select(n => new KitOutput($"Output {n}", format))]);
        var template = ((BatchResult.Applied)Batch.Apply(EmptyStage.Create("Swap"), [new AddChannel(new() { Id = Player, Name = "Old kit", Kind = ChannelKind.Instrument, Destination = EmptyStage.MixBus, Source = new InstrumentSource(InstrumentCatalogue.OwnMachine, Of(3)) })])).Template;

        var after = ((BatchResult.Applied)Batch.Apply(template, KitSwap.Of(template, Player, InstrumentCatalogue.OwnMachine, Of(outputs)).Edits)).Template;

        Assert.Equal(Enumerable.Repeat(format, outputs), KitOf(after).Outputs.Select(o => o.Format));
    }

    [Fact]
    public void Of_AKitWithoutToms_KeepsTheirSplit_AndReportsItEmpty()
    {
        var two = new Kit([Piece.Pad("Kick", 36, "drums/kick", 2, DrumSound.Kick), Piece.Pad("Floor tom", 45, "drums/toms", 3, DrumSound.LowTom)], [.. Enumerable.Range(1, 3).Select(n => new KitOutput($"Output {n}", ChannelFormat.Stereo))]);
        var one = two with { Pieces = [Piece.Pad("Kik", 35, "drums/kick", 1, DrumSound.Kick)] };
        var template = ((BatchResult.Applied)Batch.Apply(EmptyStage.Create("Two"),
        [
            new AddChannel(new() { Id = Player, Name = "Kit", Kind = ChannelKind.Instrument, Destination = EmptyStage.MixBus, Source = new InstrumentSource(InstrumentCatalogue.Tidewater, two) }),
            new AddChannel(new() { Id = new("kick"), Name = "Kick", Kind = ChannelKind.Split, Destination = EmptyStage.MixBus, Source = new OutputSource(Player, 2) }),
            new AddChannel(new() { Id = new("toms"), Name = "Toms", Kind = ChannelKind.Split, Destination = EmptyStage.MixBus, Source = new OutputSource(Player, 3) }),
        ])).Template;

        var swap = KitSwap.Of(template, Player, InstrumentCatalogue.Tidewater, one);

        // "Kik" is a kick by the words of the trade.
        Assert.Equal(new SwappedPiece("Kik", 2, SwapReason.Role, "Kick"), Assert.Single(swap.Pieces));
        Assert.Equal([new ChannelId("toms")], swap.Empty);
        Assert.Equal(["Floor tom"], swap.Gone);
    }

    /// <summary>Outputs that nothing takes are a person's all the same, with their names and widths; those that the new machine has no jacks for go.</summary>
    [Theory]
    [InlineData(5, "One Two Spare-a")]
    [InlineData(6, "One Two Spare-a Output-4")]
    [InlineData(7, "One Two Spare-a Spare-b")]
    [InlineData(9, "One Two Spare-a Spare-b Output-5")]
    public void Of_AMachineWithFewerOrMoreJacks_KeepsTheOutputsBehindTheLast_AsFarAsThereIsRoom(int jacks, string outputs)
    {
        Kit old = new([Piece.Pad("Ding", 40, "drums/kick", 2, DrumSound.Bell)],
            [new("One", ChannelFormat.Stereo), new("Two", ChannelFormat.Stereo), new("Spare-a", ChannelFormat.Mono), new("Spare-b", ChannelFormat.Stereo)]);
        var next = old with { Outputs = [new("First", ChannelFormat.Stereo), .. Enumerable.Range(3, jacks - 2).Select(n => new KitOutput($"Jack {n}", ChannelFormat.Mono))] };
        var template = OnStage(old, [new("Ding", 2)]);

        var after = template.With([.. KitSwap.Of(template, Player, InstrumentCatalogue.OwnMachine, next).Edits]);

        Assert.Equal(outputs.Split(' ').Select(n => n.Replace("Output-", "Output ", StringComparison.Ordinal)), KitOf(after).Outputs.Select(o => o.Name));
        Assert.Equal(jacks, JacksOf(KitOf(after)));
    }

    [Fact]
    public void Of_AnotherPieceInItsPlace_RenamesTheSplitThatNobodyHasNamed_AndNoOther()
    {
        Kit old = new([Piece.Pad("Kick", 36, "drums/kick", 2, DrumSound.Kick), Piece.Pad("Snare", 38, "drums/snare", 3, DrumSound.Snare)],
            [new("Rest", ChannelFormat.Stereo), new("Kick", ChannelFormat.Stereo), new("Snare", ChannelFormat.Stereo)]);
        var next = old with { Pieces = [Piece.Pad("Cajon", 36, "drums/kick", 1, DrumSound.Kick), Piece.Pad("Rim", 38, "drums/snare", 1, DrumSound.Snare)] };
        var template = OnStage(old, [new("Kick", 2), new("My crack", 3)]);

        var swap = KitSwap.Of(template, Player, InstrumentCatalogue.Flotsam, next, new Dictionary<string, string?> { ["Cajon"] = "Kick", ["Rim"] = "Snare" });

        Assert.Equal(["Cajon", "My crack"], template.With([.. swap.Edits]).Channels.Where(c => c.Kind == ChannelKind.Split).Select(c => c.Name));
        Assert.Empty(swap.Widened);
    }

    /// <summary>A stereo piece on a mono output widens it where a jack behind is free, and its split with it; where none is it is heard in mono, and told.</summary>
    [Theory]
    [InlineData(4, true)]
    [InlineData(5, true)]
    [InlineData(3, false)]
    public void Of_AStereoPieceInPlaceOfAMonoOne_WidensItsOutput_WhereThereIsAJack(int jacks, bool widens)
    {
        Kit old = new([Piece.Pad("Kick", 36, "drums/kick", 2, DrumSound.Kick), Piece.Pad("Snare", 38, "drums/snare", 3, DrumSound.Snare)],
            [new("Rest", ChannelFormat.Mono), new("Kick", ChannelFormat.Mono), new("Snare", ChannelFormat.Mono)]);
        var next = old with
        {
            Pieces = [old.Pieces[0] with { Microphones = [old.Pieces[0].Microphones[0] with { Format = ChannelFormat.Stereo }] }, old.Pieces[1]],
            Outputs = [.. Enumerable.Range(1, jacks).Select(n => new KitOutput($"Jack {n}", ChannelFormat.Mono))],
        };
        var template = OnStage(old, [new("Kick", 2), new("Snare", 3)]).With(new SetPan(new("split-2"), -0.4), new SetPan(new("split-3"), 0.6));

        var swap = KitSwap.Of(template, Player, InstrumentCatalogue.OwnMachine, next);
        var after = template.With([.. swap.Edits]);
        var (kick, snare) = (after.Channels[new ChannelId("split-2")], after.Channels[new ChannelId("split-3")]);

        Assert.Equal(widens ? ["Kick"] : [], swap.Widened);
        Assert.Equal(widens ? [] : ["Kick"], swap.Narrowed);
        // Two sides stand in the middle; what is left alone stays where it was.
        Assert.Equal(widens ? (ChannelFormat.Stereo, 0.0) : (ChannelFormat.Mono, -0.4), (kick.Format, kick.Pan));
        Assert.Equal((ChannelFormat.Mono, 0.6), (snare.Format, snare.Pan));
        Assert.Equal((widens ? ChannelFormat.Stereo : ChannelFormat.Mono, ChannelFormat.Mono), (KitOf(after).Outputs[1].Format, KitOf(after).Outputs[2].Format));
        Assert.Equal(jacks, JacksOf(KitOf(after)));
    }

    [Fact]
    public void Of_NewPiecesOfNoFamily_NamesTheirOutputAfterTheFirstOfThem()
    {
        Kit old = new([Piece.Pad("Kick", 36, "drums/kick", 2, DrumSound.Kick)], [.. Enumerable.Range(1, 4).Select(n => new KitOutput($"Output {n}", ChannelFormat.Stereo))]);
        var next = old with { Pieces = [.. old.Pieces, Piece.Pad("Zyx", 60, "", 1, DrumSound.Bell), Piece.Pad("Qwv", 61, "", 1, DrumSound.Bell)] };
        var template = OnStage(old, [new("Kick", 2)]);

        var after = KitOf(template.With([.. KitSwap.Of(template, Player, InstrumentCatalogue.Flotsam, next).Edits]));

        Assert.Equal(["Zyx", "Qwv"], after.Lines.Where(l => l.Output == 3).Select(l => l.Name));
        Assert.Equal("Zyx", after.Outputs[2].Name);
    }

    [Fact]
    public void Of_ANewFamily_HasItsSplitBehindTheOthersOfItsInstrument()
    {
        Kit old = new([Piece.Pad("Kick", 36, "drums/kick", 2, DrumSound.Kick)], [.. Enumerable.Range(1, 4).Select(n => new KitOutput($"Output {n}", ChannelFormat.Stereo))]);
        var next = old with { Pieces = [.. old.Pieces, Piece.Pad("Gong", 60, "drums/gong", 1, DrumSound.Bell)] };
        var template = OnStage(old, [new("Kick", 2)]).With(
            new AddChannel(new() { Id = new("between"), Name = "Between", Kind = ChannelKind.Bus, Destination = EmptyStage.MixBus }),
            new AddChannel(new() { Id = new("split-again"), Name = "Kick again", Kind = ChannelKind.Split, Format = ChannelFormat.Stereo, Destination = EmptyStage.MixBus, Source = new OutputSource(Player, 2) }),
            new AddChannel(new() { Id = new("behind"), Name = "Behind", Kind = ChannelKind.Bus, Destination = EmptyStage.MixBus }));

        var after = template.With([.. KitSwap.Of(template, Player, InstrumentCatalogue.Flotsam, next).Edits]);

        Assert.Equal(["Between", "Kick again", "Gong", "Behind"], after.Channels.Select(c => c.Name).SkipWhile(n => n != "Between"));
    }

    /// <summary>Among pieces of one family that have nothing else in common, the one at the same place of the kit is stood in for.</summary>
    [Fact]
    public void Of_PiecesThatAreAlike_PairsThemByTheirPlaces()
    {
        Kit old = new([.. Enumerable.Range(0, 3).Select(i => Piece.Pad($"Old {"abc"[i]}", 40 + i, "drums/metal/bells", 2 + i, DrumSound.Bell))],
            [.. Enumerable.Range(1, 4).Select(n => new KitOutput($"Output {n}", ChannelFormat.Stereo))]);
        var next = old with { Pieces = [Piece.Pad("New kick", 36, "drums/kick", 1, DrumSound.Kick), Piece.Pad("New snare", 38, "drums/snare", 1, DrumSound.Snare), Piece.Pad("Xyx", 70, "drums/metal/bells", 1, DrumSound.Bell)] };
        var template = OnStage(old, [new("A", 2), new("B", 3), new("C", 4)]);

        var swap = KitSwap.Of(template, Player, InstrumentCatalogue.Flotsam, next);

        Assert.Equal("Old c", swap.Pieces.Single(p => p.Name == "Xyx").InPlaceOf);
    }

    private static Template OnStage(Kit kit, IReadOnlyList<(string Name, int Output)> splits) => EmptyStage.Create("Swap").With(
    [
        new AddChannel(new() { Id = Player, Name = "Kit", Kind = ChannelKind.Instrument, Destination = EmptyStage.MixBus, Source = new InstrumentSource(InstrumentCatalogue.Flotsam, kit) }),
        .. splits.Select(s => new AddChannel(new() { Id = new($"split-{s.Output}"), Name = s.Name, Kind = ChannelKind.Split, Format = kit.Outputs[s.Output - 1].Format, Destination = EmptyStage.MixBus, Source = new OutputSource(Player, s.Output) })),
    ]);

    private static Template Split(KitOnStage stage)
    {
        var used = stage.Template.With(new SetKitUse(Player, stage.Kit.FirstReserved, stage.Kit.Use != JackUse.Singles && int.IsEvenInteger(stage.Choices[0])));
        var plans = ((PlanResult.Planned)KitJacks.Of(KitOf(used)).Plans(KitOf(used))).Plans;
        return used.With([.. SplitBatch.Of(used, Player, plans[stage.Choices[1] % plans.Count])]);
    }

    /// <param name="first">The first output is as wide as the new instrument has it.</param>
    private static int JacksUpTo(Template template, KitOutput first)
    {
        var last = template.Channels.Select(c => c.Source).OfType<OutputSource>().Select(s => s.Output).DefaultIfEmpty(1).Max();
        return KitOf(template).Outputs.Take(last).Select((o, i) => i == 0 ? first : o).Sum(o => o.Format == ChannelFormat.Mono ? 1 : 2);
    }

    private static int JacksOf(Kit kit) => kit.Outputs.Sum(o => o.Format == ChannelFormat.Mono ? 1 : 2);

    /// <summary>All of a channel that a swap may not touch: names that nobody chose and widths follow what is carried.</summary>
    private static Channel Strip(Channel channel) => channel.Kind == ChannelKind.Split ? channel with { Name = "", Format = ChannelFormat.Mono, Pan = 0 } : channel;

    private static Kit KitOf(Template template) => ((InstrumentSource)template.Channels[Player].Source!).Kit!;
}
