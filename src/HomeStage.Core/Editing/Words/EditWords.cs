using HomeStage.Core.Templates;

namespace HomeStage.Core.Editing.Words;

/// <summary>Says an edit as a producer would.</summary>
public static class EditWords
{
    /// <param name="before">The template that the edit is made on: it knows the names and the values from before.</param>
    /// <returns>A sentence without a full stop.</returns>
    public static string Of(Edit edit, Template before) =>
        ChannelWords.Of(edit, before) ?? StripWords.Of(edit, before) ?? SourceWords.Of(edit, before) ?? ManyWords.Of(edit, before) ?? KitWords.Of(edit, before) ?? TemplateWords.Of(edit, before)
        ?? throw new ArgumentException($"Nobody has said yet what {edit.GetType().Name} is called.", nameof(edit));

    /// <returns>A sentence for each edit of a batch, each seen where those before it have led.</returns>
    public static Sequence<string> OfBatch(IReadOnlyList<Edit> edits, Template before)
    {
        var said = new List<string>(edits.Count);
        foreach (var edit in edits)
        {
            said.Add(Of(edit, before));
            before = edit.ApplyTo(before) is EditResult.Applied applied ? applied.Template : before;
        }

        return said.ToSequence();
    }
}
