namespace HomeStage.Server.Jobs;

/// <summary>One asker's hold on a piece of work. Several may hold the same; letting go ends the work for the last of them alone.</summary>
/// <param name="id">Of this hold.</param>
public sealed class Job<TResult>(string id, Work<TResult> work)
    where TResult : class
{
    private volatile bool _isLetGo;

    public string Id => id;

    public JobState State => _isLetGo ? JobState.Cancelled : work.State;

    /// <summary>In [0, 1].</summary>
    public double Progress => work.Progress;

    /// <summary>How long it took, in seconds; null until done.</summary>
    public double? Seconds => work.Seconds;

    /// <summary>Whole once the job is done; what there is of it before, where the work offers that.</summary>
    public TResult? Result => _isLetGo ? null : work.Result;

    public bool IsOver => _isLetGo || work.IsOver;

    public JobStanding Standing => new(Id, work.Id, State, Progress, Seconds);

    /// <summary>What is done for this asker and maybe for others.</summary>
    internal Work<TResult> Work => work;

    /// <returns>False where it was let go before.</returns>
    internal bool LetGo() => !_isLetGo && (_isLetGo = true);
}
