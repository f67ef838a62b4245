using HomeStage.Core.Roles;

namespace HomeStage.Core.Machines;

/// <summary>What the name of a sound's file tells, taken apart.</summary>
/// <param name="Base">The words that are left, as they were written.</param>
/// <param name="Side">"left" or "right" where it is one of two sides; null otherwise.</param>
/// <param name="Stroke">How hard it was struck; null where the name does not say.</param>
/// <param name="Turn">Which of several strokes alike it is, from 1.</param>
/// <param name="Folder">The innermost folder that it lies in; empty for none.</param>
internal sealed record SoundFileName(IReadOnlyList<string> Whole, IReadOnlyList<string> Base, string? Side, Stroke? Stroke, int Turn, string Folder)
{
    private static readonly char[] Parting = ['/', '\\'];

    private const int MostDigits = 9;

    /// <summary>By which names are sorted: "2" before "10".</summary>
    public string InOrder => string.Join(' ', Whole.Select(w => w.All(char.IsAsciiDigit) ? w.PadLeft(MostDigits, '0') : w));

    /// <summary>Names of one folder; what all of them begin or end with, without saying what they are, is left out.</summary>
    public static IReadOnlyList<SoundFileName> OfAll(IReadOnlyList<string> paths)
    {
        var words = PadCodes.SpeltOut(Shortened([.. paths.Select(p => NameWords.AsWritten(Stem(p)))]));
        return [.. paths.Zip(words, (path, own) => Of(own, FolderOf(path)))];
    }

    /// <summary>The words as a person would write them.</summary>
    public static string Spoken(IReadOnlyList<string> words) => words.Count == 0 ? "" : char.ToUpperInvariant(words[0][0]) + string.Join(' ', words)[1..];

    private static SoundFileName Of(IReadOnlyList<string> whole, string folder)
    {
        var left = whole.ToList();
        List<string> Lower() => left.ConvertAll(w => w.ToLowerInvariant());
        var turn = 1;
        if (StrokeWords.Turn(Lower()) is { } said)
        {
            turn = said.Number;
            left.RemoveRange(said.From, said.Count);
        }

        var stroke = StrokeWords.Velocity(Lower());
        if (stroke is { } struck)
            left.RemoveRange(struck.From, struck.Count);
        var side = Lower().FindLastIndex(w => w is "l" or "r" or "left" or "right");
        var sideWord = side > 0 ? Lower()[side] : null;
        if (side > 0)
            left.RemoveAt(side);
        return new(whole, left, sideWord is null ? null : sideWord[0] == 'l' ? "left" : "right", stroke?.Stroke, turn, folder);
    }

    private static List<IReadOnlyList<string>> Shortened(List<IReadOnlyList<string>> names)
    {
        if (names.Count < 2)
            return names;
        // A number that every file begins with is its place in the list.
        if (names.TrueForAll(n => n.Count > 1 && n[0].All(char.IsAsciiDigit)))
            names = names.ConvertAll<IReadOnlyList<string>>(n => [.. n.Skip(1)]);
        while (IsShared(names, n => n[0]) && Understood(names.ConvertAll<IReadOnlyList<string>>(n => [.. n.Skip(1)])) >= Understood(names))
            names = names.ConvertAll<IReadOnlyList<string>>(n => [.. n.Skip(1)]);
        while (IsShared(names, n => n[^1]) && Understood(names.ConvertAll<IReadOnlyList<string>>(n => [.. n.SkipLast(1)])) >= Understood(names))
            names = names.ConvertAll<IReadOnlyList<string>>(n => [.. n.SkipLast(1)]);
        return names;
    }

    private static bool IsShared(List<IReadOnlyList<string>> names, Func<IReadOnlyList<string>, string> word) =>
        names.TrueForAll(n => n.Count > 1 && word(n).Equals(word(names[0]), StringComparison.OrdinalIgnoreCase));

    private static int Understood(List<IReadOnlyList<string>> names) => names.Count(n => PieceFamilies.Of(string.Join(' ', n)).Length > 0);

    private static string Stem(string path)
    {
        var name = path[(path.LastIndexOfAny(Parting) + 1)..];
        var dot = name.LastIndexOf('.');
        return dot > 0 ? name[..dot] : name;
    }

    private static string FolderOf(string path) => path.Split(Parting, StringSplitOptions.RemoveEmptyEntries) is [.., var folder, _] ? folder : "";
}
