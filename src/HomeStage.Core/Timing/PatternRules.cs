namespace HomeStage.Core.Timing;

/// <summary>What a pattern must keep to.</summary>
public static class PatternRules
{
    public const int MostNotes = 20000;

    /// <returns>The first thing that is wrong, or null.</returns>
    public static Refusal? Check(Pattern pattern)
    {
        if (TextRules.Name("A pattern's name", pattern.Name) is { } badName)
            return badName;
        if (!(pattern.LengthTicks is >= 1 and <= Pattern.LongestTicks))
            return new Refusal.OutOfRange($"The length of {pattern.Name}", pattern.LengthTicks, 1, Pattern.LongestTicks, "ticks");
        if (pattern.Notes.Count > MostNotes)
            return new Refusal.TooMany($"notes in {pattern.Name}", MostNotes);
        return pattern.Notes.Select(n => CheckNote(pattern, n)).FirstOrDefault(r => r is not null);
    }

    private static Refusal? CheckNote(Pattern pattern, Note note)
    {
        if (!(note.StartTick >= 0 && note.StartTick < pattern.LengthTicks))
            return new Refusal.OutOfRange($"A note's start in {pattern.Name}", note.StartTick, 0, pattern.LengthTicks - 1, "ticks");
        if (!(note.LengthTicks is >= 1 and <= Pattern.LongestTicks))
            return new Refusal.OutOfRange($"A note's length in {pattern.Name}", note.LengthTicks, 1, Pattern.LongestTicks, "ticks");
        if (!(note.Number is >= 0 and <= 127))
            return new Refusal.OutOfRange($"A note in {pattern.Name}", note.Number, 0, 127, "");
        return note.Velocity is >= 1 and <= 127 ? null : new Refusal.OutOfRange($"A velocity in {pattern.Name}", note.Velocity, 1, 127, "");
    }
}
