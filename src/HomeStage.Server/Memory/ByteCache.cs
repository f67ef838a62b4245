namespace HomeStage.Server.Memory;

/// <summary>Keeps what was asked for last, bounded by what it takes: one more costs those that were not asked for longest, and no
/// others. Safe for several threads.</summary>
/// <param name="mostBytes">What all together may take; a value that takes more alone is not kept.</param>
public sealed class ByteCache<TKey, TValue>(long mostBytes)
    where TKey : notnull
{
    private readonly Lock _gate = new();
    private readonly Dictionary<TKey, LinkedListNode<Entry>> _byKey = [];
    private readonly LinkedList<Entry> _latestFirst = new();

    public long MostBytes => mostBytes;

    /// <summary>What is kept takes so much.</summary>
    public long Bytes { get; private set; }

    public int Count
    {
        get
        {
            lock (_gate)
                return _byKey.Count;
        }
    }

    public bool TryGet(TKey key, out TValue? value)
    {
        lock (_gate)
        {
            value = default;
            if (!_byKey.TryGetValue(key, out var node))
                return false;
            _latestFirst.Remove(node);
            _latestFirst.AddFirst(node);
            value = node.Value.Value;
            return true;
        }
    }

    public void Put(TKey key, TValue value, long bytes)
    {
        lock (_gate)
        {
            if (_byKey.TryGetValue(key, out var known))
                Drop(known);
            if (bytes > mostBytes)
                return;
            Shrink(mostBytes - bytes);
            _byKey[key] = _latestFirst.AddFirst(new Entry(key, value, bytes));
            Bytes += bytes;
        }
    }

    public void Remove(TKey key)
    {
        lock (_gate)
        {
            if (_byKey.TryGetValue(key, out var node))
                Drop(node);
        }
    }

    /// <summary>Gives up what was not asked for longest until no more than this is left.</summary>
    public void Trim(long bytes)
    {
        lock (_gate)
            Shrink(bytes);
    }

    private void Shrink(long bytes)
    {
        while (Bytes > bytes)
            Drop(_latestFirst.Last!);
    }

    private void Drop(LinkedListNode<Entry> node)
    {
        _latestFirst.Remove(node);
        _byKey.Remove(node.Value.Key);
        Bytes -= node.Value.Bytes;
    }

    private sealed record Entry(TKey Key, TValue Value, long Bytes);
}
