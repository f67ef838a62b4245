using System.IO.Compression;
using HomeStage.Core.Sound;
using HomeStage.Core.Templates;
using HomeStage.Formats.Documents;
using HomeStage.Formats.Packages;
using HomeStage.TestKit;

namespace HomeStage.Formats.Tests.Packages;

public class SongPackageTests
{
    private static readonly Template Song = Stages.OneBar(Stages.Tone("t", "mix-bus")) with { Name = "The Lamp Goes Out" };

    [Fact]
    public void Write_TheSameSongTwice_GivesTheSameBytes()
    {
        Assert.Equal(Written(), Written());
    }

    [Fact]
    public void Write_HoldsTheDocument_TheMidiFileAndTheSound()
    {
        using var zip = new ZipArchive(new MemoryStream(Written()));

        Assert.Equal(["the-lamp-goes-out.template.json", "the-lamp-goes-out.dawproject", "the-lamp-goes-out.mid", "the-lamp-goes-out.wav"], zip.Entries.Select(e => e.FullName));
        using var document = new MemoryStream();
        using (var stream = zip.Entries[0].Open())
            stream.CopyTo(document);
        Assert.Equal(Song, Assert.IsType<FormatResult<Template>.Read>(TemplateDocument.Read(document.ToArray())).Value);
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

    private static byte[] Written()
    {
        using var stream = new MemoryStream();
        SongPackage.Write(Song, Renderer.Render(Song, new(Stages.InMix)), stream);
        return stream.ToArray();
    }
}
