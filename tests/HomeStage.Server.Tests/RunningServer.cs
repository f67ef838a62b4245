using System.Net.Http.Json;
using System.Text.Json.Nodes;
using HomeStage.Server.Data;
using HomeStage.Server.Hosting;
using HomeStage.Server.Starting;
using Microsoft.AspNetCore.Builder;
using Microsoft.Extensions.DependencyInjection;

namespace HomeStage.Server.Tests;

/// <summary>The real server on a free port of the loopback address, with a data folder of its own.</summary>
public sealed class RunningServer : IAsyncLifetime
{
    private readonly string _data = Directory.CreateTempSubdirectory("home-stage-test-").FullName;
    private WebApplication? _app;

    public HttpClient Client { get; private set; } = null!;

    public IServiceProvider Services => _app!.Services;

    public async ValueTask InitializeAsync()
    {
        await DemoFolder.CopyToAsync(_data);
        var web = Directory.CreateDirectory(Path.Combine(_data, "web")).FullName;
        await File.WriteAllTextAsync(Path.Combine(web, "index.html"), "<meta name=\"csp-nonce\" content=\"__NONCE__\" />");
        var options = new ServerOptions(0, _data, web, Demo: true, WriteOpenApi: null);
        _app = StageApp.Build(options);
        await _app.Services.GetRequiredService<Startup>().PrepareAsync();
        await _app.StartAsync();
        // A client that asks before it sends waits for the answer however busy the machine is: one that goes on
        // sending into a refusal loses the answer with the connection.
        Client = new(new SocketsHttpHandler { Expect100ContinueTimeout = TimeSpan.FromMinutes(1) }) { BaseAddress = new(_app.Urls.First()) };
    }

    public async ValueTask DisposeAsync()
    {
        Client.Dispose();
        await _app!.DisposeAsync();
        StageDbSetup.LetGo(_data);
        Directory.Delete(_data, recursive: true);
    }

    public async Task<string> TemplateAsync(string name) =>
        (await GetAsync("/api/templates")).AsArray().First(t => (string?)t!["name"] == name)!["id"]!.ToString();

    public async Task<string> NewTemplateAsync()
    {
        var made = await Client.PostAsJsonAsync("/api/templates", new { name = "Made for a test" });
        return (await JsonOf(made))["id"]!.ToString();
    }

    public async Task<string> NameAsync(string document) => (await GetAsync($"/api/documents/{document}"))["head"]!["name"]!.ToString();

    public async Task<JsonNode> GetAsync(string path) => await JsonOf(await Client.GetAsync(path));

    public Task<HttpResponseMessage> EditAsync(string template, int revision, params object[] edits) =>
        Client.PostAsJsonAsync($"/api/documents/{template}/edits", new { revision, edits });

    public async Task<JsonNode> WaitAsync(string path, string until = "done")
    {
        for (var i = 0; i < 2400; i++)
        {
            var job = await GetAsync(path);
            if (job["state"]!.ToString() is var state && state is not ("waiting" or "running"))
            {
                Assert.Equal(until, state);
                return job;
            }

            await Task.Delay(50);
        }

        throw new TimeoutException($"{path} took longer than two minutes.");
    }

    public static async Task<JsonNode> JsonOf(HttpResponseMessage answer) => JsonNode.Parse(await answer.Content.ReadAsStringAsync())!;
}
