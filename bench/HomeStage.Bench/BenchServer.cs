using System.Net.Http.Json;
using System.Text.Json.Nodes;
using HomeStage.Core.Templates;
using HomeStage.Formats.Documents;
using HomeStage.Server.Demo;
using HomeStage.Server.Hosting;
using HomeStage.Server.Starting;
using Microsoft.AspNetCore.Builder;
using Microsoft.Extensions.DependencyInjection;

namespace HomeStage.Bench;

/// <summary>The server on an empty folder of its own, and a client that talks to it.</summary>
internal sealed class BenchServer : IAsyncDisposable
{
    private readonly WebApplication _app;
    private readonly string _data;

    private BenchServer(WebApplication app, string data)
    {
        (_app, _data) = (app, data);
        Client = new() { BaseAddress = new(app.Urls.First()) };
    }

    public HttpClient Client { get; }

    public static async Task<BenchServer> StartAsync()
    {
        var data = Directory.CreateTempSubdirectory("home-stage-bench-").FullName;
        var options = new ServerOptions(0, data, data, Demo: false, WriteOpenApi: null);
        var app = StageApp.Build(options);
        await app.Services.GetRequiredService<Startup>().PrepareAsync();
        await app.StartAsync();
        return new(app, data);
    }

    public static Template NightFerry() => DemoSeed.Built("Night Ferry");

    /// <returns>Id of the template as it stands on the server.</returns>
    public async Task<string> PutAsync(Template template)
    {
        using var document = new ByteArrayContent(TemplateDocument.Write(template));
        document.Headers.ContentType = new("application/json");
        var answer = await Client.PostAsync("/api/templates/from-document", document);
        return JsonNode.Parse(await answer.Content.ReadAsStringAsync())!["id"]!.ToString();
    }

    public async Task EditAsync(string id, int revision, object edit)
    {
        var answer = await Client.PostAsJsonAsync($"/api/documents/{id}/edits", new { revision, edits = new[] { edit } });
        await answer.Content.ReadAsStringAsync();
        answer.EnsureSuccessStatusCode();
    }

    public async ValueTask DisposeAsync()
    {
        Client.Dispose();
        await _app.DisposeAsync();
        Microsoft.Data.Sqlite.SqliteConnection.ClearAllPools();
        Directory.Delete(_data, recursive: true);
    }
}
