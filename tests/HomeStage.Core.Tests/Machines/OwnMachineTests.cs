using FsCheck.Xunit;
using HomeStage.Core.Kits;
using HomeStage.Core.LineChecks;
using HomeStage.Core.Machines;
using HomeStage.Core.Soundcheck;
using HomeStage.Core.Soundcheck.Findings;
using HomeStage.Core.Templates;
using HomeStage.TestKit;

namespace HomeStage.Core.Tests.Machines;

/// <summary>Machines of one's own, from a list to splits that are all right.</summary>
public class OwnMachineTests
{
    private static readonly Template Empty = EmptyStage.Create("Slate");

    [Theory]
    // General MIDI System Level 1, percussion key map, as far as the list goes.
    [InlineData("Kick", 36)]
    [InlineData("Snare", 38)]
    [InlineData("Side stick", 37)]
    [InlineData("Clap", 39)]
    [InlineData("Closed hat", 42)]
    [InlineData("Pedal hat", 44)]
    [InlineData("Open hat", 46)]
    [InlineData("Crash", 49)]
    [InlineData("Ride", 51)]
    [InlineData("Splash", 55)]
    [InlineData("Cowbell", 56)]
    [InlineData("Tambourine", 54)]
    [InlineData("Cabasa", 69)]
    [InlineData("Low conga", 64)]
    [InlineData("Open triangle", 81)]
    public void Notes_AreThoseOfGeneralMidi(string name, int note)
    {
        var list = PieceList.Read("Kick, Snare, Side stick, Clap, Closed hat, Pedal hat, Open hat, Crash, Ride, Splash, Cowbell, Tambourine, Cabasa, Low conga, Open triangle").Pieces;

        var offered = OfferedNotes.ByGeneralMidi([.. list.Select(p => (p.Name, p.Family))], new HashSet<int>());

        Assert.Equal(note, offered[list.ToList().FindIndex(p => p.Name == name)]);
    }

    [Fact]
    public void Notes_OfWhatTheMapDoesNotKnow_LieBeyondIt_AndNoneIsGivenTwice()
    {
        var pieces = Enumerable.Range(1, 128).Select(i => ($"Blip {i}", "")).ToList();

        var offered = OfferedNotes.ByGeneralMidi(pieces, new HashSet<int> { 82, 3 });

        Assert.Equal([83, 84], offered.Take(2));
        Assert.Equal(126, offered.OfType<int>().Distinct().Count());
        Assert.Equal([null, null], offered.TakeLast(2));
        Assert.Equal([126, 127, null], OfferedNotes.Ascending(3, 125, new HashSet<int> { 125 }));
    }

    [Fact]
    public void Of_ElevenPadsOnElevenMonoJacks_IsOneActToALineCheckThatIsAllRight()
    {
        var machine = Made(new("Crate", "Boom, Kick hard, Snare A, Snare B, Clap, Rim, Hat closed, Hat open, Shaker, Blip, Loop", 11, InPairs: false) { FirstReserved = false });

        var after = Empty.With([.. machine.Edits]);

        var kit = ((InstrumentSource)after.Channels[machine.Channel].Source!).Kit!;
        Assert.Equal(11, kit.Lines.Select(l => l.Output).Distinct().Count());
        // The first is the instrument's own channel.
        Assert.Equal(10, after.Channels.Count(c => c.Source is OutputSource));
        Assert.DoesNotContain(Report.Of(after, "write").Open, f => f.Severity == Severity.Blocker);
        Assert.All(LineSource.AllOf(after, "write"), source => Assert.Equal(LineVerdict.Arrived, LineCheck.Fire(after, "write", source).Verdict));
    }

    [Fact]
    public void Of_AnAcousticKitOfTwentyThreeMicrophones_HasEachOnASplitOfItsOwn_AndFiresTrue()
    {
        var machine = Made(new("Barn set", "Kick in/out/sub, Snare top/bottom, Tom 1–5 top/bottom, Hat, Ride, Crash 1–2, Overheads L/R, Room near, Room far mono, Stairs", 48, InPairs: true) { MonoSharesPairs = true });
        var after = Empty.With([.. machine.Edits]);
        var kit = ((InstrumentSource)after.Channels[machine.Channel].Source!).Kit!;

        Assert.Equal(23, kit.Lines.Count);
        Assert.Equal(23, kit.Lines.Select(l => l.Output).Distinct().Count());
        Assert.DoesNotContain(Report.Of(after, "write").Open, f => f.Severity == Severity.Blocker);
        foreach (var source in LineSource.AllOf(after, "write"))
        {
            var row = LineCheck.Fire(after, "write", source);
            Assert.Equal((source.Name, LineVerdict.Arrived), (row.Source.Name, row.Verdict));
        }
    }

