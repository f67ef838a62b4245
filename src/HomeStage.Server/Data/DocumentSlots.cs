using System.Collections.Concurrent;

namespace HomeStage.Server.Data;

/// <summary>The open documents. One that nobody uses is closed, and read again when it is wanted.</summary>
/// <param name="mostBytes">What all together may take, about.</param>
internal sealed class DocumentSlots(TimeProvider clock, long mostBytes)
{
    private readonly ConcurrentDictionary<string, DocumentSlot> _slots = new(StringComparer.Ordinal);

    public int Count => _slots.Count;

    /// <returns>The document where it is open.</returns>
    public OpenDocument? Open(string id)
    {
        if (!_slots.TryGetValue(id, out var slot) || slot.Document is not { } open)
            return null;
        slot.LastUsed = clock.GetTimestamp();
        return open;
    }

    /// <returns>The document where it is open at that revision, or was a few revisions ago.</returns>
    public OpenDocument? Recent(string id, int revision) =>
        _slots.TryGetValue(id, out var slot) ? slot.Recent.FirstOrDefault(d => d.Revision == revision) : null;

    /// <summary>Waits for the document's gate and holds it until the slot is left.</summary>
    public async Task<DocumentSlot> EnterAsync(string id, CancellationToken cancellation)
    {
        while (true)
        {
            var slot = _slots.GetOrAdd(id, _ => new());
            await slot.Gate.WaitAsync(cancellation);
            if (!slot.IsClosed)
                return slot;
            slot.Gate.Release();
        }
    }

    /// <summary>Leaves a slot; one that holds no document is closed.</summary>
    public void Leave(string id, DocumentSlot slot)
    {
        if (slot.Document is null)
            Close(id, slot);
        slot.LastUsed = clock.GetTimestamp();
        slot.Gate.Release();
        if (_slots.Values.Sum(s => s.Bytes) > mostBytes)
            CloseOldest(id);
    }

    /// <summary>To be called by whoever holds the gate.</summary>
    public void Close(string id, DocumentSlot slot)
    {
        slot.Close();
        _slots.TryRemove(KeyValuePair.Create(id, slot));
    }

    /// <summary>Closes what was not used for that long.</summary>
    /// <returns>How many were closed.</returns>
    public int CloseUnused(TimeSpan since) =>
        _slots.Count(s => clock.GetElapsedTime(s.Value.LastUsed) >= since && TryClose(s.Key, s.Value));

    private void CloseOldest(string but)
    {
        foreach (var (id, slot) in _slots.Where(s => s.Key != but).OrderBy(s => s.Value.LastUsed).ToList())
        {
            TryClose(id, slot);
            if (_slots.Values.Sum(s => s.Bytes) <= mostBytes)
                return;
        }
    }

    /// <summary>One that is being changed is in use.</summary>
    private bool TryClose(string id, DocumentSlot slot)
    {
        if (!slot.Gate.Wait(0))
            return false;
        Close(id, slot);
        slot.Gate.Release();
        return true;
    }
}
