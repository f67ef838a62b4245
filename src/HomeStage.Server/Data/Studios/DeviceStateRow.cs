namespace HomeStage.Server.Data.Studios;

/// <summary>A file that a device knows how to read, kept once by its content and carried as it is.</summary>
public sealed class DeviceStateRow
{
    /// <summary>SHA-256 of the file, 64 hexadecimal digits.</summary>
    public required string Content { get; init; }

    public required byte[] Bytes { get; init; }

    public required DateTime AddedUtc { get; init; }
}
