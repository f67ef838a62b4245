using System.Collections;
using System.Collections.Immutable;
using System.Diagnostics.CodeAnalysis;

namespace HomeStage.Core.Templates;

/// <summary>The channels of a template in their order, with an index by id.</summary>
/// <remarks>A change of one channel copies an array of references and shares the index; only adding,
/// removing and moving makes the index anew.</remarks>
public sealed class ChannelList : IReadOnlyList<Channel>, IEquatable<ChannelList>
{
    public static readonly ChannelList Empty = new([], null);

    private readonly ImmutableArray<Channel> _items;
    private readonly Lazy<Dictionary<ChannelId, int>> _places;

    private ChannelList(ImmutableArray<Channel> items, Lazy<Dictionary<ChannelId, int>>? places)
    {
        _items = items;
        _places = places ?? new(() => PlacesOf(items));
    }

    public int Count => _items.Length;

    public Channel this[int index] => _items[index];

    /// <exception cref="KeyNotFoundException">No channel has this id.</exception>
    public Channel this[ChannelId id] => _items[_places.Value[id]];

    /// <summary>Takes channels as they come; where two share an id the first is the one that is found by it.</summary>
    public static ChannelList From(IEnumerable<Channel> channels) => new([.. channels], null);

    public bool Contains(ChannelId id) => _places.Value.ContainsKey(id);

    public bool TryGet(ChannelId id, [MaybeNullWhen(false)] out Channel channel)
    {
        channel = _places.Value.TryGetValue(id, out var place) ? _items[place] : null;
        return channel is not null;
    }

    /// <returns>The channel's place in the order, or −1.</returns>
    public int IndexOf(ChannelId id) => _places.Value.TryGetValue(id, out var place) ? place : -1;

    /// <summary>Puts <paramref name="channel"/> in the place of the one with its id.</summary>
    public ChannelList Replace(Channel channel) => new(_items.SetItem(_places.Value[channel.Id], channel), _places);

    public ChannelList Insert(int index, Channel channel) => new(_items.Insert(index, channel), null);

    public ChannelList Remove(ChannelId id) => new(_items.RemoveAt(_places.Value[id]), null);

    public bool Equals(ChannelList? other) => other is not null && (_items == other._items || _items.SequenceEqual(other._items));

    public override bool Equals(object? obj) => Equals(obj as ChannelList);

    public override int GetHashCode() => _items.Aggregate(17, HashCode.Combine);

    public IEnumerator<Channel> GetEnumerator() => ((IEnumerable<Channel>)_items).GetEnumerator();

    IEnumerator IEnumerable.GetEnumerator() => GetEnumerator();

    private static Dictionary<ChannelId, int> PlacesOf(ImmutableArray<Channel> items)
    {
        var places = new Dictionary<ChannelId, int>(items.Length);
        for (var i = 0; i < items.Length; i++)
            places.TryAdd(items[i].Id, i);
        return places;
    }
}
