namespace HomeStage.Server.Jobs;

/// <summary>Work that takes both cores for a moment; several at once would only wait for each other.</summary>
internal sealed class OneAtATime : IDisposable
{
    private readonly SemaphoreSlim _gate = new(1, 1);

    /// <exception cref="OperationCanceledException">Cancelled, while it waits or works.</exception>
    public async Task<TResult> DoAsync<TResult>(Func<TResult> work, CancellationToken cancellation)
    {
        await _gate.WaitAsync(cancellation);
        try
        {
            return await Task.Run(work, cancellation);
        }
        finally
        {
            _gate.Release();
        }
    }

    public void Dispose() => _gate.Dispose();
}
