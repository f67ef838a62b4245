using HomeStage.Core.Editing;
using HomeStage.Core.Editing.Rules;
using HomeStage.Core.Inheriting;
using HomeStage.Core.Pieces;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Shelf;

/// <summary>A set piece in a template that was changed on the shelf since it was put in: what changed, offered edit by edit as the changes of a
/// template to one that is based on it.</summary>
/// <param name="Changes">In the order in which they can be taken.</param>
/// <param name="Noted">Notes that it is a copy of the newer piece; goes after what is taken.</param>
public sealed record PieceRenewal(Sequence<InheritedChange> Changes, Edit Noted)
{
    /// <param name="was">The piece as it was put in.</param>
    /// <param name="item">The set piece as it is now.</param>
    /// <returns>Or what is in the way.</returns>
    public static (PieceRenewal? Renewal, Refusal? Why) Of(Template template, ShelfCopy copy, SetPiece was, ShelfItem item)
    {
        var (edits, why) = TakeOut.Of(template, copy);
        if (why is not null)
            return (null, why);
        var without = Batch.Apply(template, edits) switch
        {
            BatchResult.Applied applied => applied.Template,
            BatchResult.Refused refused => throw new InvalidOperationException($"What a piece leaves behind is refused: {refused.Why.Sentence}"),
            _ => throw new InvalidOperationException("A batch is applied or refused."),
        };
        // The same stage with the piece as it was and as it is: what lies between the two is what changed.
        var (then, _) = With(without, was, copy.Became);
        var (now, became) = With(without, ((SetPieceContent)item.Content).Piece, copy.Became);
        return (TemplateRules.Check(then) ?? TemplateRules.Check(now)) is { } wrong
            ? (null, wrong)
            : (new(Inheritance.Offered(then, now, template).ToSequence(), ShelfTake.Noted(item, copy.Place, became.Aggregate(copy.Became, (all, b) => all.With(b.Key, b.Value)))), null);
    }

    private static (Template Template, Map<string> Became) With(Template template, SetPiece piece, Map<string> known)
    {
        var joints = new PieceJoins(piece, template).Of(null);
        var names = new PieceNames(template, piece, joints, known);
        return (new PieceStaging(template, piece, joints, names).Staged().Template, names.Became);
    }
}
