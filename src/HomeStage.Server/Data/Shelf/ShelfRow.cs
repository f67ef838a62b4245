using HomeStage.Core.Templates;

namespace HomeStage.Server.Data.Shelf;

/// <summary>An item of the shelf as it is now.</summary>
public sealed class ShelfRow
{
    public required string Id { get; init; }

    public required ShelfKind Kind { get; init; }

    public required string Name { get; set; }

    public required int Revision { get; set; }

    /// <summary>As <see cref="Formats.Documents.ShelfDocument.WriteKept"/> writes it.</summary>
    public required string Content { get; set; }

    public required DateTime ChangedUtc { get; set; }

    /// <summary>For a studio: whether it is the one that is on.</summary>
    public bool IsOn { get; set; }

    /// <summary>When it was removed; it can come back for a while. Null while it is there.</summary>
    public DateTime? RemovedUtc { get; set; }
}

/// <summary>The content of a set piece at an earlier revision, by which templates that hold a copy of it learn what changed.</summary>
public sealed class ShelfPastRow
{
    public required string ItemId { get; init; }

    public required int Revision { get; init; }

    /// <summary>As <see cref="ShelfRow.Content"/>.</summary>
    public required string Content { get; init; }
}

/// <summary>A sound that an item needs now, or did before it was replaced.</summary>
public sealed class ShelfSoundRow
{
    public required string ItemId { get; init; }

    /// <summary>SHA-256 of the file, 64 hexadecimal digits.</summary>
    public required string Content { get; init; }
}

/// <summary>A document that holds a copy of an item, or did at one of its revisions.</summary>
public sealed class ShelfUseRow
{
    public required string DocumentId { get; init; }

    public required string ItemId { get; init; }
}
