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
        Split("kick", "Kick", 2), Split("mine", "My snare", 3), Split("hats", "Hats", 7));

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
        var outputs = Math.Max(7, chance.Next(1, 30));
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

    private static Kit KitOf(Template template) => ((InstrumentSource)template.Channels[Player].Source!).Kit!;

    private static AddChannel Split(string id, string name, int output) =>
        new(new() { Id = new(id), Name = name, Kind = ChannelKind.Split, Format = ChannelFormat.Mono, Destination = EmptyStage.MixBus, Source = new OutputSource(Player, output) });
}
