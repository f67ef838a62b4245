using System.Collections;
using System.Collections.Immutable;
using System.Diagnostics.CodeAnalysis;

namespace HomeStage.Core.Values;

/// <summary>An immutable map from names to values in ordinal order of the names, equal to another when its entries are.</summary>
public sealed class Map<TValue> : IReadOnlyDictionary<string, TValue>, IEquatable<Map<TValue>>
{
    public static readonly Map<TValue> Empty = new(ImmutableSortedDictionary.Create<string, TValue>(StringComparer.Ordinal));

    private readonly ImmutableSortedDictionary<string, TValue> _entries;

    private Map(ImmutableSortedDictionary<string, TValue> entries) => _entries = entries;

    public int Count => _entries.Count;

    public IEnumerable<string> Keys => _entries.Keys;

    public IEnumerable<TValue> Values => _entries.Values;

    public TValue this[string key] => _entries[key];

    public static Map<TValue> From(IEnumerable<KeyValuePair<string, TValue>> entries) =>
        entries as Map<TValue> ?? new(Empty._entries.SetItems(entries));

    public Map<TValue> With(string key, TValue value) => new(_entries.SetItem(key, value));

    public Map<TValue> Without(string key) => new(_entries.Remove(key));

    public bool ContainsKey(string key) => _entries.ContainsKey(key);

    public bool TryGetValue(string key, [MaybeNullWhen(false)] out TValue value) => _entries.TryGetValue(key, out value);

    public bool Equals(Map<TValue>? other) =>
        other is not null && (ReferenceEquals(_entries, other._entries) || _entries.SequenceEqual(other._entries));

    public override bool Equals(object? obj) => Equals(obj as Map<TValue>);

    public override int GetHashCode()
    {
        var hash = new HashCode();
        foreach (var (key, value) in _entries)
        {
            hash.Add(key, StringComparer.Ordinal);
            hash.Add(value);
        }

        return hash.ToHashCode();
    }

    public IEnumerator<KeyValuePair<string, TValue>> GetEnumerator() => _entries.GetEnumerator();

    IEnumerator IEnumerable.GetEnumerator() => GetEnumerator();
}
