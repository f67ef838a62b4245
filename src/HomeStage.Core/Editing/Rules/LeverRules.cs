using HomeStage.Core.Automation;
using HomeStage.Core.Catalogue;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Editing.Rules;

/// <summary>What the levers of a template must keep to.</summary>
internal static class LeverRules
{
    /// <returns>The first thing that is wrong in a template, or null.</returns>
    public static Refusal? Check(Template template)
    {
        if (template.Levers.Count > Lever.MostInATemplate)
            return new Refusal.TooMany("levers", Lever.MostInATemplate);
        return template.Levers.Select(l => CheckOne(template, l)).FirstOrDefault(r => r is not null)
            ?? Doubles.Check(template.Levers.Select(l => l.Id), "lever");
    }

    private static Refusal? CheckOne(Template template, Lever lever)
    {
        if (!Identifier.IsValid(lever.Id))
            return new Refusal.BadText($"The id of the lever {lever.Name}", 1, Identifier.MaxLength);
        if (!(lever.Position is >= 0 and <= 1))
            return new Refusal.OutOfRange($"The position of {lever.Name}", lever.Position, 0, 1, "");
        if (lever.Ranges.Count > Lever.MostRanges)
            return new Refusal.TooMany($"values on {lever.Name}", Lever.MostRanges);
        return TextRules.Name("A lever's name", lever.Name, TextRules.LongestSection)
            ?? lever.Ranges.Select(r => CheckRange(template, lever, r)).FirstOrDefault(r => r is not null)
            ?? lever.Shapes.Select(s => ShapePoint.Check($"A shape of {lever.Name}", s.Points)).FirstOrDefault(r => r is not null)
            ?? Doubles.Check(lever.Ranges.Select(r => $"{r.Channel} {r.Target}"), $"value on {lever.Name}")
            ?? Doubles.Check(lever.Shapes.Select(s => s.Section), $"shape of {lever.Name} in");
    }

    private static Refusal? CheckRange(Template template, Lever lever, LeverRange range)
    {
        if (!double.IsFinite(range.From) || !double.IsFinite(range.To))
            return new Refusal.WrongPlace(lever.Name, "moves between numbers only; silence is −200 dB");
        var limits = template.Channels.TryGet(range.Channel, out var channel) ? range.Target.RangeOn(channel) : null;
        var (low, high) = (Math.Min(range.From, range.To), Math.Max(range.From, range.To));
        return limits is not null && !(low >= Math.Max(limits.Min, Scales.SilenceDb) && high <= limits.Max)
            ? new Refusal.OutOfRange($"What {lever.Name} moves on {channel!.Name}", low < limits.Min ? low : high, Math.Max(limits.Min, Scales.SilenceDb), limits.Max, limits.Symbol)
            : null;
    }
}
