using HomeStage.Core.Catalogue;
using HomeStage.Core.Editing;
using HomeStage.Core.Editing.Words;
using HomeStage.Core.Kits;
using HomeStage.Core.Templates;
using HomeStage.TestKit;
using static HomeStage.TestKit.Stages;

namespace HomeStage.Core.Tests.Editing;

/// <summary>What edits of a kit do beside what they are named for.</summary>
public class KitEditTests
{
    private static readonly ChannelId Player = new("set");

    private static readonly Kit Set = new(
        [
            Piece.Pad("Boot", 36, "drums/kick", 2, DrumSound.Kick), Piece.Pad("Crack", 38, "drums/snare", 3, DrumSound.Snare),
            Piece.Pad("Tick", 42, "drums/hats", 1, DrumSound.ClosedHat), Piece.Pad("Wash", 46, "drums/hats", 1, DrumSound.OpenHat),
        ],
        [new("The rest", ChannelFormat.Stereo), new("Boot", ChannelFormat.Mono), new("Crack", ChannelFormat.Mono), new("Jack 4", ChannelFormat.Mono), new("Jack 5", ChannelFormat.Mono)]);

    private static readonly Template Stage = OneBar(
        new AddChannel(new() { Id = Player, Name = "Slate set", Kind = ChannelKind.Instrument, Destination = EmptyStage.MixBus, Source = new InstrumentSource(InstrumentCatalogue.Flotsam, Set) }),
        Split("boot", "Boot", 2), Split("mine", "My snare", 3));

    private static Piece Boot => Set.Pieces[0];

    private static Core.Media.MediaRef Thud => new(new('b', 64), "Thud", 48000, 1, 4800);

    public static TheoryData<Edit, string> Sentences() => new()
    {
        { new PutPiece(Player, Boot with { Note = 35 }, "Boot"), "Boot of Slate set: note 35" },
        { new PutPiece(Player, Boot with { Family = "", Sound = DrumSound.DeepDrum }, "Boot"), "Boot of Slate set: no family, another voice" },
        { new PutPiece(Player, Boot with { Name = "Heel" }, "Boot"), "Boot of Slate set is called Heel" },
        { new PutPiece(Player, Piece.Pad("Bell", 53, "", 1, DrumSound.Bell)), "Bell joins Slate set, on note 53" },
        { new PutPiece(Player, Boot with { Microphones = [new("in", 2), new("out", 4)] }, "Boot"), "Boot of Slate set: 2 microphones" },
        { new PutPiece(Player, Boot with { Microphones = [new("", 4, 0.5) { Format = ChannelFormat.Stereo, NeighboursDb = -12, Importance = 3 }] }, "Boot"), "Boot of Slate set: output 4, stereo, another pan, hears its neighbours at −12.0 dB, another place" },
        { new PutPiece(Player, Boot with { Sample = Thud }, "Boot"), "Boot of Slate set: other sounds" },
        { new PutPiece(Player, Boot, "Boot"), "Boot of Slate set: as it was" },
        { new SendToOutput(Player, ["Tick"], 5), "Tick of Slate set leaves by 6" },
        { new SendToOutput(Player, ["Tick"], 6), "Tick of Slate set leaves by output 6" },
        { new SendToOutput(Player, ["Tick"], 0), "Tick of Slate set leaves by output 0" },
        { new RemovePieces(Player, ["Tick", "Wash"]), "Tick, Wash leave Slate set" },
        { new RemovePieces(Player, ["Tick"]), "Tick leaves Slate set" },
        { new PutFarMicrophone(Player, FarMicrophone.Stereo("Attic", "drums/rooms", 1, FarPlace.Hall)), "Attic hears Slate set from afar" },
        { new PutFarMicrophone(Player, FarMicrophone.Stereo("Attic", "drums/rooms", 1, FarPlace.Hall), "Cellar"), "Attic of Slate set is set anew" },
        { new PutKitOutput(Player, new("Bells", ChannelFormat.Stereo)), "Slate set gets the output Bells, stereo" },
        { new PutKitOutput(Player, new("Bells", ChannelFormat.Mono), 4), "Output 4 of Slate set is Bells, mono" },
        { new RemoveKitOutput(Player, 5), "Slate set loses output 5" },
        { new SendToOutput(Player, ["Tick", "Wash"], 4), "Tick, Wash of Slate set leave by 5" },
        { new SendToOutput(Player, ["Boot"], 1), "Boot of Slate set leaves by the first output" },
        { new PinTogether(Player, ["Boot", "Crack"], "backbeat"), "Boot, Crack of Slate set stay together" },
        { new PinTogether(Player, ["Boot"], null), "Boot of Slate set may be parted" },
        { new KeepFamilyWhole(Player, "drums/hats", true), "drums/hats of Slate set stays whole" },
        { new KeepFamilyWhole(Player, "drums/hats", false), "drums/hats of Slate set may be divided" },
        { new SetKitUse(Player, true, false), "Slate set keeps its first output for the rest; mono pieces take one each" },
        { new SetKitUse(Player, false, true), "Slate set uses its first output like any other; mono pieces share a pair" },
    };

