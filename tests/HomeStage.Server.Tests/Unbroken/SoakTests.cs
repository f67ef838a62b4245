using System.Collections.Concurrent;
using System.Diagnostics;
using System.Net;
using System.Net.Http.Json;
using System.Text.Json.Nodes;
using HomeStage.TestKit;

namespace HomeStage.Server.Tests.Unbroken;

/// <summary>Many clients at once, each with all that people do: nothing is lost or doubled, nothing fails, nothing hangs, and memory comes back.</summary>
public sealed class SoakTests : IDisposable
{
    private const int Clients = 16;
    private const long MostAtRest = 400L * 1024 * 1024;
    private static readonly TimeSpan Longest = Runs.Within(2);
    private static readonly TimeSpan Work = TimeSpan.FromSeconds(Runs.Of(6, 600));

    private readonly DataFolder _folder = new();
    private readonly ConcurrentBag<string> _faults = [];
    private readonly ConcurrentBag<double> _editsMs = [];

    public void Dispose() => _folder.Dispose();

    [Fact(Skip = Runs.InTheLongRun, SkipUnless = nameof(Runs.AreLong), SkipType = typeof(Runs))]
    public async Task SixteenClients_LoseNothing_FailNowhere_AndGiveMemoryBack()
    {
        await _folder.TakeDemoAsync();
        using var server = ChildServer.Start(_folder.Path);
        var demo = (await RunningServer.JsonOf(await server.Client.GetAsync("/api/templates"))).AsArray();
        var (ferry, rehearsal) = (IdOf(demo, "Night Ferry"), IdOf(demo, "First Rehearsal"));
        var crowded = (await RunningServer.JsonOf(await server.Client.PostAsJsonAsync("/api/templates", new { name = "Crowded" })))["id"]!.ToString();
        using var over = new CancellationTokenSource(Work);

        var counts = await Task.WhenAll(Enumerable.Range(0, Clients).Select(n => Task.Run(() => ClientAsync(server.Client, n, crowded, n % 2 == 0 ? rehearsal : ferry, over.Token))));

        Assert.True(_faults.IsEmpty, string.Join('\n', _faults.Take(20)));
        var head = (await RunningServer.JsonOf(await server.Client.GetAsync($"/api/documents/{crowded}")))["head"]!;
        Assert.Equal(counts.Sum(c => c.Shared), (int)head["revision"]!);
        foreach (var count in counts)
            Assert.Equal(count.Own, (int)(await RunningServer.JsonOf(await server.Client.GetAsync($"/api/documents/{count.Template}")))["head"]!["revision"]!);
        Figures.Say($"{counts.Sum(c => c.Shared + c.Own)} edits, median {_editsMs.Order().ElementAt(_editsMs.Count / 2):0.0} ms, 99 of 100 within {_editsMs.Order().ElementAt(_editsMs.Count * 99 / 100):0.0} ms, the slowest {_editsMs.Max():0.0} ms; {server.WorkingSet / 1024 / 1024} MB at the end of the work");
        if (!Runs.AreLong)
            return;
        await Task.Delay(TimeSpan.FromSeconds(60));
        var atRest = server.WorkingSet;
        Figures.Say($"{atRest / 1024 / 1024} MB a minute later");
        Assert.True(atRest < MostAtRest, $"{atRest / 1024 / 1024} MB are held a minute after the last request.");
    }

    private async Task<Count> ClientAsync(HttpClient client, int number, string crowded, string heard, CancellationToken over)
    {
        var chance = new Random(number);
        var own = (await RunningServer.JsonOf(await client.PostAsJsonAsync("/api/templates", new { name = $"Client {number}" }, CancellationToken.None)))["id"]!.ToString();
        using var stream = await client.GetAsync($"/api/documents/{crowded}/stream", HttpCompletionOption.ResponseHeadersRead, CancellationToken.None);
        var count = new Count(own, 0, 0);
        while (!over.IsCancellationRequested)
        {
            switch (chance.Next(24))
            {
                case < 8:
                    count = count with { Own = count.Own + (await EditAsync(client, own, count.Own) ? 1 : 0) };
                    break;
                case < 14:
                    count = count with { Shared = count.Shared + (await EditNewestAsync(client, crowded) ? 1 : 0) };
                    break;
                case < 16:
                    await AskAsync(client, HttpMethod.Get, "/api/templates");
                    break;
                case 16:
                    await AskAsync(client, HttpMethod.Get, $"/api/documents/{heard}/findings?act=mix");
                    break;
                case 17:
                    await UploadAsync(client, number * 100_000 + chance.Next(40));
                    break;
                case 18:
                    await RenderAsync(client, heard, chance);
                    break;
                case 19:
                    await AskAsync(client, HttpMethod.Get, $"/api/documents/{heard}");
                    break;
                case 20:
                    await PackageAsync(client, heard);
                    break;
                case 21:
                    await AskAsync(client, HttpMethod.Get, "/api/health");
                    break;
                default:
                    await AskAsync(client, HttpMethod.Get, $"/api/documents/{own}/revisions?count=20");
                    break;
            }
        }

        return count;
    }

