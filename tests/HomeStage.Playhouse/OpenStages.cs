using System.Collections.Concurrent;
using HomeStage.Server.Data;
using HomeStage.Server.Hosting;
using HomeStage.Server.Starting;

namespace HomeStage.Playhouse;

/// <param name="Port">0 takes any free one.</param>
/// <param name="Data">The folder of the database.</param>
/// <param name="Web">Where the built front end is.</param>
internal sealed record WantedStage(int Port, string Data, string Web);

/// <summary>The servers that run in this process, by their ports.</summary>
internal sealed class OpenStages : IAsyncDisposable
{
    private readonly ConcurrentDictionary<int, (WebApplication App, string Data)> _open = new();

    /// <returns>Its address.</returns>
    /// <exception cref="StartFault">It could not start, as the program would say it.</exception>
    public async Task<string> OpenAsync(WantedStage wanted)
    {
        var app = StageApp.Build(new ServerOptions(wanted.Port, wanted.Data, wanted.Web, Demo: true, WriteOpenApi: null));
        try
        {
            var startup = app.Services.GetRequiredService<Startup>();
            await startup.PrepareAsync();
            await startup.ListenAsync(app);
        }
        catch
        {
            await EndAsync(app, wanted.Data);
            throw;
        }

        var address = app.Urls.First();
        _open[new Uri(address).Port] = (app, wanted.Data);
        return address;
    }

    /// <returns>False where none is open at that port.</returns>
    public async Task<bool> CloseAsync(int port)
    {
        if (!_open.TryRemove(port, out var stage))
            return false;
        await EndAsync(stage.App, stage.Data);
        return true;
    }

    public async ValueTask DisposeAsync()
    {
        foreach (var port in _open.Keys)
            await CloseAsync(port);
    }

    private static async Task EndAsync(WebApplication app, string data)
    {
        await app.StopAsync();
        await app.DisposeAsync();
        StageDbSetup.LetGo(data);
    }
}
