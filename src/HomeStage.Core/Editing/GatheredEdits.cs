using HomeStage.Core.Templates;

namespace HomeStage.Core.Editing;

/// <summary>Edits as they are gathered one after the other, and what they have made so far.</summary>
public sealed class GatheredEdits(Template template)
{
    private readonly List<Edit> _edits = [];

    public Template Now { get; private set; } = template;

    public Sequence<Edit> Edits => _edits.ToSequence();

    /// <returns>What is in the way of the first that cannot be, with which it ends; null where all were done. Loops are not looked for.</returns>
    public Refusal? Do(IEnumerable<Edit> edits)
    {
        foreach (var edit in edits)
        {
            if (edit.ApplyTo(Now) is not EditResult.Applied applied)
                return ((EditResult.Refused)edit.ApplyTo(Now)).Why;
            Now = applied.Template;
            _edits.Add(edit);
        }

        return null;
    }

    /// <returns>What is in the way, a loop among it; null where it was done.</returns>
    public Refusal? DoWithoutLoop(Edit edit)
    {
        if (Batch.Apply(Now, [edit]) is BatchResult.Refused refused)
            return refused.Why;
        return Do([edit]);
    }
}
