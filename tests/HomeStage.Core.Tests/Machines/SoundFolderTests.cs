using System.Security.Cryptography;
using System.Text;
using HomeStage.Core.Machines;
using HomeStage.Core.Media;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Tests.Machines;

/// <summary>Folders of sounds, called as people call them (common practice, no source).</summary>
public class SoundFolderTests
{
    /// <summary>Written down before the reader was run on it: file, then the piece that it belongs to and its family; "-" for what says nothing.</summary>
    private const string Unseen = """
        LowTide_Kick_Deep.wav|Kick Deep|drums/kick
        LowTide_Kick_Short.wav|Kick Short|drums/kick
        LowTide_KickSub.wav|Kick Sub|drums/kick
        LowTide_SN_Main_v1.wav|SN Main|drums/snare
        LowTide_SN_Main_v2.wav|SN Main|drums/snare
        LowTide_SN_Main_v3.wav|SN Main|drums/snare
        LowTide_Snr Rim.wav|Snr Rim|drums/snare
        LowTide_Sidestick.wav|Sidestick|drums/snare
        LowTide_Clap_rr1.wav|Clap|drums/hands
        LowTide_Clap_rr2.wav|Clap|drums/hands
        LowTide_FingerSnaps.wav|Finger Snaps|drums/hands
        LowTide_HH-closed.wav|HH closed|drums/hats
        LowTide_HH-open.wav|HH open|drums/hats
        LowTide_hat_pedal.wav|Hat pedal|drums/hats
        LowTide_Tom 1.wav|Tom 1|drums/toms
        LowTide_Tom 2.wav|Tom 2|drums/toms
        LowTide_FloorTom_soft.wav|Floor Tom|drums/toms
        LowTide_FloorTom_hard.wav|Floor Tom|drums/toms
        LowTide_Crash_L.wav|Crash|drums/cymbals
        LowTide_Crash_R.wav|Crash|drums/cymbals
        LowTide_Ride_Bow_pp.wav|Ride Bow|drums/cymbals
        LowTide_Ride_Bow_mf.wav|Ride Bow|drums/cymbals
        LowTide_Ride_Bow_ff.wav|Ride Bow|drums/cymbals
        LowTide_China 18.wav|China 18|drums/cymbals
        LowTide_Splash.wav|Splash|drums/cymbals
        LowTide_Shkr_8ths.wav|Shkr 8 ths|percussion/shakers
        LowTide_Tambo.wav|Tambo|percussion/shakers
        LowTide_Cowbell.wav|Cowbell|percussion/metal
        LowTide_CongaHi.wav|Conga Hi|percussion/skins
        LowTide_CongaLo.wav|Conga Lo|percussion/skins
        LowTide_Claves.wav|Claves|percussion/wood
        LowTide_Woodblock_03.wav|Woodblock 03|percussion/wood
        LowTide_Perc_Loop.wav|Perc Loop|percussion
        LowTide_808_C.wav|808 C|bass
        LowTide_Bass Stab.wav|Bass Stab|bass
        LowTide_Vox Chop 1.wav|Vox Chop 1|voices
        LowTide_Riser.wav|Riser|effects
        LowTide_zz_final2.wav|-|
        LowTide_untitled.wav|-|
        LowTide_Gong.wav|Gong|percussion/metal
        """;

