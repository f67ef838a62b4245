namespace HomeStage.Server.Data;

/// <summary>One entry of the edit log. Appended, never changed.</summary>
public sealed class RevisionRow
{
    public required string DocumentId { get; init; }

    /// <summary>From 1, without gaps.</summary>
    public required int Number { get; init; }

    public required RevisionKind Kind { get; init; }

    /// <summary>For undo and redo: the revision whose edits they take back or do again.</summary>
    public int? Target { get; init; }

    /// <summary>What it did to the document before it, as <see cref="HomeStage.Formats.Documents.Changes.DocumentChange"/> writes it.
    /// Versions before wrote the batch of edits: a JSON array.</summary>
    public required string Done { get; init; }

    /// <summary>What takes that back, written alike.</summary>
    public required string Back { get; init; }

    /// <summary>What was done, in words, as a JSON array; empty for undo and redo, which speak of their target.</summary>
    public string Words { get; init; } = "";

    public required DateTime AtUtc { get; init; }

    /// <summary>By which damage is known; null in what was written before there were any.</summary>
    public byte[]? Digest { get; init; }
}

public enum RevisionKind
{
    Edit,
    Undo,
    Redo,

    /// <summary>How a document came to be; not to be undone.</summary>
    Origin,
}
