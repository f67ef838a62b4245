using HomeStage.Core.Routing;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Editing;

/// <summary>Edits that apply whole or not at all.</summary>
public static class Batch
{
    public const int MostEdits = 5000;

    /// <summary>Applies edits in order; loops are looked for once, at the end.</summary>
    public static BatchResult Apply(Template template, IReadOnlyList<Edit> edits)
    {
        if (edits.Count > MostEdits)
            return new BatchResult.Refused(new Refusal.TooMany("edits in one batch", MostEdits), 0);
        var after = template;
        var inverse = new List<Edit>(edits.Count);
        for (var i = 0; i < edits.Count; i++)
        {
            switch (edits[i].ApplyTo(after))
            {
                case EditResult.Applied applied:
                    after = applied.Template;
                    inverse.Add(applied.Inverse);
                    break;
                case EditResult.Refused refused:
                    return new BatchResult.Refused(refused.Why, i);
            }
        }

        if (edits.Any(e => e.ChangesRouting) && LoopRule.Check(after) is { } loop)
            return new BatchResult.Refused(loop, edits.Count - 1);
        inverse.Reverse();
        return new BatchResult.Applied(after, inverse.ToSequence());
    }
}

/// <summary>What came of a batch.</summary>
public abstract record BatchResult
{
    /// <param name="Inverse">The batch that takes it back exactly.</param>
    public sealed record Applied(Template Template, Sequence<Edit> Inverse) : BatchResult;

    /// <param name="EditIndex">Which edit of the batch could not be.</param>
    public sealed record Refused(Refusal Why, int EditIndex) : BatchResult;
}
