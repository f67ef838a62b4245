namespace HomeStage.Server.Data;

/// <summary>Lets one write at a time to the database, in the order in which they came. SQLite itself would let those who wait ask again and
/// again, in no order, and some of them for seconds.</summary>
public sealed class WriteGate : IDisposable
{
    private readonly SemaphoreSlim _gate = new(1, 1);

    public async Task<T> OneAtATimeAsync<T>(Func<Task<T>> write, CancellationToken cancellation = default)
    {
        await _gate.WaitAsync(cancellation);
        try
        {
            return await write();
        }
        finally
        {
            _gate.Release();
        }
    }

    public Task OneAtATimeAsync(Func<Task> write, CancellationToken cancellation = default) => OneAtATimeAsync(async () =>
    {
        await write();
        return true;
    }, cancellation);

    public void Dispose() => _gate.Dispose();
}
