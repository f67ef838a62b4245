using System.Runtime.InteropServices;

namespace HomeStage.Server.Data;

/// <summary>Files that are whole on the disk before their names count.</summary>
internal static partial class WholeFile
{
    /// <summary>Writes bytes under a name: after a power cut the file is whole, or not there under that name.</summary>
    public static async Task WriteAsync(string file, ReadOnlyMemory<byte> bytes, CancellationToken cancellation)
    {
        var unfinished = $"{file}.{Guid.NewGuid():N}.part";
        try
        {
            await using (var stream = new FileStream(unfinished, FileMode.CreateNew, FileAccess.Write, FileShare.None))
                await stream.WriteAsync(bytes, cancellation);
            Put(unfinished, file);
        }
        catch
        {
            File.Delete(unfinished);
            throw;
        }
    }

    /// <summary>Gives a finished file its name, its bytes and then the name flushed to the disk.</summary>
    public static void Put(string unfinished, string file)
    {
        using (var stream = new FileStream(unfinished, FileMode.Open, FileAccess.ReadWrite))
            stream.Flush(flushToDisk: true);
        File.Move(unfinished, file, overwrite: true);
        FlushFolder(Path.GetDirectoryName(Path.GetFullPath(file))!);
    }

    /// <summary>Removes what writing has left behind when it was cut off.</summary>
    public static void ClearUnfinished(string folder)
    {
        if (!Directory.Exists(folder))
            return;
        foreach (var file in Directory.EnumerateFiles(folder, "*.part"))
            File.Delete(file);
    }

    /// <summary>A name is on the disk once its folder is; the framework has no word for that.</summary>
    private static void FlushFolder(string folder)
    {
        if (!OperatingSystem.IsLinux() && !OperatingSystem.IsMacOS())
            return;
        const int readOnly = 0;
        var handle = Open(folder, readOnly);
        if (handle < 0)
            return;
        _ = FlushAll(handle);
        _ = Close(handle);
    }

    [LibraryImport("libc", EntryPoint = "open", StringMarshalling = StringMarshalling.Utf8)]
    private static partial int Open(string path, int flags);

    [LibraryImport("libc", EntryPoint = "fsync")]
    private static partial int FlushAll(int handle);

    [LibraryImport("libc", EntryPoint = "close")]
    private static partial int Close(int handle);
}
