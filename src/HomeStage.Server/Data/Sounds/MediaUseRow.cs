namespace HomeStage.Server.Data.Sounds;

/// <summary>A sound that a document has used at one of its revisions. It can go back to each, so the note stays as long as the document.</summary>
public sealed class MediaUseRow
{
    public required string DocumentId { get; init; }

    /// <summary>SHA-256 of the file, 64 hexadecimal digits. The shelf may not have it.</summary>
    public required string Content { get; init; }
}
