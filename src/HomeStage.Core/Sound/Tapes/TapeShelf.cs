namespace HomeStage.Core.Sound.Tapes;

/// <summary>Tapes of branches, so that a render after an edit works through what the edit touched and no more. Bounded: what was
/// not asked for longest goes first. Safe for several threads.</summary>
public sealed class TapeShelf
{
    private readonly Lock _gate = new();
    private readonly Dictionary<Branch, LinkedListNode<(Branch Branch, Tape Tape)>> _byBranch = [];
    private readonly LinkedList<(Branch Branch, Tape Tape)> _latestFirst = new();

    /// <param name="mostBytes">What all tapes together may take.</param>
    public TapeShelf(long mostBytes)
    {
        ArgumentOutOfRangeException.ThrowIfNegative(mostBytes);
        MostBytes = mostBytes;
    }

    public long MostBytes { get; }

    /// <summary>What the tapes take.</summary>
    public long Bytes { get; private set; }

    /// <summary>Most that one render may record, so that it does not push out all that others left.</summary>
    public long MostBytesARender => MostBytes / 2;

    public Tape? Find(Branch branch)
    {
        lock (_gate)
        {
            if (!_byBranch.TryGetValue(branch, out var found))
                return null;
            _latestFirst.Remove(found);
            _latestFirst.AddFirst(found);
            return found.Value.Tape;
        }
    }

    /// <summary>Keeps a tape; one that is larger than the shelf is not kept.</summary>
    public void Keep(Branch branch, Tape tape)
    {
        lock (_gate)
        {
            if (tape.Bytes > MostBytes)
                return;
            if (_byBranch.TryGetValue(branch, out var known))
                Remove(known);
            while (Bytes + tape.Bytes > MostBytes)
                Remove(_latestFirst.Last!);
            _byBranch[branch] = _latestFirst.AddFirst((branch, tape));
            Bytes += tape.Bytes;
        }
    }

    /// <summary>Gives up what was not asked for longest until no more than this is left.</summary>
    /// <param name="bytes">0 for nothing at all.</param>
    public void Trim(long bytes)
    {
        lock (_gate)
        {
            while (Bytes > bytes)
                Remove(_latestFirst.Last!);
        }
    }

    private void Remove(LinkedListNode<(Branch Branch, Tape Tape)> node)
    {
        _latestFirst.Remove(node);
        _byBranch.Remove(node.Value.Branch);
        Bytes -= node.Value.Tape.Bytes;
    }
}
