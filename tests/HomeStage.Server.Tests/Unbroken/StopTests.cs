using System.Net.Http.Json;
using HomeStage.TestKit;

namespace HomeStage.Server.Tests.Unbroken;

/// <summary>Whoever listens holds nobody up: neither the end of the program nor edits.</summary>
public sealed class StopTests : IDisposable
{
    private readonly DataFolder _folder = new();

    public void Dispose() => _folder.Dispose();

    [Fact]
    public async Task Stop_WithOpenStreamsAndARenderThatRuns_TakesLessThanASecond()
    {
        await _folder.TakeDemoAsync();
        using var server = ChildServer.Start(_folder.Path);
        var id = (await RunningServer.JsonOf(await server.Client.GetAsync("/api/templates"))).AsArray().Single(t => t!["name"]!.ToString() == "Night Ferry")!["id"]!.ToString();
        var streams = new List<HttpResponseMessage>();
        for (var i = 0; i < 20; i++)
            streams.Add(await server.Client.GetAsync($"/api/documents/{id}/stream", HttpCompletionOption.ResponseHeadersRead));
        var job = await RunningServer.JsonOf(await server.Client.PostAsJsonAsync("/api/renders", new { document = id, act = "mix", listenTo = (string?)null, section = (string?)null }));
        streams.Add(await server.Client.GetAsync($"/api/renders/{job["id"]}/stream", HttpCompletionOption.ResponseHeadersRead));

        var took = server.Stop();

        Assert.True(took < Runs.Within(1), $"It took {took.TotalSeconds:0.0} s.");
        streams.ForEach(s => s.Dispose());
        using var again = ChildServer.Start(_folder.Path);
        Assert.True((await again.Client.GetAsync($"/api/documents/{id}")).IsSuccessStatusCode);
    }

    [Fact]
    public async Task Streams_HearOfEachEdit_AndEndWhenTheProgramStops()
    {
        using var server = ChildServer.Start(_folder.Path);
        var id = (await RunningServer.JsonOf(await server.Client.PostAsJsonAsync("/api/templates", new { name = "Listened to" })))["id"]!.ToString();
        using var answer = await server.Client.GetAsync($"/api/documents/{id}/stream", HttpCompletionOption.ResponseHeadersRead);
        using var news = new StreamReader(await answer.Content.ReadAsStreamAsync());
        Assert.Equal("data: {\"revision\":0}", await news.ReadLineAsync());

        await server.Client.PostAsJsonAsync($"/api/documents/{id}/edits", new { revision = 0, edits = new[] { new { type = "set-mute", channel = "mix-bus", muted = true } } });
        await news.ReadLineAsync();
        Assert.Equal("data: {\"revision\":1}", await news.ReadLineAsync());

        server.Stop();
        Assert.Equal("", (await news.ReadToEndAsync()).Trim());
    }
}
