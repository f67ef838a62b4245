namespace HomeStage.Server.Jobs;

/// <summary>Stems in one ZIP on the disk, ready to be taken away; the file goes when nobody holds it any more.</summary>
/// <param name="File">Goes with its handle.</param>
public sealed record StemZip(string FileName, FileStream File) : ISized
{
    /// <summary>What all that are kept may take on the disk.</summary>
    public const long MostBytesOnDisk = 4L * 1024 * 1024 * 1024;

    private const int Stretch = 256 * 1024;

    public long Bytes => RandomAccess.GetLength(File.SafeFileHandle);

    public async Task CopyToAsync(Stream stream, CancellationToken cancellation)
    {
        var buffer = new byte[Stretch];
        for (long at = 0; await RandomAccess.ReadAsync(File.SafeFileHandle, buffer, at, cancellation) is > 0 and var read; at += read)
            await stream.WriteAsync(buffer.AsMemory(0, read), cancellation);
    }
}

/// <summary>Where stems lie while they are rendered and until they are taken; what an earlier run has left there goes.</summary>
public sealed class StemFolder
{
    private readonly string _path;

    public StemFolder(string path)
    {
        _path = path;
        if (Directory.Exists(path))
            Directory.Delete(path, recursive: true);
    }

    /// <returns>A folder of its own that is not there yet.</returns>
    public string Fresh() => Path.Combine(Directory.CreateDirectory(_path).FullName, Guid.NewGuid().ToString("N"));

    /// <returns>A file that goes with its handle.</returns>
    public FileStream NewFile() => new($"{Fresh()}.zip", FileMode.CreateNew, FileAccess.ReadWrite, FileShare.None, 128 * 1024, FileOptions.DeleteOnClose);
}
