namespace HomeStage.Server.Jobs;

/// <summary>A queue of jobs, whatever they make.</summary>
public interface IJobQueue
{
    /// <returns>Null where no such job is known.</returns>
    JobStanding? StandingOf(string id);

    /// <returns>The result of a job that is done; null for any other.</returns>
    object? FinishedBy(string id);

    /// <summary>Lets a job go.</summary>
    /// <returns>False where no such job is known.</returns>
    bool Cancel(string id);
}

/// <summary>How far a job is.</summary>
/// <param name="WorkId">The same for all jobs that have the same result.</param>
/// <param name="Progress">In [0, 1].</param>
/// <param name="Seconds">How long it took; null until it is done.</param>
public sealed record JobStanding(string Id, string WorkId, JobState State, double Progress, double? Seconds);
