namespace HomeStage.Server.Memory;

/// <summary>When somebody last asked for something. A stream that stays open asks for nothing.</summary>
public sealed class Activity(TimeProvider clock)
{
    private long _last = clock.GetTimestamp();
    private int _running;

    public TimeSpan Since => Volatile.Read(ref _running) > 0 ? TimeSpan.Zero : clock.GetElapsedTime(Volatile.Read(ref _last));

    /// <summary>Counts a request as long as it runs.</summary>
    public async Task DuringAsync(Func<Task> request)
    {
        Interlocked.Increment(ref _running);
        try
        {
            await request();
        }
        finally
        {
            Interlocked.Decrement(ref _running);
            Volatile.Write(ref _last, clock.GetTimestamp());
        }
    }
}
