namespace HomeStage.Formats;

/// <summary>Takes a whole upload into memory, up to a limit.</summary>
public static class BoundedStream
{
    private const int Stretch = 64 * 1024;

    /// <param name="expectedBytes">How many it says to have, so that room is made once; not believed. Null where it does not say.</param>
    /// <returns>The bytes, or null where there are more than <paramref name="mostBytes"/>.</returns>
    public static async Task<byte[]?> ReadAsync(Stream stream, int mostBytes, long? expectedBytes = null, CancellationToken cancellation = default)
    {
        if (expectedBytes > mostBytes)
            return null;
        // One byte more, to see that there is none.
        var bytes = new byte[expectedBytes is { } expected ? (int)expected + 1 : Stretch];
        var length = 0;
        for (int count; (count = await stream.ReadAsync(bytes.AsMemory(length), cancellation)) > 0;)
        {
            length += count;
            if (length > mostBytes)
                return null;
            if (length == bytes.Length)
                Array.Resize(ref bytes, (int)Math.Min(2L * length, mostBytes + 1L));
        }

        Array.Resize(ref bytes, length);
        return bytes;
    }

    /// <summary>Takes a whole upload into a file, up to a limit.</summary>
    /// <returns>False where there is more than <paramref name="mostBytes"/>; the file then holds a part of it.</returns>
    public static async Task<bool> SpoolAsync(Stream stream, Stream file, long mostBytes, CancellationToken cancellation = default)
    {
        var buffer = new byte[Stretch];
        long length = 0;
        for (int count; (count = await stream.ReadAsync(buffer, cancellation)) > 0;)
        {
            if ((length += count) > mostBytes)
                return false;
            await file.WriteAsync(buffer.AsMemory(0, count), cancellation);
        }

        await file.FlushAsync(cancellation);
        return true;
    }
}
