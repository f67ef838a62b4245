using HomeStage.Server.Data;
using HomeStage.Server.Hosting;
using HomeStage.Server.Starting;
using Microsoft.AspNetCore.Builder;
using Microsoft.Extensions.DependencyInjection;

namespace HomeStage.Server.Tests.Unbroken;

/// <summary>The server in this process, started on a folder that may not let it.</summary>
internal sealed class StageHost : IAsyncDisposable
{
    private readonly WebApplication _app;

    private readonly string _folder;

    private StageHost(ServerOptions options) => (_app, _folder) = (StageApp.Build(options), options.DataFolder);

    public HttpClient Client { get; } = new() { Timeout = TimeSpan.FromSeconds(30) };

    public IServiceProvider Services => _app.Services;

    public static StageHost Of(ServerOptions options) => new(options);

    /// <returns>Why there is no start; null where it answers.</returns>
    public async Task<StartFault?> TryStartAsync()
    {
        try
        {
            var startup = _app.Services.GetRequiredService<Startup>();
            await startup.PrepareAsync();
            await startup.ListenAsync(_app);
            Client.BaseAddress = new(_app.Urls.First());
            return null;
        }
        catch (StartFault fault)
        {
            return fault;
        }
    }

    public async ValueTask DisposeAsync()
    {
        Client.Dispose();
        await _app.DisposeAsync();
        StageDbSetup.LetGo(_folder);
    }
}