    [Fact]
    public void Of_AnUnseenFolder_Places95Percent_AndNoneWronglyInSilence()
    {
        var expected = Unseen.Split('\n').Select(l => l.Split('|')).Select(p => (File: p[0], Piece: p[1], Family: p[2])).ToList();
        var sounds = expected.ConvertAll(e => Sound(e.File));

        var read = SoundFolder.Of(sounds, all: false);

        var places = read.Pieces.SelectMany(p => p.Layers.SelectMany(l => new[] { l.Sound, l.Right }).OfType<MediaRef>().Select(s => (s.Content, p.Name, p.Family))).ToDictionary(x => x.Content);
        var wrong = expected.Zip(sounds).Where(x => !(x.First.Piece == "-"
            ? read.Unplaced.Any(u => u.StartsWith(x.First.File, StringComparison.Ordinal))
            : places.TryGetValue(x.Second.Sound.Content, out var at) ? (at.Name, at.Family) == (x.First.Piece, x.First.Family) : read.Further.Any(f => f.StartsWith(x.First.File, StringComparison.Ordinal) && f.Contains(x.First.Piece, StringComparison.Ordinal))))
            .Select(x => $"{x.First.File}: {(places.TryGetValue(x.Second.Sound.Content, out var at) ? $"{at.Name} in {at.Family}" : "not placed")}").ToList();
        TestContext.Current.SendDiagnosticMessage(string.Join("; ", wrong));
        Assert.True(wrong.Count <= 0.05 * sounds.Count, string.Join("; ", wrong));
        Assert.DoesNotContain(wrong, w => !w.Contains("not placed", StringComparison.Ordinal) && read.Unplaced.All(u => !w.StartsWith(u, StringComparison.Ordinal)));
    }

    [Fact]
    public void Of_StrokesInWords_AreLayers_SpreadEvenly()
    {
        var piece = Assert.Single(SoundFolder.Of([Sound("Snare hard.wav"), Sound("Snare soft.wav"), Sound("Snare med.wav")], all: false).Pieces);

        Assert.Equal("Snare", piece.Name);
        Assert.Equal([(1, "Snare soft.wav"), (43, "Snare med.wav"), (85, "Snare hard.wav")], piece.Layers.Select(l => (l.FromVelocity, l.Sound.Title)));
    }

    [Theory]
    [InlineData("40 90 127", "1 41 91")]
    [InlineData("1 50 100", "1 50 100")]
    [InlineData("1 2 3 4", "1 32 64 96")]
    public void Of_StrokesInNumbers_BeginWhereTheNumbersSay(string numbers, string starts)
    {
        var sounds = numbers.Split(' ').Select(n => Sound($"Kick_vel{n}.wav")).ToList();

        var piece = Assert.Single(SoundFolder.Of(sounds, all: false).Pieces);

        Assert.Equal(starts, string.Join(' ', piece.Layers.Select(l => l.FromVelocity)));
    }

    [Fact]
    public void Of_TwoSingleSides_AreOnePiece_OthersStayApart()
    {
        var read = SoundFolder.Of([Sound("Crash L.wav"), Sound("Crash R.wav"), Sound("Ride L.wav", lanes: 2), Sound("Ride R.wav", lanes: 2), Sound("China L.wav")], all: false);

        Assert.Equal(["China L", "Crash", "Ride L", "Ride R"], read.Pieces.Select(p => p.Name).Order());
        var layer = read.Pieces.Single(p => p.Name == "Crash").Layers[0];
        Assert.Equal(("Crash L.wav", "Crash R.wav"), (layer.Sound.Title, layer.Right?.Title));
        Assert.All(read.Pieces.Where(p => p.Name != "Crash"), p => Assert.Null(p.Layers[0].Right));
    }

    [Fact]
    public void Of_TheFolderAround_SaysWhatTheNameDoesNot()
    {
        var read = SoundFolder.Of([Sound("Mine/Kicks/thud 2.wav"), Sound("Mine/Hats/tss.wav"), Sound("Mine/odd.wav")], all: false);

        Assert.Equal([("Thud 2", "drums/kick"), ("Tss", "drums/hats")], read.Pieces.Select(p => (p.Name, p.Family)));
        Assert.Contains("Mine/odd.wav", Assert.Single(read.Unplaced), StringComparison.Ordinal);
    }

    /// <summary>A kit may be called after anything.</summary>
    [Theory]
    [InlineData("Crash Course Vol 2")]
    [InlineData("forty-xT3q")]
    [InlineData("Ride Home")]
    public void Of_AFolderThatIsTheNameOfTheKit_PlacesNothing(string folder) =>
        Assert.Single(SoundFolder.Of([Sound($"{folder}/odd.wav"), Sound($"{folder}/kick.wav")], all: false).Unplaced);

