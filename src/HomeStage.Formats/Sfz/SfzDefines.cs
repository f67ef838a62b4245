using System.Text;

namespace HomeStage.Formats.Sfz;

/// <summary>Names that an SFZ text defines, and their replacement in one pass over each line.</summary>
internal sealed class SfzDefines(ReadingBudget budget)
{
    public const int Most = 1000;
    public const int LongestName = 64;
    public const int LongestValue = 4096;

    private readonly Dictionary<string, string> _values = new(StringComparer.Ordinal);

    /// <param name="name">With its dollar sign.</param>
    /// <exception cref="InvalidDataException">There are too many, or they are too long.</exception>
    public void Define(string name, string value)
    {
        if (name.Length > LongestName || value.Length > LongestValue || (_values.Count >= Most && !_values.ContainsKey(name)))
            throw new InvalidDataException("It defines too many names, or too long ones.");
        _values[name] = value;
    }

    /// <summary>Puts values for names; of names that begin alike the longest is meant.</summary>
    /// <param name="most">What the line may grow to.</param>
    /// <exception cref="InvalidDataException">It grows beyond that.</exception>
    public string In(string line, int most)
    {
        if (_values.Count == 0 || !line.Contains('$', StringComparison.Ordinal))
            return line;
        var text = new StringBuilder(line.Length);
        for (var at = 0; at < line.Length;)
        {
            var next = line.IndexOf('$', at);
            text.Append(line, at, (next < 0 ? line.Length : next) - at);
            if (next < 0)
                break;
            var (value, length) = At(line, next);
            text.Append(value);
            if (text.Length > most)
                throw new InvalidDataException("The text grows too large.");
            budget.Spend(1 + value.Length);
            at = next + length;
        }

        return text.ToString();
    }

    private (string Value, int Length) At(string line, int start)
    {
        var end = start + 1;
        while (end < line.Length && end - start < LongestName && (char.IsAsciiLetterOrDigit(line[end]) || line[end] == '_'))
            end++;
        var names = _values.GetAlternateLookup<ReadOnlySpan<char>>();
        for (; end > start + 1; end--)
        {
            budget.Spend(1);
            if (names.TryGetValue(line.AsSpan(start, end - start), out var value))
                return (value, end - start);
        }

        return ("$", 1);
    }
}
