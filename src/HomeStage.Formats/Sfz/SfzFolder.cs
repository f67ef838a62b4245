using System.IO.Compression;

namespace HomeStage.Formats.Sfz;

/// <summary>An SFZ and its samples as they lie in a folder.</summary>
public static class SfzFolder
{
    /// <param name="files">Each with its path from the folder that was brought; of two of one path the first counts.</param>
    /// <returns>A ZIP of them, not compressed, as <see cref="SfzReader"/> reads it.</returns>
    public static async Task<byte[]> PackedAsync(IEnumerable<(string Path, Stream File)> files, CancellationToken cancellation = default)
    {
        using var packed = new MemoryStream();
        await using (var zip = await ZipArchive.CreateAsync(packed, ZipArchiveMode.Create, leaveOpen: true, entryNameEncoding: null, cancellation))
        {
            foreach (var (path, file) in files)
            {
                await using var entry = await zip.CreateEntry(path, CompressionLevel.NoCompression).OpenAsync(cancellation);
                await file.CopyToAsync(entry, cancellation);
            }
        }

        return packed.ToArray();
    }
}
