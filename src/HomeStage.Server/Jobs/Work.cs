namespace HomeStage.Server.Jobs;

public enum JobState
{
    Waiting,
    Running,
    Done,
    Failed,
    Cancelled,
}

/// <summary>A piece of long work, done once for all who ask for the same.</summary>
/// <param name="key">Work with the same key has the same result.</param>
public sealed class Work<TResult>(object key, Func<Work<TResult>, TResult> work) : IProgress<double>, IDisposable
    where TResult : class
{
    private readonly CancellationTokenSource _cancel = new();
    private double _progress;

    /// <summary>The same for all who ask for the same.</summary>
    public string Id { get; } = Guid.NewGuid().ToString("N");

    public object Key => key;

    public JobState State { get; private set; } = JobState.Waiting;

    /// <summary>In [0, 1].</summary>
    public double Progress => Volatile.Read(ref _progress);

    /// <summary>How long it took, in seconds; null until done.</summary>
    public double? Seconds { get; private set; }

    /// <summary>Whole once the work is done; what there is of it before, where the work offers that.</summary>
    public TResult? Result { get; private set; }

    public CancellationToken Cancellation => _cancel.Token;

    public bool IsOver => State is JobState.Done or JobState.Failed or JobState.Cancelled;

    public void Report(double value) => Volatile.Write(ref _progress, value);

    /// <summary>Shows what there is of the result while the work goes on.</summary>
    public void Offer(TResult early) => Result = early;

    public void Dispose() => _cancel.Dispose();

    internal void Cancel()
    {
        _cancel.Cancel();
        if (State == JobState.Waiting)
            State = JobState.Cancelled;
    }

    internal void Run(TimeProvider clock, ILogger log)
    {
        if (State == JobState.Cancelled)
            return;
        State = JobState.Running;
        var started = clock.GetTimestamp();
        try
        {
            Result = work(this);
            Seconds = clock.GetElapsedTime(started).TotalSeconds;
            State = JobState.Done;
        }
        catch (OperationCanceledException)
        {
            Result = null;
            State = JobState.Cancelled;
        }
        catch (Exception e)
        {
            // The worker must live on; whoever asks for this work is told that it failed.
            log.LogError(e, "Work {Key} failed", Key);
            Result = null;
            State = JobState.Failed;
        }
    }
}
