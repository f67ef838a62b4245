using HomeStage.Core.Editing;
using HomeStage.Core.Editing.Words;
using HomeStage.Core.Templates;
using HomeStage.Formats.Documents.Changes;

namespace HomeStage.Server.Data;

/// <summary>One entry of the log to be.</summary>
/// <param name="Target">For undo and redo: the revision that they take back or do again.</param>
/// <param name="After">What the document becomes.</param>
/// <param name="Words">What was done; empty for undo and redo.</param>
internal sealed record Change(RevisionKind Kind, int? Target, Template After, IReadOnlyList<string> Words)
{
    private const int MostSaid = 12;

    /// <summary>What edits do, in words.</summary>
    public static IReadOnlyList<string> Said(IReadOnlyList<Edit> edits, Template before)
    {
        var said = EditWords.OfBatch([.. edits.Take(MostSaid)], before);
        return edits.Count > MostSaid ? said.Add($"and {edits.Count - MostSaid} edits more") : said;
    }

    public LoggedChange From(Template before) =>
        new(Kind, Target, before, DocumentChange.Between(before, After), DocumentChange.Between(After, before), Words);
}

/// <summary>The same as it is stored.</summary>
internal sealed record LoggedChange(RevisionKind Kind, int? Target, Template Before, string Done, string Back, IReadOnlyList<string> Words);