    [Theory]
    [MemberData(nameof(Sentences))]
    public void Of_AnEditOfAKit_SaysIt(Edit edit, string sentence) => Assert.Equal(sentence, EditWords.Of(edit, Stage));

    [Fact]
    public void PutPiece_UnderAnotherName_IsFollowedByItsOutputAndItsSplit()
    {
        var after = Stage.With(new PutPiece(Player, Boot with { Name = "Heel" }, "Boot"));

        Assert.Equal(("Heel", "Heel"), (KitOf(after).Outputs[1].Name, after.Channels[new ChannelId("boot")].Name));
        Assert.Equal("Heel", KitOf(after).Pieces[0].Name);
        // The output is called after the piece, the split by a person.
        var other = Stage.With(new PutPiece(Player, Set.Pieces[1] with { Name = "Slap" }, "Crack"));
        Assert.Equal(("Slap", "My snare"), (KitOf(other).Outputs[2].Name, other.Channels[new ChannelId("mine")].Name));
    }

    [Fact]
    public void PutPiece_WithAnotherMicrophone_LeavesTheirOutputCalledAfterThePiece()
    {
        var after = Stage.With(new PutPiece(Player, Boot with { Microphones = [new("in", 2), new("out", 2)] }, "Boot"));

        Assert.Equal(("Boot", "Boot"), (KitOf(after).Outputs[1].Name, after.Channels[new ChannelId("boot")].Name));
        var apart = Stage.With(new PutPiece(Player, Boot with { Microphones = [new("in", 2), new("out", 4)] }, "Boot"));
        Assert.Equal("Boot in", KitOf(apart).Outputs[1].Name);
    }

    /// <summary>Outputs are numbered from one to as many as there are.</summary>
    [Theory]
    [InlineData(0, false)]
    [InlineData(1, true)]
    [InlineData(5, true)]
    [InlineData(6, false)]
    public void AnOutput_IsOneOfThoseThatThereAre(int number, bool isThere)
    {
        foreach (Edit edit in new Edit[] { new SendToOutput(Player, ["Tick"], number), new PutKitOutput(Player, new("Bells", number == 1 ? ChannelFormat.Stereo : ChannelFormat.Mono), number) })
            Assert.Equal(isThere ? null : new Refusal.OutOfRange("An output of Slate set", number, 1, 5, ""), (edit.ApplyTo(Stage) as EditResult.Refused)?.Why);
        if (!isThere)
            return;
        Assert.Equal(number, KitOf(Stage.With(new SendToOutput(Player, ["Tick"], number))).Lines.Single(l => l.Name == "Tick").Output);
        Assert.Equal("Bells", KitOf(Stage.With(new PutKitOutput(Player, new("Bells", number == 1 ? ChannelFormat.Stereo : ChannelFormat.Mono), number))).Outputs[number - 1].Name);
    }

