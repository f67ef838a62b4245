using System.Collections.Immutable;

namespace HomeStage.Server.Data;

/// <summary>One open document, behind a gate that lets in one change at a time.</summary>
internal sealed class DocumentSlot
{
    private const int MostRemembered = 32;

    // About what a channel with its rows takes; a document is not worked through to be weighed.
    private const long BytesAChannel = 8 * 1024;
    private const long BytesADocument = 64 * 1024;

    public SemaphoreSlim Gate { get; } = new(1, 1);

    public OpenDocument? Document { get; private set; }

    /// <summary>The last few, the newest last, for whoever is a little behind.</summary>
    public ImmutableQueue<OpenDocument> Recent { get; private set; } = [];

    /// <summary>How long the log since the last snapshot is, in characters.</summary>
    public long LogLength { get; private set; }

    /// <summary>Whether this slot is not in use any more; whoever meets it takes another.</summary>
    public bool IsClosed { get; private set; }

    public long LastUsed { get; set; }

    public long Bytes => Document is { } open ? BytesADocument + BytesAChannel * open.Template.Channels.Count : 0;

    public void Hold(OpenDocument document, long logLength) => (Document, LogLength) = (document, logLength);

    public void Put(OpenDocument newer, long logLength)
    {
        var recent = Recent.Enqueue(Document!.Bare());
        Recent = recent.Count() > MostRemembered ? recent.Dequeue() : recent;
        (Document, LogLength) = (newer, logLength);
    }

    public void Close() => (IsClosed, Document, Recent) = (true, null, []);
}