    private async Task<bool> EditAsync(HttpClient client, string id, int revision) =>
        (await AskAsync(client, HttpMethod.Post, $"/api/documents/{id}/edits", new { revision, edits = new[] { new { type = "set-level", channel = "mix-bus", level = -(revision % 30) } } })).Status == HttpStatusCode.OK;

    private async Task<bool> EditNewestAsync(HttpClient client, string id)
    {
        var revision = (int)(await AskAsync(client, HttpMethod.Get, $"/api/documents/{id}")).Body!["head"]!["revision"]!;
        var watch = Stopwatch.StartNew();
        var stored = await EditAsync(client, id, revision);
        _editsMs.Add(watch.Elapsed.TotalMilliseconds);
        return stored;
    }

    private async Task RenderAsync(HttpClient client, string id, Random chance)
    {
        var job = await AskAsync(client, HttpMethod.Post, "/api/renders", new { document = id, act = chance.Next(2) == 0 ? "mix" : "write", listenTo = (string?)null, section = (string?)null });
        if (job.Status != HttpStatusCode.Accepted)
            return;
        await Task.Delay(chance.Next(300));
        await AskAsync(client, HttpMethod.Get, $"/api/renders/{job.Body!["id"]}");
        if (chance.Next(3) == 0)
            await AskAsync(client, HttpMethod.Delete, $"/api/renders/{job.Body!["id"]}");
    }

    private async Task PackageAsync(HttpClient client, string template)
    {
        var song = await AskAsync(client, HttpMethod.Post, "/api/songs", new { templateId = template, title = "Soaked", tempoBpm = (double?)null, key = (object?)null });
        var job = await AskAsync(client, HttpMethod.Post, "/api/packages", new { song = song.Body!["id"]!.ToString(), act = "mix" });
        if (job.Status == HttpStatusCode.Accepted)
            await AskAsync(client, HttpMethod.Delete, $"/api/packages/{job.Body!["id"]}");
        await AskAsync(client, HttpMethod.Delete, $"/api/documents/{song.Body["id"]}");
    }

    private async Task UploadAsync(HttpClient client, int number)
    {
        using var answer = await Waves.UploadAsync(client, Waves.Numbered(number, 48_000));
        Note(answer.StatusCode, "an upload", TimeSpan.Zero);
    }

    private async Task<(HttpStatusCode Status, JsonNode? Body)> AskAsync(HttpClient client, HttpMethod method, string path, object? body = null)
    {
        using var request = new HttpRequestMessage(method, path) { Content = body is null ? null : JsonContent.Create(body) };
        var watch = Stopwatch.StartNew();
        using var answer = await client.SendAsync(request);
        var text = await answer.Content.ReadAsStringAsync();
        Note(answer.StatusCode, $"{method} {path}", watch.Elapsed);
        return (answer.StatusCode, text.Length > 0 && text[0] is '{' or '[' ? JsonNode.Parse(text) : null);
    }

    /// <summary>Too much that waits is refused as busy; a revision that is old as stale. Everything else must be done.</summary>
    private void Note(HttpStatusCode status, string what, TimeSpan took)
    {
        if ((int)status >= 400 && status is not (HttpStatusCode.Conflict or HttpStatusCode.TooManyRequests or HttpStatusCode.NotFound))
            _faults.Add($"{(int)status} {what}");
        if (took > Longest)
            _faults.Add($"{took.TotalSeconds:0.0} s {what}");
    }

    private static string IdOf(JsonArray templates, string name) => templates.Single(t => t!["name"]!.ToString() == name)!["id"]!.ToString();

    private sealed record Count(string Template, int Own, int Shared);
}
