using System.IO.Compression;
using System.Text;
using HomeStage.Core.Sound;
using HomeStage.Formats.Sfz;
using HomeStage.Formats.Wave;

namespace HomeStage.Formats.Tests.Sfz;

/// <summary>SFZ opcodes and headers are from memory of the open format; the files are made here.</summary>
public sealed class SfzReaderTests
{
    private static readonly byte[] Tick = Wave();

    [Fact]
    public void Read_RegionsWithKeysLabelsLayersAndOutputs_GivesPieces()
    {
        var kit = Read(("kit/drums.sfz", """
            // a comment <region> key=99
            <control> default_path=Samples\ label_key38=Side drum
            <global> pan=-50
            <group> group_label=Low drums output=1
            <region> key=36 lovel=1 hivel=63 sample=soft kick.wav
            <region> key=c2 lovel=64 hivel=127 sample=loud kick.wav
            <group> output=3 pan=0
            <region> key=38 sample=snare.wav /* and what is not read */ ampeg_release=2
            <region> lokey=40 hikey=43 pitch_keycenter=41 sample=tom.wav region_label=Tom
            """),
            ("kit/samples/soft kick.wav", Tick), ("kit/samples/LOUD kick.wav", Tick), ("kit/Samples/snare.wav", Tick), ("kit/samples/tom.wav", Tick));

        Assert.Equal([("Low drums", 36, 2, -0.5), ("Side drum", 38, 4, 0), ("Tom", 41, 4, 0)], kit.Pieces.Select(p => (p.Name, p.Note, p.Output, p.Pan)));
        Assert.Equal([(1, "kit/Samples/soft kick.wav"), (64, "kit/Samples/loud kick.wav")], kit.Pieces[0].Layers.Select(l => (l.FromVelocity, l.Sample.Title)));
        Assert.Contains("the settings ampeg_release", kit.LeftOut);
    }

    [Fact]
    public void Read_DefinesAndIncludes_ArePutInTheirPlace()
    {
        var kit = Read(
            ("kit.sfz", "#define $KICK 36\n#define $KICKS kicks\n#include \"parts/more.sfz\"\n<region> key=$KICK sample=$KICKS/one.wav\n"),
            ("parts/more.sfz", "<region> key=46 sample=open.wav\n"), ("kicks/one.wav", Tick), ("open.wav", Tick));

        Assert.Equal([(36, "kicks/one.wav"), (46, "open.wav")], kit.Pieces.Select(p => (p.Note, p.Layers.Single().Sample.Title)));
        // Nothing names them but the published map.
        Assert.Equal(["Bass Drum 1", "Open Hi-Hat"], kit.Pieces.Select(p => p.Name));
    }

    [Theory]
    [InlineData("../../secret.wav")]
    [InlineData("/etc/passwd")]
    [InlineData("..\\..\\secret.wav")]
    public void Read_ASampleOutsideTheUpload_IsLeftOut(string path)
    {
        var kit = Read(("kit.sfz", $"<region> key=36 sample={path}\n<region> key=38 sample=tick.wav"), ("tick.wav", Tick));

        Assert.Empty(kit.Pieces[0].Layers);
        Assert.Contains($"{path}, which is not in the upload", kit.LeftOut);
    }

    [Theory]
    [InlineData("<region> key=36 trigger=release sample=tick.wav", "samples that sound when a key is let go")]
    [InlineData("<region> key=36 seq_length=2 seq_position=2 sample=tick.wav", "rounds of alternating samples beyond the first")]
    [InlineData("<region> key=36 sample=text.wav", "text.wav: This is not a WAVE or AIFF file: it does not begin like one.")]
    [InlineData("#include \"gone.sfz\"", "kit.sfz includes gone.sfz, which is not in the upload")]
    public void Read_WhatCannotBeTaken_IsSaid(string text, string said)
    {
        var kit = Read(("kit.sfz", $"{text}\n<region> key=40 sample=tick.wav"), ("tick.wav", Tick), ("text.wav", "not a wave"u8.ToArray()));

        Assert.Contains(said, kit.LeftOut);
        Assert.Contains(kit.Pieces, p => p is { Note: 40, Layers.Count: 1 });
    }

    [Theory]
    [InlineData("no-regions", "<group> key=36")]
    [InlineData("no-regions", "<region> key=200 sample=tick.wav")]
    [InlineData("damaged", "#include \"kit.sfz\"\n<region> key=36")]
    public void Read_WithoutAnythingThatSounds_IsRefused(string code, string text) =>
        Assert.Equal(code, Assert.IsType<FormatResult<SfzKit>.Refused>(SfzReader.Read(Zip(("kit.sfz", Encoding.UTF8.GetBytes(text))), new PathTray())).Code);

    [Fact]
    public void Read_ATextThatGrowsWithoutEnd_IsRefused()
    {
        // Each file includes the next one ten times: 10¹⁰ lines.
        var files = Enumerable.Range(0, 10).Select(i => ($"{(i == 0 ? "a" : $"deep/{i}")}.sfz", Encoding.UTF8.GetBytes(string.Concat(Enumerable.Repeat($"#include \"deep/{i + 1}.sfz\"\n", 10))))).ToArray();

        Assert.Equal("damaged", Assert.IsType<FormatResult<SfzKit>.Refused>(SfzReader.Read(Zip([.. files, ("deep/10.sfz", "<region> key=36\n"u8.ToArray().Concat(new byte[1000]).ToArray())]), new PathTray())).Code);
    }

    [Fact]
    public void Read_WithoutAnSfz_OrWithoutAZip_IsRefused()
    {
        Assert.Equal("no-sfz", Assert.IsType<FormatResult<SfzKit>.Refused>(SfzReader.Read(Zip(("tick.wav", Tick)), new PathTray())).Code);
        Assert.Equal("damaged", Assert.IsType<FormatResult<SfzKit>.Refused>(SfzReader.Read("PK but no more"u8.ToArray(), new PathTray())).Code);
    }

    internal static byte[] Zip(params (string Name, byte[] Bytes)[] files)
    {
        using var stream = new MemoryStream();
        using (var zip = new ZipArchive(stream, ZipArchiveMode.Create, leaveOpen: true))
        {
            foreach (var (name, bytes) in files)
            {
                using var entry = zip.CreateEntry(name).Open();
                entry.Write(bytes);
            }
        }

        return stream.ToArray();
    }

    internal static byte[] Wave()
    {
        using var stream = new MemoryStream();
        float[] lane = [.. Enumerable.Range(0, 64).Select(i => i / 64f)];
        WaveWriter.Write(new RenderedSound(lane, lane, 48000, 0), WaveDepth.Float32, stream);
        return stream.ToArray();
    }

    private static SfzKit Read((string Name, string Text) main, params (string Name, byte[] Bytes)[] files) =>
        Assert.IsType<FormatResult<SfzKit>.Read>(SfzReader.Read(Zip([(main.Name, Encoding.UTF8.GetBytes(main.Text)), .. files]), new PathTray())).Value;

    private static SfzKit Read((string Name, string Text) main, (string Name, string Text) second, params (string Name, byte[] Bytes)[] files) =>
        Read(main, [(second.Name, Encoding.UTF8.GetBytes(second.Text)), .. files]);
}
