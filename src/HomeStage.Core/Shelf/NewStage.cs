using HomeStage.Core.Editing;
using HomeStage.Core.Making;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Shelf;

/// <summary>An empty template as a person begins one: with the default strips that ship, and those that the shelf keeps for every new template.</summary>
public static class NewStage
{
    /// <param name="shelf">What the shelf holds; a later strip for the same channels goes before an earlier one.</param>
    public static Template Create(string name, IEnumerable<ShelfContent> shelf)
    {
        var own = shelf.OfType<StripContent>().Where(s => s.For is not null).Select(s => new PutDefaultStrip(new(s.For!, s.Strip)));
        return own.Aggregate(EmptyStage.Create(name) with { Defaults = HouseStrips.All }, (template, put) => put.ApplyTo(template) is EditResult.Applied applied ? applied.Template : template);
    }
}
