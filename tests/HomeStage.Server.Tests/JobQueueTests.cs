using HomeStage.Server.Jobs;
using Microsoft.Extensions.Logging.Abstractions;

namespace HomeStage.Server.Tests;

public class JobQueueTests
{
    private const long MostBytes = 256L * 1024 * 1024;

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

        Assert.Equal("sound", jobs.Start("same", _ => "other")!.Result);
        Assert.Equal(JobState.Failed, failed.State);
        var mended = jobs.Start("broken", _ => "mended")!;
        await Over(mended);
        Assert.Equal("mended", mended.Result);
    }

    [Fact]
    public async Task Results_ThatTogetherTakeTooMuch_AreForgottenFromTheOldest()
    {
        using var jobs = new JobQueue<Heavy>(TimeProvider.System, NullLogger<JobQueue<Heavy>>.Instance, MostBytes);
        var made = new List<Job<Heavy>>();
        for (var i = 0; i < 4; i++)
        {
            var job = jobs.Start($"job {i}", _ => new(MostBytes / 3))!;
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

        jobs.Cancel(waiting);
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

        jobs.Cancel(job);

        await Over(job);
        Assert.Equal(JobState.Cancelled, job.State);
        Assert.Null(job.Result);
    }

    [Fact]
    public async Task Cancel_ByOneOfTwoWhoAskedForTheSame_LeavesItToTheOther()
    {
        using var jobs = Queue();
        using var hold = new ManualResetEventSlim();
        var (first, second) = (jobs.Start("same", _ => Held(hold))!, jobs.Start("same", _ => "not again")!);

        jobs.Cancel(first);
        jobs.Cancel(first);
        hold.Set();
        await Over(second);

        Assert.Equal((JobState.Cancelled, JobState.Done, "sound"), (first.State, second.State, second.Result));
        Assert.Null(first.Result);
    }

    [Fact]
    public async Task Cancel_ByBothWhoAskedForTheSame_EndsIt()
    {
        using var jobs = Queue();
        using var hold = new ManualResetEventSlim();
        using var started = new ManualResetEventSlim();
        var ended = false;
        var (first, second) = (jobs.Start("same", Work)!, jobs.Start("same", Work)!);
        started.Wait();

        jobs.Cancel(first);
        Assert.False(ended);
        jobs.Cancel(second);

        await Over(jobs.Start("next", _ => "sound")!);
        Assert.True(ended);

        string Work(Work<string> work)
        {
            started.Set();
            work.Cancellation.WaitHandle.WaitOne(TimeSpan.FromSeconds(10));
            ended = work.Cancellation.IsCancellationRequested;
            work.Cancellation.ThrowIfCancellationRequested();
            return "sound";
        }
    }

    [Fact]
    public void Cancel_OfWhatWaits_FreesItsPlaceAtOnce()
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
        var waiting = Enumerable.Range(0, JobQueue<string>.MostWaiting).Select(i => jobs.Start($"waiting {i}", _ => "sound")!).ToList();
        Assert.Null(jobs.Start("one too many", _ => "sound"));

        jobs.Cancel(waiting[3]);

        Assert.NotNull(jobs.Start("in its place", _ => "sound"));
        hold.Set();
    }

    [Fact]
    public async Task Trim_ToNothing_GivesUpWhatIsOver_AndNothingElse()
    {
        using var jobs = Queue();
        using var hold = new ManualResetEventSlim();
        var done = jobs.Start("done", _ => "sound")!;
        await Over(done);
        var running = jobs.Start("running", _ => Held(hold))!;

        jobs.Trim(-1);

        Assert.Null(jobs.Find(done.Id));
        Assert.Same(running, jobs.Find(running.Id));
        hold.Set();
        await Over(running);
        Assert.Equal("sound", running.Result);
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

    private static JobQueue<string> Queue() => new(TimeProvider.System, NullLogger<JobQueue<string>>.Instance, MostBytes);

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
