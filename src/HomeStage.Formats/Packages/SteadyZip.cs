using System.IO.Compression;

namespace HomeStage.Formats.Packages;

/// <summary>Entries of a ZIP whose bytes are the same whenever it is written.</summary>
internal static class SteadyZip
{
    // Entries need a date; the first one that ZIP can say keeps the bytes the same.
    private static readonly DateTimeOffset Epoch = new(1980, 1, 1, 0, 0, 0, TimeSpan.Zero);

    public static void Add(this ZipArchive zip, string name, ReadOnlySpan<byte> bytes)
    {
        using var stream = zip.Open(name, CompressionLevel.Fastest);
        stream.Write(bytes);
    }

    /// <returns>To be written and closed before the next.</returns>
    public static Stream Open(this ZipArchive zip, string name, CompressionLevel level)
    {
        var entry = zip.CreateEntry(name, level);
        entry.LastWriteTime = Epoch;
        return entry.Open();
    }
}
