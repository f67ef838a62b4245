using FsCheck.Xunit;
using HomeStage.Core.Catalogue;
using HomeStage.Core.Editing;
using HomeStage.Core.Kits;
using HomeStage.Core.Machines;
using HomeStage.Core.Soundcheck;
using HomeStage.Core.Soundcheck.Findings;
using HomeStage.Core.Templates;
using HomeStage.TestKit;
using static HomeStage.TestKit.Stages;

namespace HomeStage.Core.Tests.Machines;

/// <summary>A kit that a file brought: everything in it is heard, and names follow.</summary>
public class KitFromFileTests
{
    private static readonly ChannelId Player = new("set");

    private static readonly Template Stage = OneBar(
        new AddChannel(new() { Id = Player, Name = "Set", Kind = ChannelKind.Instrument, Destination = EmptyStage.MixBus, Source = new InstrumentSource(InstrumentCatalogue.Breakwater, StandInKits.Breakwater) }),
        Return("hall", "mix-bus"), Split("kick", "Kick", 2), Split("mine", "My snare", 3), Split("hats", "Hats", 7));

    [Fact]
    public void Of_OtherPieces_NamesTheSplitsAfterThem_ButThoseThatAPersonNamed()
    {
        var kit = StandInKits.Breakwater with { Pieces = [Piece.Pad("Boom", 36, "drums/kick", 2, DrumSound.Kick), Piece.Pad("Slap", 38, "drums/snare", 3, DrumSound.Snare), Piece.Pad("Fizz", 42, "drums/hats", 7, DrumSound.ClosedHat)] };

        var after = Stage.With([.. KitFromFile.Of(Stage, Player, kit)]);

        Assert.Equal(["Boom", "My snare", "Fizz"], new[] { "kick", "mine", "hats" }.Select(id => after.Channels[new ChannelId(id)].Name));
        Assert.Equal(["Boom", "Slap", "Fizz"], new[] { 1, 2, 6 }.Select(i => KitOf(after).Outputs[i].Name));
        Assert.Equal(InstrumentCatalogue.Breakwater, ((InstrumentSource)after.Channels[Player].Source!).Instrument);
    }

    [Fact]
    public void Of_PiecesOnOutputsThatNobodyTakes_GivesThemSplits()
    {
        var kit = StandInKits.Breakwater with { Pieces = [Piece.Pad("Boom", 36, "drums/kick", 2, DrumSound.Kick), Piece.Pad("Ping", 51, "drums/cymbals", 9, DrumSound.Ride)] };

        var after = Stage.With([.. KitFromFile.Of(Stage, Player, kit)]);

        Assert.Contains(after.Channels, c => c.Source is OutputSource { Output: 9 } split && split.Instrument == Player);
    }

    [Fact]
    public void Of_MoreJacksThanTheInstrumentHas_IsPlayedByAMachineOfOnesOwn()
    {
        var kit = StandInKits.Breakwater with { Outputs = [.. StandInKits.Breakwater.Outputs, .. Enumerable.Range(11, 4).Select(n => new KitOutput($"Output {n}", ChannelFormat.Mono))] };

        var after = Stage.With([.. KitFromFile.Of(Stage, Player, kit)]);

        Assert.Equal(InstrumentCatalogue.OwnMachine, ((InstrumentSource)after.Channels[Player].Source!).Instrument);
        Assert.DoesNotContain(Report.Of(after, "write").Open, f => f.Rule == "output-beyond");
    }

    [Property(MaxTest = 100)]
    public void Of_AnyKit_LeavesNoBlocker(int seed)
    {
        var chance = new Random(seed);
        var outputs = chance.Next(1, 30);
        var kit = new Kit(
            [.. Enumerable.Range(0, 1 + chance.Next(20)).Select(i => Piece.Pad($"Piece {i}", 30 + i, chance.Next(2) == 0 ? "drums/toms" : "", 1 + chance.Next(outputs), DrumSound.Clap))],
            [.. Enumerable.Range(1, outputs).Select(n => new KitOutput($"Output {n}", (ChannelFormat)chance.Next(2)))])
        {
            Far = chance.Next(2) == 0 ? [] : [FarMicrophone.Stereo("Attic", "drums/rooms", 1 + chance.Next(outputs), FarPlace.Hall)],
        };

        var after = Stage.With([.. KitFromFile.Of(Stage, Player, kit)]);

        Assert.DoesNotContain(Report.Of(after, "write").Open, f => f.Severity == Severity.Blocker);
        Assert.Equal(kit.Lines.Select(l => (l.Name, l.Output)), KitOf(after).Lines.Select(l => (l.Name, l.Output)));
    }

