using HomeStage.Core.Templates;

namespace HomeStage.Core.Automation;

/// <summary>One control that moves several values over stated ranges.</summary>
/// <param name="Id">A valid <see cref="Identifier"/>, unique in the template.</param>
/// <param name="Name">1 to 40 characters.</param>
/// <param name="Position">In [0, 1].</param>
public sealed record Lever(string Id, string Name, double Position, Sequence<LeverRange> Ranges)
{
    public const int MostInATemplate = 64;
    public const int MostRanges = 64;

    /// <summary>Curves of its position over sections; one a section.</summary>
    public Sequence<LeverShape> Shapes { get; init; } = [];

    /// <returns>The first thing that is wrong in a template, or null.</returns>
    internal static Refusal? Check(Template template)
    {
        if (template.Levers.Count > MostInATemplate)
            return new Refusal.TooMany("levers", MostInATemplate);
        return template.Levers.Select(l => l.CheckOne(template)).FirstOrDefault(r => r is not null)
            ?? ChannelRules.Doubled(template.Levers.Select(l => l.Id), "lever");
    }

    private Refusal? CheckOne(Template template)
    {
        if (!Identifier.IsValid(Id))
            return new Refusal.BadText($"The id of the lever {Name}", 1, Identifier.MaxLength);
        if (!(Position is >= 0 and <= 1))
            return new Refusal.OutOfRange($"The position of {Name}", Position, 0, 1, "");
        if (Ranges.Count > MostRanges)
            return new Refusal.TooMany($"values on {Name}", MostRanges);
        return TextRules.Name("A lever's name", Name, TextRules.LongestSection)
            ?? Ranges.Select(r => CheckRange(template, r)).FirstOrDefault(r => r is not null)
            ?? Shapes.Select(s => ShapePoint.Check($"A shape of {Name}", s.Points)).FirstOrDefault(r => r is not null)
            ?? ChannelRules.Doubled(Ranges.Select(r => $"{r.Channel} {r.Target}"), $"value on {Name}")
            ?? ChannelRules.Doubled(Shapes.Select(s => s.Section), $"shape of {Name} in");
    }

    private Refusal? CheckRange(Template template, LeverRange range)
    {
        if (!double.IsFinite(range.From) || !double.IsFinite(range.To))
            return new Refusal.WrongPlace(Name, "moves between numbers only; silence is −200 dB");
        var limits = template.Channels.TryGet(range.Channel, out var channel) ? range.Target.RangeOn(channel) : null;
        var (low, high) = (Math.Min(range.From, range.To), Math.Max(range.From, range.To));
        return limits is not null && !(low >= Math.Max(limits.Min, -200) && high <= limits.Max)
            ? new Refusal.OutOfRange($"What {Name} moves on {channel!.Name}", low < limits.Min ? low : high, Math.Max(limits.Min, -200), limits.Max, limits.Symbol)
            : null;
    }
}

/// <summary>One value that a lever moves.</summary>
/// <param name="From">Where the lever stands at 0.</param>
/// <param name="To">Where it stands at 1; may lie below.</param>
public sealed record LeverRange(ChannelId Channel, Target Target, double From, double To)
{
    /// <param name="position">Of the lever, in [0, 1].</param>
    public double At(double position) => From + (To - From) * position;
}

/// <summary>A curve of a lever's position over a section.</summary>
/// <param name="Points">Values in [0, 1].</param>
public sealed record LeverShape(string Section, Sequence<ShapePoint> Points);
