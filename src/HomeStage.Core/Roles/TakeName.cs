using System.Text.RegularExpressions;

namespace HomeStage.Core.Roles;

/// <summary>A name as it is written on a take or a print, and what is left of it when the song is over.</summary>
/// <param name="Stem">What the channel is: the name without what is said of one recording of it. The whole name where nothing else would be left.</param>
/// <param name="Number">Which take it is, where the name says; null otherwise.</param>
/// <remarks>Common practice: takes are numbered ("tk3", "take 3"), chosen ones are marked ("keep", "comp"), prints are told by "print" or "bounce".</remarks>
public sealed partial record TakeName(string Stem, TakeMarks Marks, int? Number)
{
    private static readonly string[] Chosen = ["keep", "keeper", "best", "use", "final", "select", "selected", "comp", "comped"];
    private static readonly string[] Dropped = ["old", "unused", "reject", "rejected", "bad", "maybe", "dnu", "backup"];
    private static readonly string[] Printed = ["print", "printed", "bounce", "bounced", "frozen", "freeze", "render", "rendered"];
    private static readonly string[] Worked = ["edit", "edits", "edited", "tuned", "aligned", "consolidated"];
    private static readonly string[] Copied = ["copy", "dup", "duplicate"];
    private static readonly string[] Taken = ["take", "tk", "punch"];

    /// <summary>One word of a name.</summary>
    /// <param name="Glued">Whether a low line, a full stop or a dash clings to it from before, as programs put one before their own numbers.</param>
    private readonly record struct Word(string Text, int Start, int End, bool Glued)
    {
        public bool IsNumber => Text.All(char.IsAsciiDigit);

        public bool IsOneOf(string[] words) => words.Contains(Text, StringComparer.OrdinalIgnoreCase);
    }

    public static TakeName Read(string name)
    {
        var undated = Dates().Replace(name, "");
        var words = WordsOf(undated);
        var marks = undated.Length < name.Length ? TakeMarks.Worked : TakeMarks.None;
        var number = OfTakes(words, ref marks);
        AtTheEnd(words, ref marks);
        var stem = StemOf(undated, words);
        return marks == TakeMarks.None || !stem.Any(char.IsLetter) ? new(name, TakeMarks.None, null) : new(stem, marks, number);
    }

    private static List<Word> WordsOf(string name) =>
        [.. Parts().Matches(name).Select(m => new Word(m.Value, m.Index, m.Index + m.Length, m.Index > 0 && name[m.Index - 1] is '_' or '.' or '-'))];

    /// <summary>"tk3", "take 3" and "Take3" are taken out wherever they stand; "take" without a number is a word like any other.</summary>
    private static int? OfTakes(List<Word> words, ref TakeMarks marks)
    {
        int? number = null;
        for (var i = words.Count - 1; i >= 0; i--)
        {
            var clung = Numbered().Match(words[i].Text);
            var apart = words[i].IsOneOf(Taken) && i + 1 < words.Count && words[i + 1].IsNumber;
            if (!apart && !(clung.Success && new Word(clung.Groups["word"].Value, 0, 0, false).IsOneOf(Taken)))
                continue;
            var digits = apart ? words[i + 1].Text : clung.Groups["number"].Value;
            number ??= digits.Length < 6 ? int.Parse(digits, System.Globalization.CultureInfo.InvariantCulture) : null;
            words.RemoveRange(i, apart ? 2 : 1);
            marks |= TakeMarks.Take;
        }

        return number;
    }

    /// <summary>What is said of a recording stands last; the number of a file clings to it: "Fiddle tk3_01", "Fiddle keep.02".</summary>
    private static void AtTheEnd(List<Word> words, ref TakeMarks marks)
    {
        while (words.Count > 1)
        {
            var before = words.Count > 2 && words[^1].IsNumber ? MarkOf(words[^2]) : TakeMarks.None;
            var (mark, length) = before == TakeMarks.Copy ? (TakeMarks.Copy, 2)
                : words[^1] is { IsNumber: true, Glued: true } && (marks | before) != TakeMarks.None ? (TakeMarks.Worked, 1)
                : (MarkOf(words[^1]), 1);
            if (mark == TakeMarks.None)
                return;
            words.RemoveRange(words.Count - length, length);
            marks |= mark;
        }
    }

    private static TakeMarks MarkOf(Word word) =>
        word.IsOneOf(Copied) ? TakeMarks.Copy
        : word.IsOneOf(Chosen) ? TakeMarks.Chosen
        : word.IsOneOf(Dropped) ? TakeMarks.Dropped
        : word.IsOneOf(Printed) ? TakeMarks.Print
        : word.IsOneOf(Worked) ? TakeMarks.Worked
        : TakeMarks.None;

    /// <summary>The words that are left, with what stood between those that are neighbours still.</summary>
    private static string StemOf(string name, List<Word> words)
    {
        var stem = "";
        for (var i = 0; i < words.Count; i++)
        {
            var between = i == 0 ? "" : name[words[i - 1].End..words[i].Start];
            stem += (i == 0 ? "" : Parts().IsMatch(between) || between.Contains('(', StringComparison.Ordinal) ? " " : between) + words[i].Text;
        }

        return stem;
    }

    [GeneratedRegex(@"[^\s_\-.()\[\]{}#,;:*+|–—]+", RegexOptions.NonBacktracking | RegexOptions.ExplicitCapture)]
    private static partial Regex Parts();

    [GeneratedRegex(@"^(?<word>[A-Za-z]+)(?<number>[0-9]+)$", RegexOptions.NonBacktracking | RegexOptions.ExplicitCapture)]
    private static partial Regex Numbered();

    [GeneratedRegex(@"[\s_\-.(]*(19|20)[0-9]{2}[-._][0-9]{1,2}[-._][0-9]{1,2}\)?", RegexOptions.NonBacktracking | RegexOptions.ExplicitCapture)]
    private static partial Regex Dates();
}

/// <summary>What a name says of one recording.</summary>
[Flags]
public enum TakeMarks
{
    None = 0,

    /// <summary>A take among others.</summary>
    Take = 1,

    /// <summary>The one that was kept, or put together from others.</summary>
    Chosen = 2,

    /// <summary>One that was not.</summary>
    Dropped = 4,

    /// <summary>What another channel put out, as audio.</summary>
    Print = 8,

    /// <summary>It was worked on, or dated.</summary>
    Worked = 16,

    /// <summary>A copy of another.</summary>
    Copy = 32,
}
