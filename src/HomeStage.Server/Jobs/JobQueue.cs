using System.Collections.Concurrent;

namespace HomeStage.Server.Jobs;

/// <summary>Runs long work on one thread of its own, in order, and keeps the last results for a while.</summary>
/// <remarks>One thread leaves the other core to requests.</remarks>
public sealed class JobQueue<TResult> : IDisposable
    where TResult : class
{
    public const int MostWaiting = 16;
    private const int MostKept = 24;

    /// <summary>What the kept results together may take; the latest is kept whatever it takes.</summary>
    public const long MostBytes = 256L * 1024 * 1024;

    private readonly ConcurrentDictionary<string, Job<TResult>> _jobs = new(StringComparer.Ordinal);
    private readonly BlockingCollection<(Job<TResult> Job, Func<Job<TResult>, TResult> Work)> _waiting = new(MostWaiting);
    private readonly LinkedList<Job<TResult>> _kept = new();
    private readonly Lock _gate = new();
    private readonly Thread _worker;

    public JobQueue(TimeProvider clock, ILogger<JobQueue<TResult>> log)
    {
        _worker = new(() =>
        {
            foreach (var (job, work) in _waiting.GetConsumingEnumerable())
                job.Run(work, clock, log);
        })
        { IsBackground = true, Name = $"jobs for {typeof(TResult).Name}", Priority = ThreadPriority.BelowNormal };
        _worker.Start();
    }

    /// <param name="key">Compared by value.</param>
    /// <returns>The job that does this work or has done it; null where too much is waiting.</returns>
    public Job<TResult>? Start(object key, Func<Job<TResult>, TResult> work)
    {
        lock (_gate)
        {
            if (_kept.FirstOrDefault(j => j.Key.Equals(key) && j.State is not (JobState.Failed or JobState.Cancelled) && !j.Cancellation.IsCancellationRequested) is { } known)
                return known;
            var job = new Job<TResult>(Guid.NewGuid().ToString("N"), key);
            if (!_waiting.TryAdd((job, work)))
                return null;
            _jobs[job.Id] = job;
            _kept.AddLast(job);
            Forget();
            return job;
        }
    }

    public Job<TResult>? Find(string id) => _jobs.TryGetValue(id, out var job) ? job : null;

    public void Dispose()
    {
        _waiting.CompleteAdding();
        foreach (var job in _jobs.Values)
            job.Cancel();
        _worker.Join(TimeSpan.FromSeconds(5));
        _waiting.Dispose();
    }

    private void Forget()
    {
        while ((_kept.Count > MostKept || _kept.Sum(j => (j.Result as ISized)?.Bytes ?? 0) > MostBytes) && _kept.SkipLast(1).FirstOrDefault(j => j.IsOver) is { } oldest)
        {
            _kept.Remove(oldest);
            _jobs.TryRemove(oldest.Id, out _);
            oldest.Dispose();
        }
    }
}
