using HomeStage.Core.Editing;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Shelf;

/// <summary>A copy in a template that an item has left behind: what taking the newer one would do.</summary>
/// <param name="Edits">None where it cannot be taken, or is up to date.</param>
/// <param name="Why">Why it cannot be taken; null where it can.</param>
public sealed record ShelfRenewal(ShelfCopy Copy, bool IsBehind, Sequence<Edit> Edits, Refusal? Why)
{
    /// <returns>One for every copy of the item that is still in the template, by place.</returns>
    public static IReadOnlyList<ShelfRenewal> Of(Template template, ShelfItem item) =>
        [.. template.Copies.Where(c => c.Item == item.Id && c.IsIn(template)).Select(c => c.Revision >= item.Revision
            ? new ShelfRenewal(c, false, [], null)
            : ShelfTake.Of(template, item, c.Place) switch
            {
                ShelfTakeResult.Taken taken => new(c, true, taken.Take.Edits, null),
                ShelfTakeResult.Refused refused => new(c, true, [], refused.Why),
                _ => throw new InvalidOperationException("An item is taken or refused."),
            })];
}