    [Fact]
    public void Of_All_MakesPadsOfWhatSaysNothing() =>
        Assert.Equal([("Kick", "drums/kick"), ("Xyz", "pads")], SoundFolder.Of([Sound("xyz.wav"), Sound("kick.wav")], all: true).Pieces.Select(p => (p.Name, p.Family)));

    /// <summary>Codes of pads by two capital letters (common practice). Two letters alone, or in small ones, say nothing.</summary>
    [Theory]
    [InlineData("BD_big RS CH_tight OH_loose LT CB", "Kick big:drums/kick Rim:drums/snare Tom low:drums/toms Hat closed tight:drums/hats Hat open loose:drums/hats Cowbell:percussion/metal", 0)]
    [InlineData("BD_big RS LT OH_L", "Kick big:drums/kick Rim:drums/snare Tom low:drums/toms OH L:drums/overheads", 0)]
    [InlineData("CH_tight RS", "", 2)]
    [InlineData("BD RS LT ___", "Kick:drums/kick Rim:drums/snare Tom low:drums/toms", 1)]
    [InlineData("ch_tight rs lt cb", "", 4)]
    public void Of_CodesOfPads_AreSpeltOut_WhereAFolderHasSeveral(string files, string pieces, int unplaced)
    {
        var read = SoundFolder.Of([.. files.Split(' ').Select(f => Sound($"{f}.wav"))], all: false);

        Assert.Equal(pieces, string.Join(' ', read.Pieces.Select(p => $"{p.Name}:{p.Family}")));
        Assert.Equal(unplaced, read.Unplaced.Count);
    }

    [Fact]
    public void Of_TheSameSoundTwice_IsSaid()
    {
        var sound = Sound("Kick.wav");

        var read = SoundFolder.Of([sound, sound with { Path = "Snare.wav" }], all: false);

        Assert.Equal("Snare.wav: the same sound as Kick.wav", Assert.Single(read.Further));
    }

    [Fact]
    public void Machine_OfSounds_IsAsWideAsTheyAre_AndJoinsSides()
    {
        var (left, right) = (Sound("Crash L.wav"), Sound("Crash R.wav"));
        var joined = Sound("Crash.wav", lanes: 2).Sound;
        var wish = new MachineWish("Box", "", 8, true) { Sounds = [Sound("Kick.wav"), left, right, Sound("Ride.wav", lanes: 2)] };

        var made = Assert.IsType<MachineResult.Made>(OwnMachine.Of(EmptyStage.Create("Slate"), wish, (l, r) => (l, r) == (left.Sound, right.Sound) ? joined : null)).Machine;

        Assert.Equal([("Kick", ChannelFormat.Mono, 36), ("Crash", ChannelFormat.Stereo, 49), ("Ride", ChannelFormat.Stereo, 51)],
            made.Kit.Pieces.Select(p => (p.Name, p.Microphones[0].Format, p.Note)));
        Assert.Equal(joined, made.Kit.Pieces[1].Sample);
        Assert.Empty(made.NotUnderstood);
    }

    [Fact]
    public void Machine_SidesThatCannotBeJoined_AreSaid()
    {
        var wish = new MachineWish("Box", "", 8, true) { Sounds = [Sound("Crash L.wav"), Sound("Crash R.wav")] };

        var made = Assert.IsType<MachineResult.Made>(OwnMachine.Of(EmptyStage.Create("Slate"), wish)).Machine;

        Assert.Equal("Crash L.wav", made.Kit.Pieces[0].Sample?.Title);
        Assert.Contains("Crash R.wav", Assert.Single(made.NotUnderstood), StringComparison.Ordinal);
    }

    private static FolderSound Sound(string path, int lanes = 1) => new(path, new(Convert.ToHexStringLower(SHA256.HashData(Encoding.UTF8.GetBytes(path))), path, 48000, lanes, 4800));
}
