namespace HomeStage.Server.Data.Sounds;

/// <summary>Uploaded sound; the file itself lies in the media folder under its content.</summary>
public sealed class MediaRow
{
    /// <summary>SHA-256 of the file, 64 hexadecimal digits.</summary>
    public required string Content { get; init; }

    /// <summary>What the file was called when it came first.</summary>
    public required string Title { get; init; }

    public required int SampleRateHz { get; init; }

    public required int Lanes { get; init; }

    public required long Frames { get; init; }

    public required long Bytes { get; init; }

    public required DateTime AddedUtc { get; init; }

    /// <summary>When it was removed; it can come back for a while. Null while it is there.</summary>
    public DateTime? RemovedUtc { get; set; }
}
