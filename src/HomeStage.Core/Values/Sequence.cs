using System.Collections;
using System.Collections.Immutable;
using System.Runtime.CompilerServices;

namespace HomeStage.Core.Values;

/// <summary>An immutable list that is equal to another when its elements are, so that records which hold it compare by value.</summary>
[CollectionBuilder(typeof(Sequence), nameof(Sequence.Create))]
public sealed class Sequence<T> : IReadOnlyList<T>, IEquatable<Sequence<T>>
{
    public static readonly Sequence<T> Empty = new([]);

    private readonly ImmutableArray<T> _items;

    internal Sequence(ImmutableArray<T> items) => _items = items;

    public int Count => _items.Length;

    public T this[int index] => _items[index];

    public Sequence<T> Add(T item) => new(_items.Add(item));

    public Sequence<T> Insert(int index, T item) => new(_items.Insert(index, item));

    public Sequence<T> RemoveAt(int index) => new(_items.RemoveAt(index));

    public Sequence<T> SetItem(int index, T item) => new(_items.SetItem(index, item));

    /// <returns>The first place where <paramref name="match"/> holds, or −1.</returns>
    public int IndexWhere(Func<T, bool> match)
    {
        for (var i = 0; i < _items.Length; i++)
            if (match(_items[i]))
                return i;
        return -1;
    }

    public bool Equals(Sequence<T>? other) =>
        other is not null && (_items == other._items || _items.SequenceEqual(other._items, EqualityComparer<T>.Default));

    public override bool Equals(object? obj) => Equals(obj as Sequence<T>);

    public override int GetHashCode()
    {
        var hash = new HashCode();
        foreach (var item in _items)
            hash.Add(item);
        return hash.ToHashCode();
    }

    public IEnumerator<T> GetEnumerator() => ((IEnumerable<T>)_items).GetEnumerator();

    IEnumerator IEnumerable.GetEnumerator() => GetEnumerator();

    public override string ToString() => $"[{string.Join(", ", _items)}]";
}

/// <summary>Builds sequences from collection expressions and other collections.</summary>
public static class Sequence
{
    public static Sequence<T> Create<T>(ReadOnlySpan<T> items) => items.IsEmpty ? Sequence<T>.Empty : new([.. items]);

    public static Sequence<T> ToSequence<T>(this IEnumerable<T> items) => items as Sequence<T> ?? new([.. items]);
}