    /// <summary>Jacks that are too few, too many or of another width than what is there are settled, whatever is chosen.</summary>
    [Property(MaxTest = 100)]
    public void Of_AnyKitOverAnyJacks_LeavesNoBlocker_AndEveryPieceOnAnOutputThatIsThere(int seed)
    {
        var chance = new Random(seed);
        var outputs = chance.Next(1, 30);
        var brought = new Kit(
            [.. Enumerable.Range(0, 1 + chance.Next(20)).Select(i => Piece.Pad($"Piece {i}", 30 + i, chance.Next(2) == 0 ? "drums/toms" : "", 1 + chance.Next(outputs), DrumSound.Clap, format: (ChannelFormat)chance.Next(2)))],
            [.. Enumerable.Range(1, outputs).Select(n => new KitOutput($"Output {n}", (ChannelFormat)chance.Next(2)))], chance.Next(2) == 0);
        brought = brought.Rewired(l => l.Microphone with { Stay = (PieceStay)chance.Next(3) });
        var choice = new JackChoice((JackOrigin)chance.Next(3), chance.Next(1, 20), chance.Next(2) == 0);

        var kit = choice.Settle(brought, StandInKits.Breakwater);
        var after = Stage.With([.. KitFromFile.Of(Stage, Player, kit)]);

        Assert.DoesNotContain(Report.Of(after, "write").Open, f => f.Severity == Severity.Blocker);
        Assert.Equal(brought.Pieces.Select(p => p.Name), KitOf(after).Pieces.Select(p => p.Name));
        Assert.Equal(
            choice.From switch
            {
                JackOrigin.File => brought.Outputs.Sum(Jacks),
                JackOrigin.Here => StandInKits.Breakwater.Outputs.Sum(Jacks),
                _ => choice.Jacks,
            },
            KitOf(after).Outputs.Sum(Jacks));

        static int Jacks(KitOutput output) => output.Format == ChannelFormat.Stereo ? 2 : 1;
    }

    [Fact]
    public void Of_FewerJacksThanSplits_PutsAWorkedOnSplitAside_AndTheOthersGo()
    {
        var worked = Stage.With(new PutSend(new("hats"), new(new("hall"), new(-12))));
        var kit = StandInKits.Breakwater with { Pieces = [Piece.Pad("Boom", 36, "drums/kick", 2, DrumSound.Kick)], Outputs = [.. StandInKits.Breakwater.Outputs.Take(2)] };

        var after = worked.With([.. KitFromFile.Of(worked, Player, kit)]);

        // “My snare” was called so by somebody, which is work as well.
        Assert.Equal(["hats", "mine"], after.Aside.Select(a => a.Split.Id.Value).Order());
        Assert.Equal(["kick"], after.Channels.Where(c => c.Kind == ChannelKind.Split).Select(c => c.Id.Value));
    }

    [Fact]
    public void Of_SinglesWherePairsWere_GivesTheSplitsTheWidthOfWhatTheyTake()
    {
        var pairs = StandInKits.Breakwater with { Outputs = [.. StandInKits.Breakwater.Outputs.Select((o, i) => i == 1 ? o with { Format = ChannelFormat.Stereo } : o)] };
        var stereo = Stage.With(new SetOutputs(Player, pairs, [new(new("kick"), 2, "Kick", ChannelFormat.Stereo, 0)]));
        var kit = new JackChoice(JackOrigin.Own, 5).Settle(StandInKits.Breakwater with { Pieces = [Piece.Pad("Boom", 36, "drums/kick", 2, DrumSound.Kick), Piece.Pad("Slap", 38, "drums/snare", 3, DrumSound.Snare)] }, StandInKits.Breakwater);

        var after = stereo.With([.. KitFromFile.Of(stereo, Player, kit)]);

        Assert.All(after.Channels.Where(c => c.Kind == ChannelKind.Split), c => Assert.Equal(ChannelFormat.Mono, c.Format));
        Assert.Equal("5 mono outputs", KitOutput.Spoken(KitOf(after).Outputs));
        Assert.True(JackChoice.Differ(kit, StandInKits.Breakwater));
        Assert.NotNull(new JackChoice(JackOrigin.Own, 65).Check());
    }

    private static Kit KitOf(Template template) => ((InstrumentSource)template.Channels[Player].Source!).Kit!;

    private static AddChannel Split(string id, string name, int output) =>
        new(new() { Id = new(id), Name = name, Kind = ChannelKind.Split, Format = ChannelFormat.Mono, Destination = EmptyStage.MixBus, Source = new OutputSource(Player, output) });
}
