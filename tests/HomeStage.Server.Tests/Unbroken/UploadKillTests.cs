using System.Net.Http.Json;
using HomeStage.Server.Data.Sounds;
using HomeStage.TestKit;

namespace HomeStage.Server.Tests.Unbroken;

/// <summary>A server that is killed while sounds come in and renders run keeps every sound that it has answered for.</summary>
public class UploadKillTests
{
    [Fact(Skip = Runs.InTheLongRun, SkipUnless = nameof(Runs.AreLong), SkipType = typeof(Runs))]
    public async Task Kill_AmongUploadsAndRenders_LosesNoSoundThatWasAnsweredFor_AndLeavesNoHalves()
    {
        using var data = new DataFolder();
        await data.TakeDemoAsync();
        var chance = new Random(5);
        var (kept, number) = (new List<string>(), 0);
        for (var kill = 0; kill < Runs.Of(2, 40); kill++)
        {
            using var server = ChildServer.Start(data.Path);
            await RenderAsync(server.Client);
            Task? killing = null;
            try
            {
                // The clock starts at the second sound: the first pays for the warming up.
                for (var first = number; ; killing ??= number > first ? KillAsync(server, chance.Next(20, 200)) : null)
                {
                    var wave = Waves.Numbered(++number, 4800);
                    using var answer = await Waves.UploadAsync(server.Client, wave);
                    Assert.True(answer.IsSuccessStatusCode);
                    kept.Add(MediaFiles.ContentOf(wave));
                }
            }
            catch (HttpRequestException)
            {
                await killing!;
            }
        }

        using var last = ChildServer.Start(data.Path);

        var listed = (await RunningServer.JsonOf(await last.Client.GetAsync("/api/media"))).AsArray().Select(m => m!["content"]!.ToString()).ToHashSet();
        Assert.NotEmpty(kept);
        Assert.Subset(listed, kept.ToHashSet());
        Assert.Empty(Directory.GetFiles(Path.Combine(data.Path, "media"), "*.part"));
        Assert.All(listed, content => Assert.Equal(content, MediaFiles.ContentOf(File.ReadAllBytes(Path.Combine(data.Path, "media", $"{content}.wav")))));
    }

    private static async Task KillAsync(ChildServer server, int afterMs)
    {
        await Task.Delay(afterMs);
        server.Kill();
    }

    private static async Task RenderAsync(HttpClient client)
    {
        var template = (await RunningServer.JsonOf(await client.GetAsync("/api/templates")))[0]!["id"]!.ToString();
        await client.PostAsJsonAsync("/api/renders", new { document = template, act = "mix", listenTo = (string?)null, section = (string?)null });
    }
}
