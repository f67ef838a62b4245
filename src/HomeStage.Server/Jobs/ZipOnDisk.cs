using HomeStage.Formats.Wave;

namespace HomeStage.Server.Jobs;

/// <summary>A ZIP of sound on the disk, ready to be taken away; the file goes when nobody holds it any more.</summary>
/// <param name="File">Goes with its handle.</param>
/// <param name="Cut">What went over full scale in it.</param>
public abstract record ZipOnDisk(string FileName, FileStream File, IReadOnlyList<CutSound> Cut) : ISized
{
    /// <summary>What all of one kind that are kept may take on the disk.</summary>
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

/// <summary>Many channels as files of their own.</summary>
public sealed record StemZip(string FileName, FileStream File, IReadOnlyList<CutSound> Cut) : ZipOnDisk(FileName, File, Cut);

/// <summary>A song's package.</summary>
/// <param name="SilentBecause">Why there is no sound in its main, in sentences; null where there is some, and where it was not rendered.</param>
public sealed record SongZip(string FileName, FileStream File, IReadOnlyList<CutSound> Cut, IReadOnlyList<string>? SilentBecause = null) : ZipOnDisk(FileName, File, Cut);
