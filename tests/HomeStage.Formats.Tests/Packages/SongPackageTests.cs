using System.IO.Compression;
using System.Security.Cryptography;
using System.Text;
using System.Text.Json.Nodes;
using HomeStage.Core.Catalogue;
using HomeStage.Core.Editing;
using HomeStage.Core.Sound;
using HomeStage.Core.Sound.Listening;
using HomeStage.Core.Soundcheck.Findings;
using HomeStage.Core.Templates;
using HomeStage.Formats.CallSheets;
using HomeStage.Formats.DawProject;
using HomeStage.Formats.Documents;
using HomeStage.Formats.Packages;
using HomeStage.Formats.Wave;
using HomeStage.TestKit;

namespace HomeStage.Formats.Tests.Packages;

public sealed class SongPackageTests : IDisposable
{
    private static readonly Template Song = Stages.OneBar(
        Stages.Tone("t", "mix-bus"), Kit("one", "Tin box"), Kit("two", "Tin  box")) with
    { Name = "The Lamp Goes Out" };

    private static readonly CallSheet Sheet = new(
        "A <b> & \"c\"", "Two\nlines", 92, "6/8", null, [new("Intro", 4, 65.4)], [new(new("t"), "Tone <t>", 1, ChannelKind.Instrument, ChannelFormat.Stereo, "a tone", "Mix bus", ["eq"], ["Hall −12.0 dB"], [], new(-3), -0.25, "Mind the gap", ["Equaliser: low cut at 95 Hz"], ["Equaliser, low cut: leave it on"])],
        [new("Tin box", "Clap", 39, "3–4", null, null)], [new(HandworkKind.Patch, null, "Tone takes input 3"), new(HandworkKind.PutIn, null, "Put in <x>")]);

    private readonly string _folder = Path.Combine(Path.GetTempPath(), $"home-stage-package-{Guid.NewGuid():N}");

    public void Dispose()
    {
        if (Directory.Exists(_folder))
            Directory.Delete(_folder, recursive: true);
    }

    [Fact]
    public void TheSameSongTwice_GivesTheSameBytes_StemsAndAll() => Assert.Equal(Written(), Written());

    [Fact]
    public void EveryFile_IsInTheManifest_WithItsSizeAndDigest()
    {
        var files = Unzipped(Written());
        var manifest = JsonNode.Parse(files["manifest.json"])!;
        var said = manifest["files"]!.AsArray().Select(f => ((string)f!["name"]!, (long)f["bytes"]!, (string)f["sha256"]!)).ToList();

        Assert.Equal(("home-stage-package", 1, Song.Name), ((string)manifest["format"]!, (int)manifest["version"]!, (string)manifest["song"]!));
        Assert.Equal(files.Where(f => f.Key != "manifest.json").Select(f => (f.Key, (long)f.Value.Length, Convert.ToHexStringLower(SHA256.HashData(f.Value)))), said);
        Assert.Equal(
            ["the-lamp-goes-out.template.json", "the-lamp-goes-out.dawproject", "the-lamp-goes-out.mid", "the-lamp-goes-out-call-sheet.html", "note-names/tin-box-one.midnam", "note-names/tin-box-two.midnam", "the-lamp-goes-out-soundcheck.txt", "the-lamp-goes-out.wav", "stems/01-tone-t.wav"],
            said.Select(s => s.Item1));
    }

    [Fact]
    public void ThePartsThatAreChosen_AndNoOthers_AreInIt()
    {
        var files = Unzipped(Written(PackagePart.Midi, PackagePart.Document, PackagePart.Midi));

        Assert.Equal(["the-lamp-goes-out.template.json", "the-lamp-goes-out.mid", "manifest.json"], files.Keys);
        Assert.Equal(Song, Assert.IsType<FormatResult<Template>.Read>(TemplateDocument.Read(files.First().Value)).Value);
        Assert.Throws<ArgumentException>(() => SongPackage.Write(new(Song, [PackagePart.Main], Sheet, Surroundings.Whole), new MemoryStream()));
    }

