using System.Globalization;

namespace HomeStage.Formats.Arranging;

/// <summary>Names that are given once each: one that is taken gets the next number. As quick for a thousand of one name as for one.</summary>
/// <param name="between">Stands between a name and its number.</param>
internal sealed class FreeNames(StringComparer comparer, string between)
{
    private readonly HashSet<string> _taken = new(comparer);
    private readonly Dictionary<string, int> _last = new(comparer);

    public string Take(string wanted)
    {
        var name = wanted;
        for (var number = _last.GetValueOrDefault(wanted, 1) + 1; !_taken.Add(name); number++)
        {
            name = string.Create(CultureInfo.InvariantCulture, $"{wanted}{between}{number}");
            _last[wanted] = number;
        }

        return name;
    }
}
