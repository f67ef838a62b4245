using HomeStage.Core.Editing;
using HomeStage.Core.Outputs;
using HomeStage.Core.Soundcheck.Findings;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Soundcheck.Rules;

/// <summary>A split whose output no piece leaves by.</summary>
public sealed class EmptySplit : ISoundcheckRule
{
    public string Id => "empty-split";

    public string Group => "Outputs";

    public IEnumerable<Finding> Look(Template template, string act) =>
        from kit in SplitKit.AllOf(template)
        from split in kit.Splits
        let number = SplitKit.NumberOf(split)
        where !kit.LinesAt(number).Any()
        select new Finding(Id, Severity.Hint, [split.Id],
            $"{split.Name} takes {kit.Kit.JacksSaid(number)} of {kit.Player.Name}, by which no piece leaves.",
            [new($"Remove {split.Name}", Removed(kit, split))]);

    /// <summary>With it goes the gap that it would leave.</summary>
    private static Sequence<Edit> Removed(SplitKit kit, Channel split)
    {
        Edit[] edits = [new RemoveChannel(split.Id)];
        return OutputGaps.Closing(kit with { Splits = [.. kit.Splits.Where(s => s != split)] }) is { } closing ? [.. edits, closing] : [.. edits];
    }
}
