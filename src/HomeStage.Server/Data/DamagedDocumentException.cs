namespace HomeStage.Server.Data;

/// <summary>A stored document cannot be read as it was written.</summary>
/// <param name="document">Its id.</param>
/// <param name="wanted">The revision that was asked for.</param>
/// <param name="lastWhole">The newest revision that can still be read; null for none.</param>
public sealed class DamagedDocumentException(string document, int wanted, int? lastWhole, Exception? cause = null)
    : Exception($"Document {document} cannot be read at revision {wanted}.", cause)
{
    public string Document => document;

    public int Wanted => wanted;

    public int? LastWhole => lastWhole;

    /// <summary>What a person is told.</summary>
    public string Sentence => lastWhole is { } whole
        ? $"This document is damaged on the disk. It can be read up to revision {whole} of {wanted}, and recovered from there."
        : "This document is damaged on the disk, and none of its revisions can be read. A backup may hold it.";
}
