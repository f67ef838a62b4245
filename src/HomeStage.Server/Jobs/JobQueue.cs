namespace HomeStage.Server.Jobs;

/// <summary>Runs long work on one thread of its own, in order, and keeps the last results for a while.</summary>
/// <remarks>One thread leaves the other core to requests.</remarks>
public sealed class JobQueue<TResult> : IJobQueue, IDisposable
    where TResult : class
{
    public const int MostWaiting = 16;
    private const int MostKept = 24;
    private const int MostAskers = 256;

    private readonly Dictionary<string, Job<TResult>> _jobs = new(StringComparer.Ordinal);
    private readonly LinkedList<Work<TResult>> _waiting = new();
    private readonly LinkedList<Kept> _kept = new();
    private readonly object _gate = new();
    private readonly long _mostBytes;
    private readonly Thread _worker;
    private bool _isClosed;

    /// <param name="mostBytes">What the kept results together may take; the latest is kept whatever it takes.</param>
    public JobQueue(TimeProvider clock, ILogger<JobQueue<TResult>> log, long mostBytes)
    {
        _mostBytes = mostBytes;
        _worker = new(() =>
        {
            while (Next() is { } work)
                work.Run(clock, log);
        })
        { IsBackground = true, Name = $"jobs for {typeof(TResult).Name}", Priority = ThreadPriority.BelowNormal };
        _worker.Start();
    }

    /// <summary>What the kept results take.</summary>
    public long Bytes
    {
        get
        {
            lock (_gate)
                return _kept.Sum(k => k.Bytes);
        }
    }

    /// <param name="key">Compared by value.</param>
    /// <returns>A hold on the work that is done or has been done for this key; null where too much is waiting.</returns>
    public Job<TResult>? Start(object key, Func<Work<TResult>, TResult> work)
    {
        lock (_gate)
        {
            var kept = _kept.FirstOrDefault(k => k.Work.Key.Equals(key) && k.Work.State is not (JobState.Failed or JobState.Cancelled) && !k.Work.Cancellation.IsCancellationRequested);
            if (kept is null)
            {
                if (_waiting.Count >= MostWaiting || _isClosed)
                    return null;
                kept = new(new(key, work), []);
                _waiting.AddLast(kept.Work);
                _kept.AddLast(kept);
                Monitor.Pulse(_gate);
            }

            var job = new Job<TResult>(Guid.NewGuid().ToString("N"), kept.Work);
            _jobs[job.Id] = job;
            kept.Askers.AddLast(job);
            if (kept.Askers.Count > MostAskers)
                Forget(kept.Askers);
            Shrink(_mostBytes, 1);
            return job;
        }
    }

    public Job<TResult>? Find(string id)
    {
        lock (_gate)
            return _jobs.GetValueOrDefault(id);
    }

    public JobStanding? StandingOf(string id) => Find(id)?.Standing;

    public object? FinishedBy(string id) => Find(id) is { State: JobState.Done, Result: { } result } ? result : null;

    public bool Cancel(string id)
    {
        if (Find(id) is not { } job)
            return false;
        Cancel(job);
        return true;
    }

    /// <summary>Lets a job go. Its work ends when nobody else has asked for the same, and its place is free at once.</summary>
    public void Cancel(Job<TResult> job)
    {
        lock (_gate)
        {
            if (!job.LetGo() || _kept.FirstOrDefault(k => ReferenceEquals(k.Work, job.Work)) is not { } kept || kept.Askers.Any(a => a.State != JobState.Cancelled))
                return;
            _waiting.Remove(job.Work);
            job.Work.Cancel();
        }
    }

    /// <summary>Gives up results, the oldest first, until no more than this is left.</summary>
    public void Trim(long bytes)
    {
        lock (_gate)
            Shrink(bytes, 0);
    }

    public void Dispose()
    {
        lock (_gate)
        {
            _isClosed = true;
            _waiting.Clear();
            foreach (var kept in _kept)
                kept.Work.Cancel();
            Monitor.PulseAll(_gate);
        }

        _worker.Join(TimeSpan.FromSeconds(5));
    }

    /// <summary>Waits for work; null when the queue is closed.</summary>
    private Work<TResult>? Next()
    {
        lock (_gate)
        {
            while (_waiting.Count == 0 && !_isClosed)
                Monitor.Wait(_gate);
            if (_isClosed)
                return null;
            var next = _waiting.First!.Value;
            _waiting.RemoveFirst();
            return next;
        }
    }

    private void Shrink(long bytes, int atLeast)
    {
        while (_kept.Count > atLeast && (_kept.Count > MostKept || _kept.Sum(k => k.Bytes) > bytes) && _kept.SkipLast(atLeast).FirstOrDefault(k => k.Work.IsOver) is { } oldest)
        {
            _kept.Remove(oldest);
            while (oldest.Askers.Count > 0)
                Forget(oldest.Askers);
            oldest.Work.Dispose();
        }
    }

    private void Forget(LinkedList<Job<TResult>> askers)
    {
        _jobs.Remove(askers.First!.Value.Id);
        askers.RemoveFirst();
    }

    private sealed record Kept(Work<TResult> Work, LinkedList<Job<TResult>> Askers)
    {
        public long Bytes => (Work.Result as ISized)?.Bytes ?? 0;
    }
}
