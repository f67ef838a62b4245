using HomeStage.Server.Data;
using HomeStage.Server.Hosting;
using HomeStage.Server.Starting;
using Microsoft.AspNetCore.Builder;
using Microsoft.Data.Sqlite;
using Microsoft.Extensions.DependencyInjection;

namespace HomeStage.Server.Tests.Unbroken;

/// <summary>A data folder for one test, and the server's inside on it.</summary>
internal sealed class DataFolder : IDisposable
{
    public string Path { get; } = Directory.CreateTempSubdirectory("home-stage-unbroken-").FullName;

    public string Database => StageDbSetup.FileIn(Path);

    public ServerOptions Options => new(0, Path, Path, Demo: false, WriteOpenApi: null);

    /// <summary>The server put together and prepared, not listening.</summary>
    public async Task<WebApplication> PreparedAsync(bool demo = false)
    {
        var app = StageApp.Build(Options with { Demo = demo });
        try
        {
            await app.Services.GetRequiredService<Startup>().PrepareAsync();
            return app;
        }
        catch
        {
            await app.DisposeAsync();
            throw;
        }
    }

    /// <summary>Begins with the demo, as a start without it leaves it.</summary>
    public Task TakeDemoAsync() => DemoFolder.CopyToAsync(Path);

    /// <summary>Runs a statement on the database as it lies there.</summary>
    public object? Sql(string statement)
    {
        using var connection = new SqliteConnection($"Data Source={Database};Pooling=False");
        connection.Open();
        using var command = connection.CreateCommand();
        command.CommandText = statement;
        return command.ExecuteScalar();
    }

    /// <summary>Closes what waits to be used again, of this folder alone: others are at work beside.</summary>
    public void LetGo() => StageDbSetup.LetGo(Path);

    public void Dispose()
    {
        LetGo();
        Directory.Delete(Path, recursive: true);
    }
}
