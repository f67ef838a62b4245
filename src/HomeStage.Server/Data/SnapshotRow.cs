namespace HomeStage.Server.Data;

/// <summary>A whole document at one revision, so that the log need not be read from the beginning.</summary>
public sealed class SnapshotRow
{
    public required string DocumentId { get; init; }

    public required int Number { get; init; }

    /// <summary>The template document, compressed with Brotli.</summary>
    public required byte[] Content { get; init; }

    /// <summary>By which damage is known; null in what was written before there were any.</summary>
    public byte[]? Digest { get; init; }
}
