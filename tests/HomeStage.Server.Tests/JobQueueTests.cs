using HomeStage.Server.Jobs;
using Microsoft.Extensions.Logging.Abstractions;

namespace HomeStage.Server.Tests;

public class JobQueueTests
{
    [Fact]
    public async Task Start_RunsTheWork_AndKeepsItsResultAndHowLongItTook()
    {
        using var jobs = Queue();

        var job = jobs.Start("a", j =>
        {
            j.Report(0.5);
            return "sound";
        })!;

        await Over(job);
        Assert.Equal((JobState.Done, "sound", 0.5), (job.State, job.Result, job.Progress));
        Assert.NotNull(job.Seconds);
        Assert.Same(job, jobs.Find(job.Id));
    }

    [Fact]
    public async Task Start_WithTheKeyOfADoneJob_IsThatJob_ButNotOfAFailedOne()
    {
        using var jobs = Queue();
        var done = jobs.Start("same", _ => "sound")!;
        var failed = jobs.Start("broken", _ => throw new InvalidOperationException("as asked"))!;
        await Over(done);
        await Over(failed);

        Assert.Same(done, jobs.Start("same", _ => "other"));
        Assert.Equal(JobState.Failed, failed.State);
        Assert.NotSame(failed, jobs.Start("broken", _ => "mended"));
    }

    [Fact]
    public async Task Results_ThatTogetherTakeTooMuch_AreForgottenFromTheOldest()
    {
        using var jobs = new JobQueue<Heavy>(TimeProvider.System, NullLogger<JobQueue<Heavy>>.Instance);
        var made = new List<Job<Heavy>>();
        for (var i = 0; i < 4; i++)
        {
            var job = jobs.Start($"job {i}", _ => new(JobQueue<Heavy>.MostBytes / 3))!;
            made.Add(job);
            for (var wait = 0; wait < 1000 && !job.IsOver; wait++)
                await Task.Delay(5);
        }

        jobs.Start("small", _ => new(1));

        Assert.Null(jobs.Find(made[0].Id));
        Assert.All(made.Skip(1), job => Assert.Same(job, jobs.Find(job.Id)));
    }

    private sealed record Heavy(long Bytes) : ISized;

    [Fact]
    public async Task Cancel_OfAJobThatWaits_KeepsItFromEverRunning()
    {
        using var jobs = Queue();
        using var hold = new ManualResetEventSlim();
        jobs.Start("first", _ => Held(hold));
        var ran = false;
        var waiting = jobs.Start("second", _ =>
        {
            ran = true;
            return "sound";
        })!;

        waiting.Cancel();
        hold.Set();
        await Over(jobs.Start("third", _ => "sound")!);

        Assert.Equal(JobState.Cancelled, waiting.State);
        Assert.False(ran);
    }

    [Fact]
    public async Task Cancel_OfAJobThatRuns_StopsItWhereItAsks()
    {
        using var jobs = Queue();
        using var started = new ManualResetEventSlim();
        var job = jobs.Start("long", j =>
        {
            started.Set();
            j.Cancellation.WaitHandle.WaitOne(TimeSpan.FromSeconds(10));
            j.Cancellation.ThrowIfCancellationRequested();
            return "sound";
        })!;
        started.Wait();

        job.Cancel();

        await Over(job);
        Assert.Equal(JobState.Cancelled, job.State);
        Assert.Null(job.Result);
    }

    [Fact]
    public void Start_WhenTooMuchWaits_IsRefused()
    {
        using var jobs = Queue();
        using var hold = new ManualResetEventSlim();
        using var started = new ManualResetEventSlim();
        jobs.Start("running", _ =>
        {
            started.Set();
            return Held(hold);
        });
        started.Wait();
        for (var i = 0; i < JobQueue<string>.MostWaiting; i++)
            Assert.NotNull(jobs.Start($"waiting {i}", _ => "sound"));

        Assert.Null(jobs.Start("one too many", _ => "sound"));
        hold.Set();
    }

    [Fact]
    public async Task Start_AfterMany_ForgetsTheOldestThatAreOver()
    {
        using var jobs = Queue();
        var first = jobs.Start("0", _ => "sound")!;
        for (var i = 1; i < 40; i++)
            await Over(jobs.Start($"{i}", _ => "sound")!);

        Assert.Null(jobs.Find(first.Id));
    }

    private static JobQueue<string> Queue() => new(TimeProvider.System, NullLogger<JobQueue<string>>.Instance);

    private static string Held(ManualResetEventSlim hold)
    {
        hold.Wait(TimeSpan.FromSeconds(10));
        return "sound";
    }

    private static async Task Over(Job<string> job)
    {
        for (var i = 0; i < 500 && !job.IsOver; i++)
            await Task.Delay(10);
        Assert.True(job.IsOver);
    }
}
