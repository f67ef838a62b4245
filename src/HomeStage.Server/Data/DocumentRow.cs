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

    /// <summary>The template that a song was started from, or the song that a template was struck from.</summary>
    public string? StartedFromId { get; init; }

    /// <summary>That document's revision then.</summary>
    public int? StartedFromRevision { get; init; }

    /// <summary>What it left behind in the project file that it came from, as JSON; null where it was made here.</summary>
    public string? Brought { get; init; }

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
