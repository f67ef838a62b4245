using System.Text.Json;
using HomeStage.Core.Editing;
using HomeStage.Core.Templates;
using HomeStage.Formats.Documents;
using HomeStage.Formats.Documents.Changes;

namespace HomeStage.Server.Data;

/// <summary>A document on its way from a snapshot through its log.</summary>
/// <param name="number">The snapshot's.</param>
/// <param name="snapshot">A template document.</param>
/// <param name="isAsWritten">Whether it is known to be as it was written: rules that have become stricter since are not asked then.</param>
internal sealed class LogReplay(string document, int number, byte[] snapshot, bool isAsWritten)
{
    private DocumentReplay? _replay;
    private Template? _template;
    private long _length;

    public string Document => document;

    /// <summary>The revision that it stands at.</summary>
    public int Number { get; private set; } = number;

    /// <summary>Goes on by one entry.</summary>
    /// <returns>False where the entry is not the next one, or is damaged; the replay stands where it stood.</returns>
    /// <exception cref="ForeignChangeException">The entry says what cannot have been done here; the replay is of no more use.</exception>
    public bool Follow(RevisionRow row)
    {
        if (row.Number != Number + 1 || (row.Digest is { } digest && !digest.AsSpan().SequenceEqual(Digest.Of(row))))
            return false;
        if (IsBatch(row.Done))
        {
            if (Batch.Apply(Template(), Edits(row.Done)) is not BatchResult.Applied applied)
                return false;
            (_template, _replay) = (applied.Template, null);
        }
        else
        {
            _replay ??= _template is null && isAsWritten ? new(snapshot) : new(Template());
            Apply(_replay, row);
        }

        Number = row.Number;
        _length += row.Done.Length;
        return true;
    }

    /// <exception cref="InvalidDataException">It cannot be read.</exception>
    public WholeRevision Whole() => new(Template(), Number, _length);

    private static void Apply(DocumentReplay replay, RevisionRow row)
    {
        try
        {
            replay.Apply(row.Done);
        }
        catch (InvalidDataException e)
        {
            throw new ForeignChangeException(row.Number, e);
        }
    }

    /// <summary>Whether an entry is a batch of edits, as versions before wrote it.</summary>
    private static bool IsBatch(string done) => done.StartsWith('[');

    private static List<Edit> Edits(string json) => JsonSerializer.Deserialize<List<Edit>>(OldDocuments.RenewedEdits(json), DocumentJson.Options)!;

    private Template Template()
    {
        if (_replay is not null)
            return _replay.Template();
        return _template ??= Snapshot.Read(isAsWritten ? TemplateDocument.ReadTrusted(snapshot) : TemplateDocument.Read(snapshot));
    }
}

/// <summary>An entry of the log that was not made on what stands before it.</summary>
internal sealed class ForeignChangeException(int number, Exception cause) : Exception($"Entry {number} of the log was not made on what stands before it.", cause);

/// <summary>A document as it was, and what reading it has cost.</summary>
/// <param name="LogLength">Of the log since the snapshot, in characters.</param>
internal sealed record WholeRevision(Template Template, int Number, long LogLength);