    [Fact]
    public void Of_AWishThatCannotBe_SaysWhy_AndWhatItLeftOut()
    {
        Assert.IsType<MachineResult.Refused>(OwnMachine.Of(Empty, new("Crate", "", 8, false)));
        Assert.IsType<MachineResult.Refused>(OwnMachine.Of(Empty, new("Crate", "Kick", 0, false)));
        Assert.IsType<MachineResult.Refused>(OwnMachine.Of(Empty, new("Crate", "Kick", 65, false)));
        Assert.IsType<MachineResult.Refused>(OwnMachine.Of(Empty, new("Crate", "Kick", 8, false) { NotesFrom = 128 }));
        Assert.IsType<MachineResult.Refused>(OwnMachine.Of(Empty, new("", "Kick", 8, false)));
        Assert.Equal(["…", "Snare: no note is left"], Made(new("Crate", "Kick, …, Snare", 8, false) { NotesFrom = 127 }).NotUnderstood);
    }

    [Theory]
    [InlineData(8, false, true, 8, 8)]
    [InlineData(8, true, true, 4, 8)]
    [InlineData(7, true, false, 4, 7)]
    public void Of_HasAsManyJacksAsWereWished(int jacks, bool inPairs, bool reserved, int outputs, int total)
    {
        var kit = Made(new("Crate", "Kick, Snare", jacks, inPairs) { FirstReserved = reserved, OutputNames = ["Bench"] }).Kit;

        Assert.Equal((outputs, total, "Bench"), (kit.Outputs.Count, kit.Outputs.Sum(o => o.Format == ChannelFormat.Mono ? 1 : 2), kit.Outputs[0].Name));
    }

    [Theory]
    [InlineData(0, 0)]
    [InlineData(2, 2)]
    [InlineData(null, 4)]
    public void Of_IsSplitAsWished(int? over, int splits) =>
        Assert.Equal(splits, Empty.With([.. Made(new("Crate", "Kick, Snare, Clap, Ride", 9, false) { SplitOver = over }).Edits]).Channels.Count(c => c.Kind == ChannelKind.Split));

    [Property(MaxTest = 60)]
    public void Of_AnyWish_AppliesWholeAndLeavesNoBlocker(int seed)
    {
        var chance = new Random(seed);
        string[] items = ["Kick", "Kick in/out", "Snare top/bottom", "Tom 1–4", "Hat", "Blip x3", "Crash L/R", "OH", "Room far", "Shaker", "Zap = 99", "Bell stereo"];
        chance.Shuffle(items);
        var wish = new MachineWish("Crate", $"Pad, {string.Join(", ", items.Take(chance.Next(items.Length)))}", chance.Next(1, 33), chance.Next(2) == 0)
        {
            FirstReserved = chance.Next(2) == 0,
            MonoSharesPairs = chance.Next(2) == 0,
            NotesFrom = chance.Next(2) == 0 ? null : chance.Next(60),
            SplitOver = chance.Next(3) == 0 ? chance.Next(9) : null,
        };
        var machine = Made(wish);

        var after = Empty.With([.. machine.Edits]);

        Assert.DoesNotContain(Report.Of(after, "write").Open, f => f.Severity == Severity.Blocker);
    }

    private static OwnMachine Made(MachineWish wish) => Assert.IsType<MachineResult.Made>(OwnMachine.Of(Empty, wish)).Machine;

