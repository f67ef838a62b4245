using System.Security.Cryptography;

namespace HomeStage.Server.Data.Sounds;

/// <summary>The files of uploaded sounds, each under the name of its content.</summary>
/// <param name="folder">Where they lie.</param>
public sealed class MediaFiles(string folder)
{
    public string Folder => folder;

    public static string ContentOf(ReadOnlySpan<byte> wave) => Convert.ToHexStringLower(SHA256.HashData(wave));

    /// <summary>Looks at name and size alone.</summary>
    public bool SeemsWhole(string content, long bytes) => new FileInfo(PathOf(content)) is { Exists: true } file && file.Length == bytes;

    public bool Exists(string content) => File.Exists(PathOf(content));

    /// <returns>The file's bytes; null where there is none, or where they are not those that it is named by.</returns>
    public byte[]? Whole(string content)
    {
        try
        {
            var bytes = File.ReadAllBytes(PathOf(content));
            return ContentOf(bytes) == content ? bytes : null;
        }
        catch (Exception e) when (e is IOException or UnauthorizedAccessException)
        {
            return null;
        }
    }

    /// <summary>Whether the file is there with the bytes that it is named by; holds one stretch of it at a time.</summary>
    public async Task<bool> IsWholeAsync(string content, CancellationToken cancellation)
    {
        try
        {
            await using var stream = new FileStream(PathOf(content), FileMode.Open, FileAccess.Read, FileShare.Read, 1 << 16, FileOptions.SequentialScan | FileOptions.Asynchronous);
            return Convert.ToHexStringLower(await SHA256.HashDataAsync(stream, cancellation)) == content;
        }
        catch (Exception e) when (e is IOException or UnauthorizedAccessException)
        {
            return false;
        }
    }

    /// <summary>Writes a file: on the disk with all its bytes before it counts.</summary>
    public async Task WriteAsync(string content, ReadOnlyMemory<byte> wave, CancellationToken cancellation)
    {
        Directory.CreateDirectory(folder);
        await WholeFile.WriteAsync(PathOf(content), wave, cancellation);
    }

    /// <summary>Takes a file that lies elsewhere on the same disk over.</summary>
    public void Take(string content, string from)
    {
        Directory.CreateDirectory(folder);
        WholeFile.Put(from, PathOf(content));
    }

    public void Remove(string content) => File.Delete(PathOf(content));

    private string PathOf(string content) => Path.Combine(folder, $"{content}.wav");
}