    [Fact]
    public void TheEstimate_IsWhatIsWritten()
    {
        var files = Unzipped(Written());
        var manifest = JsonNode.Parse(files["manifest.json"])!["files"]!.AsArray();
        var bytes = SongPackage.Bytes(new(Song, [], Sheet, Surroundings.Whole));

        Assert.Equal(6, bytes.Count);
        Assert.All(bytes, b => Assert.Equal(b.Value, manifest.Where(f => (string)f!["part"]! == Word(b.Key)).Sum(f => (long)f!["bytes"]!)));
    }

    [Fact]
    public void TheSheet_IsOnePage_WithAllThatStandsOnIt_AndNothingThatRuns()
    {
        var page = Encoding.UTF8.GetString(CallSheetPage.Write(Sheet));

        Assert.All(["A &lt;b&gt; &amp; &quot;c&quot;", "1:05", "Intro 4", "Tone &lt;t&gt;", "Hall −12.0 dB", "−3.0 dB", "25 % left", "Mind the gap", "Equaliser: low cut at 95 Hz", "Equaliser, low cut: leave it on", "nobody takes it", "By hand (2)"], words => Assert.Contains(words, page, StringComparison.Ordinal));
        // What is put in stands before what is patched, whatever came first.
        Assert.True(page.IndexOf("Put in &lt;x&gt;", StringComparison.Ordinal) < page.IndexOf("Tone takes input 3", StringComparison.Ordinal));
        Assert.DoesNotContain("<script", page, StringComparison.OrdinalIgnoreCase);
        Assert.DoesNotMatch("(src|href)=", page);
    }

    [Fact]
    public void TheSoundcheck_IsSaidActByAct()
    {
        var text = Encoding.UTF8.GetString(Unzipped(Written(PackagePart.Soundcheck))["the-lamp-goes-out-soundcheck.txt"]);

        Assert.All(Song.Acts, act => Assert.Contains($"\n{act.Name}: ", text, StringComparison.Ordinal));
        Assert.Contains("hint, Order: ", text, StringComparison.Ordinal);
    }

    [Theory]
    [InlineData("Gull Song", "gull-song")]
    [InlineData("  ../../Étude № 3  ", "étude-3")]
    [InlineData("海", "海")]
    [InlineData("???", "song")]
    public void FileName_IsSafeOnEveryFileSystem(string title, string name)
    {
        Assert.Equal(name, SongPackage.FileName(title));
    }

    private static string Word(PackagePart part) => part switch { PackagePart.CallSheet => "call-sheet", PackagePart.NoteNames => "note-names", _ => part.ToString().ToLowerInvariant() };

    private static AddChannel Kit(string id, string name) => new(new()
    {
        Id = new(id),
        Name = name,
        Kind = ChannelKind.Instrument,
        Destination = EmptyStage.MixBus,
        Source = new InstrumentSource(InstrumentCatalogue.Breakwater, InstrumentCatalogue.Find(InstrumentCatalogue.Breakwater)!.Kit!.Together()),
    });

    private static Dictionary<string, byte[]> Unzipped(byte[] zip)
    {
        using var archive = new ZipArchive(new MemoryStream(zip));
        return archive.Entries.ToDictionary(e => e.FullName, e =>
        {
            using var stream = e.Open();
            using var bytes = new MemoryStream();
            stream.CopyTo(bytes);
            return bytes.ToArray();
        });
    }

    private byte[] Written(params PackagePart[] parts)
    {
        Stem[] wanted = [new(new("t"), StemPoint.AfterFader)];
        using var stems = new StemFiles(Song, wanted, WaveDepth.Int24, _folder);
        StemRender.Render(new(Song), Stages.InMix, wanted, 0, stems);
        using var stream = new MemoryStream();
        SongPackage.Write(new(Song, parts.Length == 0 ? Enum.GetValues<PackagePart>() : parts, Sheet, Surroundings.Whole) { Main = Renderer.Render(Song, new(Stages.InMix)), Stems = stems }, stream);
        return stream.ToArray();
    }
}
