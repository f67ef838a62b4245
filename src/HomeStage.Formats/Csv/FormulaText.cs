namespace HomeStage.Formats.Csv;

/// <summary>Text that a spreadsheet would run as a formula leaves as text: with an apostrophe before it, which comes off again here.</summary>
/// <remarks>Common practice against formulas in tables.</remarks>
internal static class FormulaText
{
    private const char Guard = '\'';
    private static readonly char[] Begins = ['=', '+', '-', '@', '\t', '\r', '＝', '＋', '－', '＠'];

    public static string Guarded(string text) => IsRun(text) || (text.StartsWith(Guard) && IsRun(text[1..])) ? Guard + text : text;

    public static string Plain(string text) => text.StartsWith(Guard) && (IsRun(text[1..]) || (text.Length > 1 && text[1] == Guard && IsRun(text[2..]))) ? text[1..] : text;

    private static bool IsRun(string text) => text.Length > 0 && Begins.Contains(text.TrimStart(' ').FirstOrDefault());
}
