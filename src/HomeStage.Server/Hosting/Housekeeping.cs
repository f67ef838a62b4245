using HomeStage.Server.Data.Keeping;
using HomeStage.Server.Memory;
using HomeStage.Server.Starting;

namespace HomeStage.Server.Hosting;

/// <summary>What is done beside the requests: after a start and once a day it looks whether everything is whole, makes the day's
/// backup and ends what was removed long ago; every few seconds it looks after memory.</summary>
internal sealed class Housekeeping(Integrity integrity, Backups backups, Removals removals, MemoryKeeper memory, TimeProvider clock, ILogger<Housekeeping> log) : BackgroundService
{
    private static readonly TimeSpan AfterStart = TimeSpan.FromSeconds(2);
    private static readonly TimeSpan Rounds = TimeSpan.FromSeconds(5);
    private static readonly TimeSpan Daily = TimeSpan.FromHours(24);

    protected override async Task ExecuteAsync(CancellationToken stoppingToken)
    {
        DateTimeOffset? last = null;
        for (var pause = AfterStart; await PauseAsync(pause, stoppingToken); pause = Rounds)
        {
            try
            {
                if (last is null || clock.GetUtcNow() - last >= Daily)
                {
                    last = clock.GetUtcNow();
                    await DailyRoundAsync(stoppingToken);
                }

                memory.Look();
            }
            catch (Exception e) when (!stoppingToken.IsCancellationRequested)
            {
                // Whatever it is, it must not take the server down: the next round comes.
                log.LogError(e, "A round of housekeeping broke off");
            }
        }
    }

    /// <returns>False where the program stops.</returns>
    private async Task<bool> PauseAsync(TimeSpan pause, CancellationToken stopping)
    {
        await Task.Delay(pause, clock, stopping).ConfigureAwait(ConfigureAwaitOptions.SuppressThrowing);
        return !stopping.IsCancellationRequested;
    }

    /// <summary>Only a database that is whole is copied: a damaged one must not push whole copies out.</summary>
    private async Task DailyRoundAsync(CancellationToken cancellation)
    {
        try
        {
            var report = await integrity.CheckAsync(cancellation);
            if (!report.IsWhole)
                log.LogWarning("Not everything is whole: {Pages}; {Documents} documents and {Sounds} sounds are damaged", report.Pages ?? "the database's pages are", report.DamagedDocuments, report.WrongSounds);
            if (report is { Pages: null, DamagedDocuments: 0 })
                await backups.RotateAsync(cancellation);
            await removals.EndOldAsync(cancellation);
        }
        catch (Exception e) when (StorageFaults.Of(e) is { } fault)
        {
            // A full disk today may have room tomorrow; health says so in the meantime.
            log.LogWarning("Today's look after the data broke off, because the disk is {Fault}: {Message}", fault, StorageFaults.Plain(e));
        }
    }
}
