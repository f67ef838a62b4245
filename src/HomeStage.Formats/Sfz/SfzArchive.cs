using System.IO.Compression;

namespace HomeStage.Formats.Sfz;

/// <summary>The files of an upload, by paths without regard to case or slant; nothing outside of it can be named.</summary>
/// <remarks>Bounded: 2,000 files; unpacked 16 MB and eight times what it is packed, which no recorded sound comes near; what a file
/// claims to be long is not believed.</remarks>
internal sealed class SfzArchive : IDisposable
{
    public const int MostFiles = 2000;
    public const long UnpackedAtLeast = 16L * 1024 * 1024;
    public const int MostRatio = 8;
    public const int MostText = 2 * 1024 * 1024;

    private readonly ZipArchive _zip;
    private readonly Dictionary<string, ZipArchiveEntry> _entries = new(StringComparer.OrdinalIgnoreCase);
    private readonly ReadingBudget _budget;
    private readonly long _mostUnpacked;
    private long _unpacked;

    /// <exception cref="InvalidDataException">Not a ZIP, or damaged.</exception>
    public SfzArchive(byte[] bytes, ReadingBudget budget)
    {
        _budget = budget;
        _mostUnpacked = UnpackedAtLeast + MostRatio * (long)bytes.Length;
        _zip = new(new MemoryStream(bytes, writable: false), ZipArchiveMode.Read, leaveOpen: false, ArchivedNames.Instance);
        if (_zip.Entries.Count > MostFiles)
            throw new InvalidDataException($"It holds more than {MostFiles:N0} files.");
        foreach (var entry in _zip.Entries)
            if (Resolved("", entry.FullName) is { Length: > 0 } path)
                _entries.TryAdd(path, entry);
        Main = FindMain();
    }

    /// <summary>The SFZ file nearest to the top; null for none.</summary>
    public string? Main { get; }

    private string? FindMain() => _entries.Keys.Where(p => p.EndsWith(".sfz", StringComparison.OrdinalIgnoreCase)).OrderBy(p => p.Count(c => c == '/')).ThenBy(p => p, StringComparer.OrdinalIgnoreCase).FirstOrDefault();

    public static string FolderOf(string path) => path.Contains('/', StringComparison.Ordinal) ? path[..path.LastIndexOf('/')] : "";

    /// <returns>The path from the top of the upload; null where it leads out of it.</returns>
    public static string? Resolved(string folder, string path)
    {
        var parts = new List<string>();
        foreach (var part in $"{folder}/{path}".Replace('\\', '/').Split('/', StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries))
        {
            if (part == "..")
            {
                if (parts.Count == 0)
                    return null;
                parts.RemoveAt(parts.Count - 1);
            }
            else if (part != ".")
            {
                parts.Add(part);
            }
        }

        return ComposedText.Of(string.Join('/', parts));
    }

    public bool Contains(string path) => _entries.ContainsKey(path);

    /// <returns>Null where there is no such file.</returns>
    /// <exception cref="InvalidDataException">It is no text, or longer than a text is.</exception>
    public string? Text(string path) => Bytes(path, MostText) is { } bytes ? BroughtText.Of(bytes) ?? throw new InvalidDataException($"{path} is no text.") : null;

    /// <exception cref="InvalidDataException">It is longer than that, or all that was read is.</exception>
    public byte[]? Bytes(string path, long most)
    {
        if (!_entries.TryGetValue(path, out var entry))
            return null;
        using var from = entry.Open();
        // Long enough at once where it is as long as it claims and that is allowed: growing would copy it.
        using var to = new MemoryStream((int)Math.Clamp(entry.Length, 0, Math.Min(most, _mostUnpacked - _unpacked)));
        var buffer = new byte[81920];
        for (int read; (read = from.Read(buffer)) > 0;)
        {
            _unpacked += read;
            _budget.Spend(1 + read / 64);
            if (to.Length + read > most || _unpacked > _mostUnpacked)
                throw new InvalidDataException($"{path} is too large, or unpacks to much more than any sound does.");
            to.Write(buffer, 0, read);
        }

        return to.TryGetBuffer(out var whole) && whole.Count == whole.Array!.Length ? whole.Array : to.ToArray();
    }

    public void Dispose() => _zip.Dispose();
}