    [Fact]
    public void PutPiece_NewOrInPlaceOfNobody_OrOnATakenNote()
    {
        Assert.Equal("Bell", KitOf(Stage.With(new PutPiece(Player, Piece.Pad("Bell", 53, "", 1, DrumSound.Bell)))).Pieces[^1].Name);
        Assert.IsType<Refusal.Missing>(Stage.RefusalOf(new PutPiece(Player, Boot, "Gong")));
        Assert.Equal("doubled", Stage.RefusalOf(new PutPiece(Player, Boot with { Note = 38 }, "Boot")).Code);
        Assert.IsType<Refusal.WrongPlace>(Stage.RefusalOf(new PutPiece(EmptyStage.MixBus, Boot)));
        Assert.IsType<Refusal.UnknownChannel>(Stage.RefusalOf(new PutPiece(new("nobody"), Boot)));
    }

    [Fact]
    public void RemovePieces_TakesFarOnesToo_AndNeverTheLast()
    {
        var withFar = Stage.With(new PutFarMicrophone(Player, FarMicrophone.Stereo("Attic", "drums/rooms", 1, FarPlace.Hall)));

        var after = withFar.With(new RemovePieces(Player, ["Boot", "Attic"]));

        Assert.Equal(["Crack", "Tick", "Wash"], KitOf(after).Pieces.Select(p => p.Name));
        Assert.Empty(KitOf(after).Far);
        Assert.NotNull(after.Channels[new ChannelId("boot")]);
        Assert.IsType<Refusal.OutOfRange>(Stage.RefusalOf(new RemovePieces(Player, ["Boot", "Crack", "Tick", "Wash"])));
        Assert.IsType<Refusal.Missing>(Stage.RefusalOf(new RemovePieces(Player, ["Attic"])));
    }

    [Fact]
    public void SendToOutput_ThatIsFree_GetsASplitOfTheirFamily_BehindTheSplitBefore()
    {
        var after = Stage.With(new SendToOutput(Player, ["Tick", "Wash"], 4));

        Assert.Equal("Hats", KitOf(after).Outputs[3].Name);
        Assert.Equal([4, 4], KitOf(after).Lines.Skip(2).Select(l => l.Output));
        var split = after.Channels.Single(c => c.Source is OutputSource { Output: 4 });
        Assert.Equal(("Hats", ChannelFormat.Mono, EmptyStage.MixBus), (split.Name, split.Format, split.Destination!.Value));
        Assert.Equal(after.Channels.IndexOf(new("mine")) + 1, after.Channels.IndexOf(split.Id));
        Assert.Equal("Tick", KitOf(Stage.With(new SendToOutput(Player, ["Tick"], 4))).Outputs[3].Name);
    }

    [Fact]
    public void PutFarMicrophone_StandsLast_OrTakesTheVeryPlaceOfAnother()
    {
        static FarMicrophone Far(string name) => FarMicrophone.Stereo(name, "drums/rooms", 1, FarPlace.Hall);
        string[] Names(Template of) => [.. KitOf(of).Far.Select(f => f.Microphone.Name)];
        var two = Stage.With(new PutFarMicrophone(Player, Far("Attic")), new PutFarMicrophone(Player, Far("Cellar")));

        Assert.Equal(["Attic", "Cellar"], Names(two));
        Assert.Equal(["Loft", "Cellar"], Names(two.With(new PutFarMicrophone(Player, Far("Loft"), "Attic"))));
        Assert.Equal(["Attic", "Loft"], Names(two.With(new PutFarMicrophone(Player, Far("Loft"), "Cellar"))));
        Assert.IsType<Refusal.Missing>(two.RefusalOf(new PutFarMicrophone(Player, Far("Loft"), "Porch")));
    }

    [Fact]
    public void SendToOutput_TheFirst_KeepsItsName_WhereNothingElseLeavesByIt()
    {
        var empty = Stage.With(new SendToOutput(Player, ["Tick", "Wash"], 4));
        Assert.DoesNotContain(KitOf(empty).Lines, l => l.Output == 1);

        Assert.Equal("The rest", KitOf(empty.With(new SendToOutput(Player, ["Boot"], 1))).Outputs[0].Name);
    }

