using HomeStage.Core.Casting;
using HomeStage.Core.Editing;
using HomeStage.Core.Shelf;

namespace HomeStage.Server.Demo;

/// <summary>The cast lists that ship with the demo: the pages of text that its templates begin as.</summary>
public static class CastLists
{
    /// <returns>The text of a list.</returns>
    public static string Text(string file)
    {
        using var stream = typeof(CastLists).Assembly.GetManifestResourceStream($"{typeof(CastLists).Namespace}.Lists.{file}") ?? throw new InvalidOperationException($"The demo has no list {file}.");
        using var reader = new StreamReader(stream);
        return reader.ReadToEnd();
    }

    /// <returns>What a list makes of a new stage.</returns>
    /// <exception cref="InvalidOperationException">Something in it is not understood.</exception>
    internal static IEnumerable<Edit> Read(string name, string file)
    {
        var plan = CastPlan.Of(NewStage.Create(name, []), Text(file));
        return plan.Marks.Count == 0 ? plan.Edits : throw new InvalidOperationException($"The list {file} says what is not understood: {plan.Marks[0].Sentence}");
    }
}
