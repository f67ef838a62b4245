namespace HomeStage.Formats;

/// <summary>Takes a whole upload into memory, up to a limit.</summary>
public static class BoundedStream
{
    /// <returns>The bytes, or null where there are more than <paramref name="mostBytes"/>.</returns>
    public static async Task<byte[]?> ReadAsync(Stream stream, int mostBytes, CancellationToken cancellation = default)
    {
        using var held = new MemoryStream();
        var buffer = new byte[64 * 1024];
        int count;
        while ((count = await stream.ReadAsync(buffer, cancellation)) > 0)
        {
            if (held.Length + count > mostBytes)
                return null;
            held.Write(buffer, 0, count);
        }

        return held.ToArray();
    }
}
