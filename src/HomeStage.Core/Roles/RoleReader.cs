using System.Globalization;

namespace HomeStage.Core.Roles;

/// <summary>Reads a role from a name as people write them: abbreviations, camel case, numbers, sides.</summary>
public static class RoleReader
{
    // What is said of most things that are struck; it tells two of them not apart.
    private static readonly string[] Vague = [RoleNames.Unknown, "percussion", "drum-bus"];

    private const double LeastSure = 0.5;
    private const int Remembered = 4096;

    private static readonly RememberedNames<RoleGuess> Known = new(Remembered, name => Read(name, RoleRules.Decide));
    private static readonly RememberedNames<RoleGuess> KnownPlayed = new(Remembered, Played);

    /// <returns>The role of a name that says something particular; null for one that could be anything among drums.</returns>
    public static string? ParticularOf(string name) => Read(name).Role is var role && Vague.Contains(role) ? null : role;

    /// <summary>Whether a person should be asked, however many other words stand beside: the name leans on one letter or on a word with many meanings.</summary>
    internal static bool IsFaint(string name) => RoleRules.Decide(new(JoinedWords.Of(NameWords.Of(name)))).Sureness < LeastSure;

    public static RoleGuess Read(string name) => Known.Of(name);

    /// <summary>The same of something that is played: a church organ is an organ, and a spring guitar a guitar.</summary>
    internal static RoleGuess ReadPlayed(string name) => KnownPlayed.Of(name);

    private static RoleGuess Played(string name)
    {
        var read = Read(name);
        return read.Family == "returns" && Read(name, RoleRules.Sound) is { Role: not RoleNames.Unknown } sound ? sound : read;
    }

    private static RoleGuess Read(string name, Func<SaidWords, (string Role, double Sureness)> decide)
    {
        var words = JoinedWords.Of(NameWords.Of(name));
        var (role, sureness) = decide(new(words));
        var strange = words.Count(w => TradeWords.MeaningOf(w) is null && !TradeWords.IsNeutral(w));
        var confidence = role == RoleNames.Unknown ? 0 : sureness / (1 + 0.25 * strange);
        return new(role, RoleNames.FamilyOf(role), Math.Round(confidence, 2), SideOf(words), NumberOf(words));
    }

    private static string? SideOf(IReadOnlyList<string> words) =>
        words.Contains("l") || words.Contains("left") ? words.Contains("r") || words.Contains("right") ? null : "left"
        : words.Contains("r") || words.Contains("right") ? "right"
        : null;

    private static int? NumberOf(IReadOnlyList<string> words)
    {
        // 808 names a sound, not the eight hundred and eighth of anything.
        var digits = words.LastOrDefault(w => w != "808" && w.Length <= 4 && w.All(char.IsAsciiDigit));
        return digits is null ? null : int.Parse(digits, CultureInfo.InvariantCulture);
    }
}
