using System.IO.Compression;

namespace HomeStage.Formats.DawProject;

/// <summary>The few files of a project that are read, each up to a limit; what a file claims to be long is not believed.</summary>
internal sealed class ProjectArchive : IDisposable
{
    private const int MostFiles = 20_000;
    private readonly ZipArchive _zip;
    private readonly Dictionary<string, ZipArchiveEntry> _entries;

    /// <exception cref="InvalidDataException">Not a ZIP, or damaged.</exception>
    /// <param name="file">Can be read at any place; stays open.</param>
    public ProjectArchive(Stream file)
    {
        file.Position = 0;
        _zip = new(file, ZipArchiveMode.Read, leaveOpen: true, ArchivedNames.Instance);
        if (_zip.Entries.Count > MostFiles)
            throw new InvalidDataException($"It holds more than {MostFiles:N0} files.");
        _entries = _zip.Entries.DistinctBy(e => ComposedText.Of(e.FullName)).ToDictionary(e => ComposedText.Of(e.FullName), StringComparer.Ordinal);
    }

    /// <returns>Null where there is no such file.</returns>
    /// <exception cref="InvalidDataException">It is longer than that.</exception>
    public byte[]? File(string path, int most)
    {
        if (Entry(path) is not { } entry)
            return null;
        using var from = entry.Open();
        using var to = new MemoryStream();
        var buffer = new byte[81920];
        for (int read; (read = from.Read(buffer)) > 0;)
        {
            if (to.Length + read > most)
                throw new InvalidDataException($"{path} has more than {most / 1024 / 1024} MB.");
            to.Write(buffer, 0, read);
        }

        return to.ToArray();
    }

    /// <returns>Null where there is no such file, or one that is longer.</returns>
    public byte[]? Find(string path, int most) => Entry(path) is { } entry && entry.Length <= most ? File(path, most) : null;

    private ZipArchiveEntry? Entry(string path) => _entries.GetValueOrDefault(ComposedText.Of(path));

    public void Dispose() => _zip.Dispose();
}
