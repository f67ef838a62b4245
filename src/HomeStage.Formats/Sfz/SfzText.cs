using System.Text;
using System.Text.RegularExpressions;

namespace HomeStage.Formats.Sfz;

/// <summary>The text of an SFZ file with everything put in its place: comments out, includes in, defined names replaced.</summary>
internal sealed partial class SfzText(SfzArchive archive, List<string> leftOut)
{
    private const int MostDeep = 10;
    private const int MostDefined = 1000;

    private readonly Dictionary<string, string> _defined = new(StringComparer.Ordinal);
    private readonly StringBuilder _text = new();

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
        foreach (var line in Comments().Replace(text, " ").Split('\n'))
        {
            var trimmed = line.Trim();
            if (Include().Match(trimmed) is { Success: true } include)
                Included(path, include.Groups["path"].Value, depth);
            else if (Define().Match(trimmed) is { Success: true } define)
                Defined(define.Groups["name"].Value, define.Groups["value"].Value);
            else
                _text.Append(Replaced(trimmed)).Append('\n');
            if (_text.Length > SfzArchive.MostText)
                throw new InvalidDataException("The text grows too large.");
        }
    }

    private void Included(string from, string path, int depth)
    {
        // Paths count from the file that is played, not from the one that includes.
        var resolved = SfzArchive.Resolved(SfzArchive.FolderOf(archive.Main!), Replaced(path));
        if (resolved is null || archive.Text(resolved) is not { } text)
            leftOut.Add($"{from} includes {path}, which is not in the upload");
        else
            Append(resolved, text, depth + 1);
    }

    private void Defined(string name, string value)
    {
        if (_defined.Count >= MostDefined)
            throw new InvalidDataException("It defines too many names.");
        _defined[name] = value;
    }

    /// <summary>The longest name that fits is the one that is meant.</summary>
    private string Replaced(string line)
    {
        if (!line.Contains('$', StringComparison.Ordinal))
            return line;
        foreach (var (name, value) in _defined.OrderByDescending(d => d.Key.Length))
        {
            line = line.Replace(name, value, StringComparison.Ordinal);
            if (line.Length > SfzArchive.MostText)
                throw new InvalidDataException("A line grows too large.");
        }

        return line;
    }

    [GeneratedRegex(@"//[^\n]*|/\*.*?(\*/|\z)", RegexOptions.Singleline | RegexOptions.ExplicitCapture, matchTimeoutMilliseconds: 1000)]
    private static partial Regex Comments();

    [GeneratedRegex("^#include\\s+\"(?<path>[^\"]*)\"", RegexOptions.None, matchTimeoutMilliseconds: 1000)]
    private static partial Regex Include();

    [GeneratedRegex(@"^#define\s+(?<name>\$\w+)\s+(?<value>\S+)", RegexOptions.None, matchTimeoutMilliseconds: 1000)]
    private static partial Regex Define();
}
