using HomeStage.Core.Kits;
using HomeStage.Core.LineChecks;
using HomeStage.Core.Machines;
using HomeStage.Core.Outputs;
using HomeStage.Core.Soundcheck;
using HomeStage.Core.Soundcheck.Findings;
using HomeStage.Core.Templates;
using HomeStage.TestKit;

namespace HomeStage.Core.Tests.Machines;

/// <summary>Machines whose file says by what their pieces leave.</summary>
public class FileOutputsTests
{
    private static readonly Template Empty = EmptyStage.Create("Slate");

    /// <summary>Six outputs, of which the fifth carries nothing; a bell with two sides, and a room that hears all of it.</summary>
    private static readonly Kit Said = new(
        [
            Piece.Pad("Boulder", 35, "drums/kick", 2, DrumSound.Kick), Piece.Pad("Chip", 38, "drums/snare", 3, DrumSound.Snare), Piece.Pad("Grit", 42, "drums/hats", 3, DrumSound.ClosedHat),
            Piece.Pad("Toll", 60, "percussion/metal", 4, DrumSound.Bell, format: ChannelFormat.Stereo), Piece.Pad("Dust", 70, "percussion/shakers", 1, DrumSound.Shaker),
        ],
        [.. Enumerable.Range(1, 6).Select(n => new KitOutput($"Output {n}", ChannelFormat.Mono))])
    {
        Far = [FarMicrophone.Stereo("Shaft", "drums/rooms", 6, FarPlace.Hall)],
    };

    private static readonly MachineWish Wish = new("Quarry", "", 8, false) { Brought = Said, LeavesAsBrought = true };

    [Theory]
    [InlineData(true, false, "1", "2", "3", "4–5", "7–8")]
    [InlineData(false, false, "1", "2", "3", "4–5", "7–8")]
    [InlineData(true, true, "1–2", "3–4", "5–6", "7–8", "11–12")]
    public void EachPiece_LeavesByTheOutputThatItsFileSays_AndIsHeardThereAlone(bool reserved, bool inPairs, params string[] jacks)
    {
        var (after, player) = Made(Wish with { FirstReserved = reserved, InPairs = inPairs });
        var kit = after.KitOf(player.Value)!;

        Assert.Equal(Said.Lines.Select(l => (l.Name, l.Output)), kit.Lines.Select(l => (l.Name, l.Output)));
        Assert.Equal(jacks, kit.Lines.Select(l => l.Output).Distinct().Order().Select(kit.JackLabel));
        Assert.Equal([(2, "Boulder"), (3, "Chip and grit"), (4, "Toll"), (6, "Shaft")], SplitKit.Of(after, player.Value)!.Splits.Select(s => (SplitKit.NumberOf(s), s.Name)).Order());
        Assert.DoesNotContain(Report.Of(after, "write").Open, f => f.Severity == Severity.Blocker);
        Assert.All(LineSource.AllOf(after, "write"), source => Assert.Equal(LineVerdict.Arrived, LineCheck.Fire(after, "write", source).Verdict));
    }

    [Fact]
    public void WhatIsOnTheFirstAsWell_StaysSo_AndWhatIsTypedBesides_StandsOnTheFirst()
    {
        var (after, player) = Made(Wish with { List = "Spade", Brought = Said.At("Chip", m => m with { AlsoOnFirst = true }) });
        var kit = after.KitOf(player.Value)!;

        Assert.Equal(["Chip"], kit.Lines.Where(l => l.Microphone.AlsoOnFirst).Select(l => l.Name));
        Assert.Equal(1, kit.Lines.Single(l => l.Name == "Spade").Output);
        Assert.Equal(["Chip also leaves Quarry by output 1: heard on its split and in the rest."], Report.Of(after, "write").Open.Where(f => f.Rule is "heard-twice" or "piece-unheard").Select(f => f.Sentence));
    }

    [Fact]
    public void APairThatTheFileSays_IsAPair_ThoughOnlyASinglePieceLeavesByIt()
    {
        var pairs = Said with { Outputs = Said.Outputs.Select(o => o with { Format = ChannelFormat.Stereo }).ToSequence() };

        var (after, player) = Made(Wish with { Brought = pairs });
        var kit = after.KitOf(player.Value)!;

        Assert.Equal(("3–4", JackUse.Pairs), (kit.JackLabel(2), kit.Use));
    }

    [Fact]
    public void PlannedAnew_NothingOfTheFilesOutputsIsLeft()
    {
        var (after, player) = Made(Wish with { LeavesAsBrought = false, Brought = Said.At("Chip", m => m with { AlsoOnFirst = true }) });

        Assert.DoesNotContain(after.KitOf(player.Value)!.Lines, l => l.Output == 1 || l.Microphone.AlsoOnFirst);
    }

    [Fact]
    public void Outside_EachOutputThatCarriesSomething_IsCabledToItsJack()
    {
        var (after, bus) = Made(Wish with { FirstInput = 9, FirstReserved = false });

        // The fifth output is a single jack that nothing leaves by.
        Assert.Equal(
            [("Dust", 9, null), ("Boulder", 10, null), ("Chip and grit", 11, null), ("Toll", 12, 13), ("Shaft", 15, 16)],
            after.Channels.Where(c => c.Destination == bus).Select(c => (c.Name, ((InputSource)c.Source!).First, ((InputSource)c.Source!).Second)));
    }

    [Fact]
    public void Said_OfAFileThatPutsAllOnTheFirst_IsNothing()
    {
        Assert.Equal(5, FileOutputs.Said(Said));
        Assert.Equal(0, FileOutputs.Said(Said.Together()));
    }

    private static (Template After, ChannelId Machine) Made(MachineWish wish)
    {
        var machine = Assert.IsType<MachineResult.Made>(OwnMachine.Of(Empty, wish)).Machine;
        return (Empty.With([.. machine.Edits]), machine.Channel);
    }
}
