using HomeStage.Core.Editing;
using HomeStage.Core.Editing.Comparing;
using HomeStage.Core.Editing.Rules;
using HomeStage.Core.Making;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Pieces;

/// <summary>A set piece as it is put into a template.</summary>
/// <param name="Edits">Apply whole.</param>
/// <param name="Joints">What joins where, and what would be missing.</param>
/// <param name="Became">By id in the piece the id here: its channels, and those that came along; its grooves under "groove/" and their name, its levers under "lever/" and their id, as far as they came with it.</param>
/// <param name="Top">Where it stands: the first of its channels.</param>
/// <param name="Notes">What else there is to know, a sentence each.</param>
public sealed record PutIn(Sequence<Edit> Edits, Sequence<PieceJoint> Joints, Map<string> Became, ChannelId Top, Sequence<string> Notes)
{
    private const double AlikeDb = 0.1;

    /// <param name="said">As <see cref="PieceJoins.Of"/> has it; null for what fits.</param>
    /// <returns>Or what is in the way.</returns>
    public static (PutIn? Put, Refusal? Why) Of(Template template, SetPiece piece, IReadOnlyDictionary<string, string?>? said = null)
    {
        var joints = new PieceJoins(piece, template).Of(said);
        var names = new PieceNames(template, piece, joints);
        var after = new PieceStaging(template, piece, joints, names).Staged();
        if (TemplateRules.Check(after.Template) is { } wrong)
            return (null, wrong);
        var (levelled, turned) = Levelled(after.Template, piece, joints, names);
        var top = names.Of(piece.Tops.First().Id);
        return (new(Difference.Between(template, levelled), joints.ToSequence(), names.Became, top, after.Notes.Concat(turned).ToSequence()), null);
    }

    /// <summary>What goes on to one place is turned by as much as that place is louder or softer than where it came from.</summary>
    private static (Template Template, IReadOnlyList<string> Notes) Levelled(Template template, SetPiece piece, IReadOnlyList<PieceJoint> joints, PieceNames names)
    {
        var notes = new List<string>();
        var own = piece.Own.Select(c => names.Of(c.Id)).ToHashSet();
        foreach (var (under, left) in piece.LeftAtLufs)
        {
            var tops = piece.Own.Where(c => c.Destination?.Value == under).Select(c => template.Channels[names.Of(c.Id)]).ToList();
            var here = joints.FirstOrDefault(j => j.Outside.Value == under)?.To ?? ChannelFactory.MixBus(template);
            if (tops.Count == 0 || PieceLevels.ArrivingBy(template, own, here) is not { } arrives || Math.Abs(left - arrives) < AlikeDb)
                continue;
            var by = Math.Min(left - arrives, tops.Min(t => Decibels.FaderTop.Value - t.Level.Value));
            template = tops.Aggregate(template, (t, top) => t.Replace(top with { Level = new(Math.Round(top.Level.Value + by, 1)) }));
            notes.Add(FormattableString.Invariant($"{string.Join(", ", tops.Select(t => t.Name))} {(tops.Count == 1 ? "is" : "are")} put {Math.Abs(by):0.0} dB {(by < 0 ? "lower" : "higher")}, so as to arrive as loud as where {(tops.Count == 1 ? "it" : "they")} came from."));
        }

        return (template, notes);
    }
}
