namespace HomeStage.Server.Data;

/// <summary>A name that a person gave to a revision, to find it again.</summary>
public sealed class RevisionNameRow
{
    public required string DocumentId { get; init; }

    /// <summary>0 is how the document came to be.</summary>
    public required int Number { get; init; }

    /// <summary>1 to 80 characters.</summary>
    public required string Name { get; set; }

    /// <summary>When it was taken away; it can come back for a while. Null while it is there.</summary>
    public DateTime? RemovedUtc { get; set; }
}
