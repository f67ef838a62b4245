using System.Net;
using System.Net.Http.Json;
using HomeStage.TestKit;

namespace HomeStage.Server.Tests.Unbroken;

/// <summary>A disk that fills up while the server runs: each change is stored whole or refused in a sentence, and all is well again when
/// there is room.</summary>
public sealed class FullDiskTests : IDisposable
{
    private readonly DataFolder _folder = new();

    public void Dispose() => _folder.Dispose();

    [Fact(Skip = Runs.InTheLongRun, SkipUnless = nameof(Runs.AreLong), SkipType = typeof(Runs))]
    public async Task Edits_OnADiskThatFillsUp_AreRefusedWith507_AndGoOnWhenThereIsRoom()
    {
        using var disk = SmallDisk.Mounted(_folder.Path, "4m");
        using var server = ChildServer.Start(disk.Path);
        var id = (await RunningServer.JsonOf(await server.Client.PostAsJsonAsync("/api/templates", new { name = "Full" })))["id"]!.ToString();
        Assert.True((await EditAsync(server.Client, id, 0)).IsSuccessStatusCode);
        var ballast = Path.Combine(disk.Path, "ballast");
        Fill(ballast);

        var (refused, revision) = await UntilRefusedAsync(server.Client, id, 1);

        Assert.Equal(HttpStatusCode.InsufficientStorage, refused.StatusCode);
        Assert.Equal("disk-full", (await RunningServer.JsonOf(refused))["code"]!.ToString());
        var upload = await Waves.UploadAsync(server.Client, Waves.Numbered(1, 48000));
        Assert.Equal(HttpStatusCode.InsufficientStorage, upload.StatusCode);
        using var health = await server.Client.GetAsync("/api/health");
        Assert.Equal(HttpStatusCode.ServiceUnavailable, health.StatusCode);
        Assert.Equal("failing", (await RunningServer.JsonOf(health))["writing"]!["state"]!.ToString());

        File.Delete(ballast);

        Assert.Equal(revision, await RevisionAsync(server.Client, id));
        Assert.True((await EditAsync(server.Client, id, revision)).IsSuccessStatusCode);
        Assert.True((await Waves.UploadAsync(server.Client, Waves.Numbered(1, 48000))).IsSuccessStatusCode);
        server.Kill();
        using var again = ChildServer.Start(disk.Path);
        Assert.Equal(revision + 1, await RevisionAsync(again.Client, id));
    }

    private static void Fill(string file)
    {
        try
        {
            using var stream = new FileStream(file, FileMode.Create, FileAccess.Write, FileShare.Read, bufferSize: 0);
            while (true)
                stream.Write(new byte[4096]);
        }
        catch (IOException)
        {
            // It is full now.
            return;
        }
    }

    private static async Task<(HttpResponseMessage Answer, int Revision)> UntilRefusedAsync(HttpClient client, string id, int revision)
    {
        for (; revision < 2000; revision++)
            if (await EditAsync(client, id, revision) is { IsSuccessStatusCode: false } refused)
                return (refused, revision);
        throw new InvalidOperationException("The disk did not fill up.");
    }

    private static Task<HttpResponseMessage> EditAsync(HttpClient client, string id, int revision) =>
        client.PostAsJsonAsync($"/api/documents/{id}/edits", new { revision, edits = new[] { new { type = "set-note", channel = "mix-bus", note = $"{revision} {new string('x', 3000)}" } } });

    private static async Task<int> RevisionAsync(HttpClient client, string id) =>
        (int)(await RunningServer.JsonOf(await client.GetAsync($"/api/documents/{id}")))["head"]!["revision"]!;
}
