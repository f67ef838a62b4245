using System.Collections.Concurrent;

namespace HomeStage.Core.Roles;

/// <summary>What names were read as: a template's own are asked for again at every turn. Full, it gives up what was not asked for lately.</summary>
/// <param name="most">How many are remembered at least, where there are so many; at most twice that.</param>
/// <param name="read">The same for the same name.</param>
/// <remarks>Safe for several threads.</remarks>
public sealed class RememberedNames<T>(int most, Func<string, T> read)
{
    private volatile ConcurrentDictionary<string, T> _lately = new(StringComparer.Ordinal);
    private volatile ConcurrentDictionary<string, T> _before = new(StringComparer.Ordinal);

    public int Count => _lately.Count + _before.Count;

    public T Of(string name)
    {
        if (_lately.TryGetValue(name, out var known))
            return known;
        var value = _before.TryGetValue(name, out var older) ? older : read(name);
        if (_lately.Count >= most)
            (_before, _lately) = (_lately, new(StringComparer.Ordinal));
        _lately[name] = value;
        return value;
    }
}
