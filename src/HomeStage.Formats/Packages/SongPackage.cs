using System.IO.Compression;
using System.Security.Cryptography;
using HomeStage.Core.Templates;
using HomeStage.Formats.CallSheets;
using HomeStage.Formats.DawProject;
using HomeStage.Formats.Documents;
using HomeStage.Formats.Midi;
using HomeStage.Formats.MidiNames;
using HomeStage.Formats.Wave;

namespace HomeStage.Formats.Packages;

/// <summary>Everything of a song in one ZIP, with a manifest: the same song gives the same bytes.</summary>
public static class SongPackage
{
    private const int Stretch = 256 * 1024;

    /// <exception cref="ArgumentException">The main or the stems are asked for and are not there.</exception>
    /// <exception cref="OperationCanceledException">Cancelled; asked at each file.</exception>
    public static void Write(PackageContents contents, Stream stream, CancellationToken cancellation = default)
    {
        using var zip = new ZipArchive(stream, ZipArchiveMode.Create, leaveOpen: true);
        var files = new List<PackagedFile>();
        foreach (var part in contents.Parts.Distinct().Order())
        {
            foreach (var (name, bytes) in Files(contents, part))
            {
                cancellation.ThrowIfCancellationRequested();
                zip.Add(name, bytes.Span);
                files.Add(new(name, part, bytes.Length, Convert.ToHexStringLower(SHA256.HashData(bytes.Span))));
            }

            foreach (var (name, path) in part == PackagePart.Stems ? Given(contents.Stems, part).Ended() : [])
            {
                cancellation.ThrowIfCancellationRequested();
                files.Add(Copied(zip, $"stems/{name}", path, part));
            }
        }

        zip.Add(PackageManifest.Name, PackageManifest.Of(contents.Song.Name, files).Write());
    }

    /// <returns>How many bytes each part takes before it is packed, but for what has to be rendered.</returns>
    public static IReadOnlyDictionary<PackagePart, long> Bytes(PackageContents contents) =>
        Enum.GetValues<PackagePart>().Where(p => p is not (PackagePart.Main or PackagePart.Stems)).ToDictionary(p => p, p => Files(contents, p).Sum(f => (long)f.Bytes.Length));

    /// <returns>Letters, digits and single hyphens, 1 to 60 of them: nothing that a file system reads as more than a name.</returns>
    public static string FileName(string title)
    {
        var plain = title.Select(c => char.IsLetterOrDigit(c) ? char.ToLowerInvariant(c) : '-');
        var words = string.Concat(plain).Split('-', StringSplitOptions.RemoveEmptyEntries);
        var name = string.Join('-', words);
        return name.Length == 0 ? "song" : name[..Math.Min(60, name.Length)];
    }

    private static IEnumerable<(string Name, ReadOnlyMemory<byte> Bytes)> Files(PackageContents contents, PackagePart part)
    {
        var (song, name) = (contents.Song, FileName(contents.Song.Name));
        return part switch
        {
            PackagePart.Document => [($"{name}.template.json", TemplateDocument.Write(song))],
            PackagePart.Project => [($"{name}{ProjectFile.Extension}", Project(contents))],
            PackagePart.Midi => [($"{name}.mid", MidiWriter.Write(song, contents.CountedIn))],
            PackagePart.CallSheet => [($"{name}-call-sheet.html", CallSheetPage.Write(contents.Sheet))],
            PackagePart.NoteNames => NoteNames(song),
            PackagePart.Soundcheck => [($"{name}-soundcheck.txt", SoundcheckText.Write(song, contents.Around))],
            PackagePart.Main => [($"{name}.wav", WaveWriter.Bytes(Given(contents.Main, part), WaveDepth.Int24))],
            _ => [],
        };
    }

    private static T Given<T>(T? sound, PackagePart part)
        where T : class => sound ?? throw new ArgumentException($"The part {part} was not rendered.", nameof(sound));

    private static byte[] Project(PackageContents contents)
    {
        using var project = new MemoryStream();
        ProjectFile.Write(contents.Song, contents.Song.FinalAct.Id, contents.Laid, project, contents.Origin);
        return project.ToArray();
    }

    /// <summary>Channels whose names are one file name are told apart by their ids.</summary>
    private static IEnumerable<(string, ReadOnlyMemory<byte>)> NoteNames(Template song)
    {
        var kits = song.Channels.Where(c => c.Source is InstrumentSource { Kit: not null }).ToList();
        var names = kits.CountBy(c => FileName(c.Name)).ToDictionary();
        return kits.Select(c => ($"note-names/{(names[FileName(c.Name)] == 1 ? FileName(c.Name) : $"{FileName(c.Name)}-{c.Id}")}.midnam", (ReadOnlyMemory<byte>)MidiNameDocument.Write(c.Name, ((InstrumentSource)c.Source!).Kit!)));
    }

    /// <summary>Stored as it is, since sound hardly packs; told by its digest as it goes by.</summary>
    private static PackagedFile Copied(ZipArchive zip, string name, string path, PackagePart part)
    {
        using var from = File.OpenRead(path);
        using var to = zip.Open(name, CompressionLevel.NoCompression);
        using var digest = IncrementalHash.CreateHash(HashAlgorithmName.SHA256);
        var buffer = new byte[Stretch];
        long bytes = 0;
        while (from.Read(buffer) is > 0 and var read)
        {
            to.Write(buffer, 0, read);
            digest.AppendData(buffer, 0, read);
            bytes += read;
        }

        return new(name, part, bytes, Convert.ToHexStringLower(digest.GetHashAndReset()));
    }
}
