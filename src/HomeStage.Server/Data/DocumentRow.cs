namespace HomeStage.Server.Data;

/// <summary>A template or a song: what lists and searches need. The document itself is its snapshots and edit log.</summary>
public sealed class DocumentRow
{
    public required string Id { get; init; }

    public required DocumentKind Kind { get; init; }

    public required string Name { get; set; }

    /// <summary>The newest revision.</summary>
    public required int Revision { get; set; }

    public required DateTime CreatedUtc { get; init; }

    public required DateTime ChangedUtc { get; set; }

    /// <summary>The template that a song was started from.</summary>
    public string? StartedFromId { get; init; }

    /// <summary>That template's revision when the song was started.</summary>
    public int? StartedFromRevision { get; init; }

    /// <summary>Whether this template opens by default.</summary>
    public bool OpensByDefault { get; set; }

    /// <summary>Whether songs of its category begin from this template unless another is chosen.</summary>
    public bool LeadsCategory { get; set; }

    /// <summary>What lists show, as JSON; null where it was never worked out.</summary>
    public string? Summary { get; set; }

    /// <summary>The revision that the summary is of.</summary>
    public int? SummaryRevision { get; set; }

    /// <summary>When it was removed; it can come back for a while. Null while it is there.</summary>
    public DateTime? RemovedUtc { get; set; }

    /// <summary>Whether every sound that its log mentions is noted; false for documents from before sounds were counted.</summary>
    public bool SoundsNoted { get; set; }
}

public enum DocumentKind
{
    Template,
    Song,
}
