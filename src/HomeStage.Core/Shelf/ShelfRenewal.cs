using HomeStage.Core.Editing;
using HomeStage.Core.Inheriting;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Shelf;

/// <summary>A copy in a template that an item has left behind: what taking the newer one would do.</summary>
/// <param name="Edits">None where it cannot be taken, or is up to date. Of a set piece those where the template has set nothing of its own; the last notes what it is a copy of.</param>
/// <param name="Changes">Of a set piece what changed, to be chosen one by one; none for anything else.</param>
/// <param name="Why">Why it cannot be taken; null where it can.</param>
public sealed record ShelfRenewal(ShelfCopy Copy, bool IsBehind, Sequence<Edit> Edits, Sequence<InheritedChange> Changes, Refusal? Why)
{
    /// <param name="past">The item's content at one of its revisions; null where that is not kept.</param>
    /// <returns>One for every copy of the item that is still in the template, by place.</returns>
    public static IReadOnlyList<ShelfRenewal> Of(Template template, ShelfItem item, Func<int, ShelfContent?> past) =>
        [.. template.Copies.Where(c => c.Item == item.Id && c.IsIn(template)).Select(c => c.Revision >= item.Revision ? new(c, false, [], [], null) : Behind(template, item, c, past))];

    private static ShelfRenewal Behind(Template template, ShelfItem item, ShelfCopy copy, Func<int, ShelfContent?> past)
    {
        if (item.Content is SetPieceContent)
        {
            if (past(copy.Revision) is not SetPieceContent { Piece: var was })
                return Left(copy, new Refusal.WrongPlace(item.Name, "is not kept as it was when it was put in: take it out, and put it in anew"));
            var (renewal, why) = PieceRenewal.Of(template, copy, was, item);
            return renewal is null ? Left(copy, why!) : new(copy, true, [.. renewal.Changes.Where(c => c.Standing == Standing.Open).Select(c => c.Edit), renewal.Noted], renewal.Changes, null);
        }

        return ShelfTake.Of(template, item, copy.Place) switch
        {
            ShelfTakeResult.Taken taken => new(copy, true, taken.Take.Edits, [], null),
            ShelfTakeResult.Refused refused => Left(copy, refused.Why),
            _ => throw new InvalidOperationException("An item is taken or refused."),
        };
    }

    private static ShelfRenewal Left(ShelfCopy copy, Refusal why) => new(copy, true, [], [], why);
}
