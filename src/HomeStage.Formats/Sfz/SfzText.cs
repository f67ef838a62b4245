using System.Text;
using System.Text.RegularExpressions;

namespace HomeStage.Formats.Sfz;

/// <summary>The text of an SFZ file with everything put in its place: comments out, includes in, defined names replaced.</summary>
internal sealed partial class SfzText(SfzArchive archive, LeftOut leftOut, ReadingBudget budget)
{
    private const int MostDeep = 10;
    private const int MostIncluded = 1000;

    private readonly SfzDefines _defined = new(budget);
    private readonly StringBuilder _text = new();
    private int _included;
    private int _read;

    /// <exception cref="InvalidDataException">It grows too large, or includes itself.</exception>
    public string Of(string path)
    {
        Append(path, archive.Text(path)!, 0);
        return _text.ToString();
    }

    private void Append(string path, string text, int depth)
    {
        if (depth > MostDeep)
            throw new InvalidDataException($"{path} is included more than {MostDeep} deep.");
        if (_included++ > MostIncluded)
            throw new InvalidDataException($"It includes more than {MostIncluded:N0} files.");
        if ((_read += text.Length) > SfzArchive.MostText)
            throw new InvalidDataException("The text of all its files together is too large.");
        budget.Spend(text.Length);
        foreach (var line in Comments().Replace(text, " ").AsSpan().EnumerateLines())
        {
            var trimmed = line.Trim().ToString();
            if (Include().Match(trimmed) is { Success: true } include)
                Included(path, include.Groups["path"].Value, depth);
            else if (Define().Match(trimmed) is { Success: true } define)
                _defined.Define(define.Groups["name"].Value, _defined.In(define.Groups["value"].Value, SfzDefines.LongestValue));
            else
                _text.Append(_defined.In(trimmed, SfzArchive.MostText)).Append('\n');
            if (_text.Length > SfzArchive.MostText)
                throw new InvalidDataException("The text grows too large.");
        }
    }

    private void Included(string from, string path, int depth)
    {
        // Paths count from the file that is played, not from the one that includes.
        var resolved = SfzArchive.Resolved(SfzArchive.FolderOf(archive.Main!), _defined.In(path, SfzDefines.LongestValue));
        if (resolved is null || archive.Text(resolved) is not { } text)
            leftOut.Add($"{from} includes {path}, which is not in the upload");
        else
            Append(resolved, text, depth + 1);
    }

    [GeneratedRegex(@"//[^\n]*|/\*.*?(\*/|\z)", RegexOptions.Singleline | RegexOptions.ExplicitCapture, matchTimeoutMilliseconds: 1000)]
    private static partial Regex Comments();

    [GeneratedRegex("^#include\\s+\"(?<path>[^\"]*)\"", RegexOptions.None, matchTimeoutMilliseconds: 1000)]
    private static partial Regex Include();

    [GeneratedRegex(@"^#define\s+(?<name>\$\w+)\s+(?<value>\S+)", RegexOptions.None, matchTimeoutMilliseconds: 1000)]
    private static partial Regex Define();
}
