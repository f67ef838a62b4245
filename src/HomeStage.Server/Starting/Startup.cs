using HomeStage.Server.Data;
using HomeStage.Server.Data.Keeping;
using HomeStage.Server.Data.Sounds;
using HomeStage.Server.Demo;
using HomeStage.Server.Hosting;

namespace HomeStage.Server.Starting;

/// <summary>What comes before the first request: the folder is taken, the database brought up to date, an empty library filled. Each
/// step is whole or undone, so that a start that was cut off is followed by one that goes on.</summary>
public sealed class Startup(IServiceProvider services, ServerOptions options, TimeProvider clock) : IDisposable
{
    private FolderHold? _hold;

    /// <exception cref="StartFault">There can be no start.</exception>
    public async Task PrepareAsync()
    {
        _hold = FolderHold.Take(options.DataFolder);
        await GuardedAsync(async () =>
        {
            WholeFile.ClearUnfinished(options.DataFolder);
            WholeFile.ClearUnfinished(Path.Combine(options.DataFolder, Backups.FolderName));
            WholeFile.ClearUnfinished(services.GetRequiredService<MediaFiles>().Folder);
            services.GetRequiredService<StagedSounds>().ClearAll();
            if (options.Restore is { } backup)
                BackupFile.Restore(backup, options.DataFolder, Path.Combine(options.DataFolder, $"before-restore-{clock.GetUtcNow():yyyyMMdd-HHmmss}.db"));
            await using var scope = services.CreateAsyncScope();
            await StageDbSetup.OpenAsync(scope.ServiceProvider.GetRequiredService<StageDb>(), options.DataFolder);
            await services.GetRequiredService<SoundUses>().NoteOldAsync(CancellationToken.None);
            if (options.Demo)
                await services.GetRequiredService<DemoSeed>().SeedAsync();
        });
    }

    /// <summary>Begins to listen.</summary>
    /// <exception cref="StartFault">The port is taken, or not for us.</exception>
    public async Task ListenAsync(WebApplication app)
    {
        try
        {
            await app.StartAsync();
        }
        catch (Exception e) when (e is IOException or System.Net.Sockets.SocketException or UnauthorizedAccessException)
        {
            throw new StartFault(ExitCode.PortTaken, $"Port {options.Port} is taken by another program, or not open to us. Choose another with --port N.", e);
        }

        _hold?.Say(app.Urls.First());
        WarmUp.AskForTheLibrary(app.Urls.First());
    }

    public void Dispose() => _hold?.Dispose();

    private async Task GuardedAsync(Func<Task> work)
    {
        try
        {
            await work();
        }
        catch (Exception e) when (e is not StartFault && StorageFaults.Of(e) is not null)
        {
            throw StartFault.Of(e, options.DataFolder)!;
        }
    }
}
