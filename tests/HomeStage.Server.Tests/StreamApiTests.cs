using System.Net;
using HomeStage.Server.Data;
using Microsoft.Extensions.DependencyInjection;

namespace HomeStage.Server.Tests;

public class StreamApiTests(RunningServer server) : IClassFixture<RunningServer>
{
    private static readonly object Mute = new { type = "set-mute", channel = "mix-bus", muted = true };

    [Fact]
    public async Task Stream_TellsOfAnEditFromElsewhere()
    {
        var id = await server.NewTemplateAsync();
        using var stop = new CancellationTokenSource(TimeSpan.FromSeconds(20));
        using var lines = new StreamReader(await server.Client.GetStreamAsync($"/api/documents/{id}/stream", stop.Token));
        Assert.Equal("data: {\"revision\":0}", await NextAsync(lines, stop.Token));

        await server.EditAsync(id, 0, Mute);

        Assert.Equal("data: {\"revision\":1}", await NextAsync(lines, stop.Token));
    }

    [Fact]
    public async Task Stream_ThatIsClosed_IsForgotten()
    {
        var id = await server.NewTemplateAsync();
        var feed = server.Services.GetRequiredService<DocumentStore>().Feed;
        using (var stop = new CancellationTokenSource(TimeSpan.FromSeconds(20)))
        using (var lines = new StreamReader(await server.Client.GetStreamAsync($"/api/documents/{id}/stream", stop.Token)))
            await NextAsync(lines, stop.Token);

        for (var i = 0; i < 100 && feed.Listeners > 0; i++)
            await Task.Delay(50);

        Assert.Equal(0, feed.Listeners);
    }

    [Fact]
    public async Task Changes_SinceARevision_AreTheRowsThatDiffer()
    {
        var id = await server.NewTemplateAsync();
        await server.EditAsync(id, 0, Mute);
        await server.EditAsync(id, 1, new { type = "rename-channel", channel = "mix-bus", name = "All of it" });

        var change = await server.GetAsync($"/api/documents/{id}/changes?since=0");

        Assert.Equal(2, (int)change["head"]!["revision"]!);
        Assert.Equal("All of it", Assert.Single(change["changed"]!.AsArray())!["channel"]!["name"]!.ToString());
    }

    [Fact]
    public async Task Changes_SinceLongAgo_AreGone_SoThatTheWholeIsReadAgain()
    {
        var id = await server.NewTemplateAsync();
        for (var revision = 0; revision < 40; revision++)
            await server.EditAsync(id, revision, new { type = "set-level", channel = "mix-bus", level = -revision });

        Assert.Equal(HttpStatusCode.Gone, (await server.Client.GetAsync($"/api/documents/{id}/changes?since=0")).StatusCode);
        Assert.Equal(HttpStatusCode.OK, (await server.Client.GetAsync($"/api/documents/{id}/changes?since=20")).StatusCode);
    }

    private static async Task<string> NextAsync(StreamReader lines, CancellationToken cancellation)
    {
        string? line;
        do
            line = await lines.ReadLineAsync(cancellation);
        while (line?.StartsWith("data:", StringComparison.Ordinal) == false);
        return line ?? throw new EndOfStreamException();
    }
}