    /// <summary>What a file brought stands first, with its notes and sounds; what is typed takes names and notes that are left.</summary>
    [Fact]
    public void Of_AFilesKitAndAList_IsBoth_PlannedOverTheJacksOfTheMachine()
    {
        var brought = new Kit([Piece.Pad("Kick", 36, "", 3, DrumSound.Kick, pan: 0.5), Piece.Pad("Anvil", 60, "percussion/metal", 1, DrumSound.Bell)], [.. Enumerable.Range(1, 3).Select(n => new KitOutput($"Output {n}", ChannelFormat.Stereo))])
        {
            Far = [FarMicrophone.Stereo("Attic", "drums/rooms", 2, FarPlace.Hall)],
        };
        var wish = new MachineWish("Tin", "Kick, Snare", 8, false) { Brought = brought, FirstReserved = false };

        var machine = ((MachineResult.Made)OwnMachine.Of(EmptyStage.Create("Tin"), wish)).Machine;

        Assert.Equal([("Kick", 36), ("Anvil", 60), ("Kick 2", 35), ("Snare", 38)], machine.Kit.Pieces.Select(p => (p.Name, p.Note)));
        Assert.Equal(("drums/kick", 0.5), (machine.Kit.Pieces[0].Family, machine.Kit.Pieces[0].Microphones[0].Pan));
        Assert.Equal("Attic", Assert.Single(machine.Kit.Far).Microphone.Name);
        Assert.Equal(Enumerable.Repeat(ChannelFormat.Mono, 8), machine.Kit.Outputs.Select(o => o.Format));
        Assert.Equal(4, EmptyStage.Create("Tin").With([.. machine.Edits]).Channels.Count(c => c.Kind == ChannelKind.Split));
        Assert.IsType<MachineResult.Refused>(OwnMachine.Of(EmptyStage.Create("Tin"), wish with { Brought = brought with { Outputs = [] } }));
    }

    [Fact]
    public void Outside_OverTwelveJacks_IsABusWithMonitoredInputs_EachWhereItsJackIs()
    {
        var wish = new MachineWish("Tin box", "Kick, Snare, Rim, Clap, Tom 1–3, Hat closed, Hat open, Crash, Ride, Shaker", 12, false) { FirstReserved = false, FirstInput = 5 };

        var made = Assert.IsType<MachineResult.Made>(OwnMachine.Of(Empty, wish)).Machine;
        var stage = Empty.With([.. made.Edits]);

        var cabled = stage.Channels.Where(c => c.Destination == made.Channel).ToList();
        Assert.Equal(["Kick", "Snare", "Rim", "Clap", "Tom 1", "Tom 2", "Tom 3", "Hat closed", "Hat open", "Crash", "Ride", "Shaker"], cabled.Select(c => c.Name));
        Assert.Equal(Enumerable.Range(5, 12), cabled.Select(c => ((InputSource)c.Source!).First));
        Assert.All(cabled, c => Assert.True(((InputSource)c.Source!).Monitored));
        Assert.All(LineSource.AllOf(stage, "write"), source => Assert.Equal(LineVerdict.Arrived, LineCheck.Fire(stage, "write", source).Verdict));
    }

    [Fact]
    public void Outside_InPairs_TakesTwoInputsForWhatIsWide_AndSharesWhereItMust()
    {
        var wish = new MachineWish("Tin box", "Kick, Crash stereo, Ride stereo, Loop stereo", 6, true) { FirstReserved = false, FirstInput = 1 };

        var stage = Empty.With([.. Assert.IsType<MachineResult.Made>(OwnMachine.Of(Empty, wish)).Machine.Edits]);

        Assert.Equal([(1, 2), (3, 4), (5, 6)], stage.Channels.Select(c => c.Source).OfType<InputSource>().Select(i => (i.First, i.Second!.Value)));
    }

    [Theory]
    [InlineData(0)]
    [InlineData(122)]
    public void Outside_BeyondTheInputsThatThereAre_IsRefused(int first) =>
        Assert.Equal("out-of-range", Assert.IsType<MachineResult.Refused>(OwnMachine.Of(Empty, new("Tin box", "Kick", 8, false) { FirstInput = first })).Why.Code);

    [Theory]
    [InlineData(null)]
    [InlineData(1)]
    public void Of_ANameThatCannotBe_OrABusThatIsNotThere_IsRefused_InHereAndOutside(int? firstInput)
    {
        var wish = new MachineWish("Tin box", "Kick, Snare", 4, false) { FirstInput = firstInput };

        Assert.Equal("bad-text", Assert.IsType<MachineResult.Refused>(OwnMachine.Of(Empty, wish with { Name = new('x', 200) })).Why.Code);
        Assert.IsType<MachineResult.Refused>(OwnMachine.Of(Empty, wish with { Under = new("nowhere") }));
    }
}
