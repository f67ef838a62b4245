using HomeStage.Core.Catalogue;
using HomeStage.Core.Kits;
using HomeStage.Core.Media;

namespace HomeStage.Core.Tests.Kits;

public class KitTests
{
    [Theory]
    [InlineData(InstrumentCatalogue.Tidewater, 14, 8)]
    [InlineData(InstrumentCatalogue.Breakwater, 12, 10)]
    public void StandInKits_HaveTheirPiecesAndOutputs(string instrument, int pieces, int outputs)
    {
        var kit = InstrumentCatalogue.Find(instrument)!.Kit!;

        Assert.Equal((pieces, outputs), (kit.Pieces.Count, kit.Outputs.Count));
        Assert.Null(KitRules.Check(kit));
    }

    [Theory]
    [InlineData(1, 1, ChannelFormat.Mono)]
    [InlineData(2, 1, ChannelFormat.Stereo)]
    [InlineData(1, 2, ChannelFormat.Stereo)]
    public void Playing_ASound_MakesThePieceAsWideAsTheWidestOfItsSounds(int lanes, int harder, ChannelFormat format)
    {
        MediaRef Sound(int count) => new(new string('b', 64), "Slate", 48000, count, 4800);
        var piece = Piece.Pad("Slate", 36, "pads", 1, DrumSound.Clap) with { Layers = [new(90, Sound(harder))] };

        Assert.Equal(format, piece.Playing(Sound(lanes)).Microphones[0].Format);
    }

    [Fact]
    public void Playing_ItsVoiceAgain_KeepsTheWidthThatWasSaid()
    {
        var wide = Piece.Pad("Slate", 36, "pads", 1, DrumSound.Clap, format: ChannelFormat.Stereo);

        Assert.Equal(wide, wide.Playing(null));
    }

    [Fact]
    public void Hearing_OnTheFirstOutputAsWell_IsTheSameThere_FromAfarAndBesideToo()
    {
        var beside = Piece.Pad("Slate", 36, "pads", 2, DrumSound.Clap) with { Microphones = [new("", 2, 0.5) { NeighboursDb = -20, AlsoOnFirst = true }] };
        var kit = new Kit([beside, Piece.Pad("Bone", 37, "pads", 3, DrumSound.RimClick)], [.. Enumerable.Range(1, 4).Select(n => new KitOutput($"Output {n}", ChannelFormat.Stereo))])
        {
            Far = [FarMicrophone.Stereo("Shaft", "rooms", 4, FarPlace.Hall) with { Microphone = new("Shaft", 4) { AlsoOnFirst = true } }],
        };

        foreach (var piece in kit.Pieces)
        {
            var heard = Hearing.Of(kit, piece).ToLookup(h => h.Output);
            Assert.Equal(heard[2].Concat(heard[4]).Select(h => h with { Output = 1 }), heard[1]);
        }
    }

    [Fact]
    public void JackLabel_OfPairs_CountsTwoJacksEach()
    {
        var kit = InstrumentCatalogue.Find(InstrumentCatalogue.Tidewater)!.Kit!;

        Assert.Equal(["1–2", "3–4", "15–16"], new[] { 1, 2, 8 }.Select(kit.JackLabel));
    }

    [Fact]
    public void JackLabel_AmongPairsAndSingles_CountsWhatStandsBefore()
    {
        var kit = new Kit([Piece.Pad("A", 1, "", 1, DrumSound.Kick)], [new("Pair", ChannelFormat.Stereo), new("One", ChannelFormat.Mono), new("Pair", ChannelFormat.Stereo)]);

        Assert.Equal(["1–2", "3", "4–5"], new[] { 1, 2, 3 }.Select(kit.JackLabel));
    }

    [Fact]
    public void Check_TwoPiecesOnOneNote_AreRefused()
    {
        var kit = new Kit([Piece.Pad("A", 36, "", 1, DrumSound.Kick), Piece.Pad("B", 36, "", 1, DrumSound.Snare)], [new("Out", ChannelFormat.Stereo)]);

        Assert.Equal("doubled", KitRules.Check(kit)!.Code);
    }

    [Theory]
    [InlineData("Floor tom", "drums/toms", 41, DrumSound.LowTom)]
    [InlineData("Ship's bell", "", 60, DrumSound.Bell)]
    [InlineData("Pad 7", "drums/snare", 60, DrumSound.Snare)]
    [InlineData("Pad 8", "", 42, DrumSound.ClosedHat)]
    public void Guess_GoesByNameThenFamilyThenNote(string name, string family, int note, DrumSound sound)
    {
        Assert.Equal(sound, SoundNames.Guess(name, family, note));
    }
}