    [Fact]
    public void SendToOutput_ThatIsTaken_JoinsIt_AndNeedsNoSplit()
    {
        var after = Stage.With(new SendToOutput(Player, ["Tick"], 3));

        Assert.Equal(Stage.Channels.Count, after.Channels.Count);
        Assert.Equal(("Crack", 3), (KitOf(after).Outputs[2].Name, KitOf(after).Line("Tick").Output));
        Assert.IsType<Refusal.OutOfRange>(Stage.RefusalOf(new SendToOutput(Player, ["Tick"], 6)));
        Assert.IsType<Refusal.OutOfRange>(Stage.RefusalOf(new SendToOutput(Player, ["Tick"], 0)));
        Assert.IsType<Refusal.Missing>(Stage.RefusalOf(new SendToOutput(Player, ["Gong"], 3)));
        Assert.Equal(Stage.Channels.Count, Stage.With(new SendToOutput(Player, ["Boot"], 1)).Channels.Count);
    }

    [Fact]
    public void PutKitOutput_ThatBecomesWider_WidensItsSplit()
    {
        var after = Stage.With(new PutKitOutput(Player, new("Boots", ChannelFormat.Stereo), 2));

        Assert.Equal(("Boots", ChannelFormat.Stereo), (after.Channels[new ChannelId("boot")].Name, after.Channels[new ChannelId("boot")].Format));
        Assert.Equal(6, KitOf(Stage.With(new PutKitOutput(Player, new("New", ChannelFormat.Mono)))).Outputs.Count);
        Assert.IsType<Refusal.OutOfRange>(Stage.RefusalOf(new PutKitOutput(Player, new("New", ChannelFormat.Mono), 6)));
        Assert.IsType<Refusal.OutOfRange>(Stage.RefusalOf(new PutKitOutput(Player, new("New", ChannelFormat.Mono), 0)));
    }

    [Fact]
    public void RemoveKitOutput_MovesWhatLiesBehind_AndIsRefusedWhereASplitTakesIt()
    {
        Assert.IsType<Refusal.WrongPlace>(Stage.RefusalOf(new RemoveKitOutput(Player, 2)));
        Assert.IsType<Refusal.OutOfRange>(Stage.RefusalOf(new RemoveKitOutput(Player, 1)));
        Assert.IsType<Refusal.OutOfRange>(Stage.RefusalOf(new RemoveKitOutput(Player, 6)));

        var after = Stage.With(new RemoveChannel(new("boot")), new RemoveKitOutput(Player, 2));

        Assert.Equal(["The rest", "Crack", "Jack 4", "Jack 5"], KitOf(after).Outputs.Select(o => o.Name));
        Assert.Equal([1, 2, 1, 1], KitOf(after).Lines.Select(l => l.Output));
        Assert.Equal(2, ((OutputSource)after.Channels[new ChannelId("mine")].Source!).Output);
    }

    [Fact]
    public void Pins_StandInTheKit()
    {
        var after = Stage.With(new PinTogether(Player, ["Boot", "Crack"], "backbeat"), new KeepFamilyWhole(Player, "drums/hats", true), new KeepFamilyWhole(Player, "Drums/Hats", true), new SetKitUse(Player, false, true));

        Assert.Equal(["backbeat", "backbeat", null, null], KitOf(after).Lines.Select(l => l.Microphone.Together));
        Assert.Equal("Drums/Hats", Assert.Single(KitOf(after).Whole));
        Assert.Equal((false, true), (KitOf(after).FirstReserved, KitOf(after).Use == JackUse.Halves));
        Assert.Equal(Set with { Jacks = JackUse.Pairs }, KitOf(after.With(new PinTogether(Player, ["Boot", "Crack"], null), new KeepFamilyWhole(Player, "drums/hats", false), new SetKitUse(Player, true, false))));
    }

    private static Kit KitOf(Template template) => ((InstrumentSource)template.Channels[Player].Source!).Kit!;

    private static AddChannel Split(string id, string name, int output) =>
        new(new() { Id = new(id), Name = name, Kind = ChannelKind.Split, Format = ChannelFormat.Mono, Destination = EmptyStage.MixBus, Source = new OutputSource(Player, output) });
}
