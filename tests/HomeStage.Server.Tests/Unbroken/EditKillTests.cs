using System.Net;
using System.Net.Http.Json;
using System.Text.Json.Nodes;
using HomeStage.TestKit;

namespace HomeStage.Server.Tests.Unbroken;

/// <summary>What was answered with 200 survives a kill.</summary>
public class EditKillTests
{
    private static readonly int Kills = Runs.Of(1, 200);

    [Fact]
    public async Task Kill_InAStreamOfEdits_LosesNoneThatWasAcknowledged()
    {
        var data = Directory.CreateTempSubdirectory("home-stage-kill-").FullName;
        try
        {
            var random = new Random(7);
            string? id = null;
            var acknowledged = 0;
            for (var kill = 0; kill < Kills; kill++)
            {
                using var server = ChildServer.Start(data);
                if (id is null)
                    id = (await RunningServer.JsonOf(await server.Client.PostAsJsonAsync("/api/templates", new { name = "Power cut" })))["id"]!.ToString();
                else
                    acknowledged = await CheckAsync(server, id, acknowledged);
                acknowledged = await StreamUntilKilledAsync(server, id, acknowledged, TimeSpan.FromMilliseconds(40 + random.Next(160)));
            }

            using var last = ChildServer.Start(data);
            Assert.True(await CheckAsync(last, id!, acknowledged) >= Kills, "Too few edits were acknowledged for the test to say anything.");
        }
        finally
        {
            Directory.Delete(data, recursive: true);
        }
    }

    /// <returns>The newest revision. One more than was acknowledged may be stored: killed after the disk, before the answer.</returns>
    private static async Task<int> CheckAsync(ChildServer server, string id, int acknowledged)
    {
        var view = (await RunningServer.JsonOf(await server.Client.GetAsync($"/api/documents/{id}")));
        var revision = (int)view["head"]!["revision"]!;
        Assert.InRange(revision, acknowledged, acknowledged + 1);
        // Every edit names the mix bus by its own number, so the name tells which is the last that is there.
        if (revision > 0)
            Assert.Equal($"Edit {revision}", NameOf(view, "mix-bus"));
        return revision;
    }

    private static async Task<int> StreamUntilKilledAsync(ChildServer server, string id, int revision, TimeSpan after)
    {
        Task? killing = null;
        var warm = false;
        try
        {
            for (; ; revision++)
            {
                // The clock starts at the second edit: the first pays for the warming up.
                if (warm)
                    killing ??= KillAsync(server, after);
                var edits = new[] { new { type = "rename-channel", channel = "mix-bus", name = $"Edit {revision + 1}" } };
                var answer = await server.Client.PostAsJsonAsync($"/api/documents/{id}/edits", new { revision, edits });
                Assert.Equal(HttpStatusCode.OK, answer.StatusCode);
                warm = true;
            }
        }
        catch (HttpRequestException)
        {
            await killing!;
            return revision;
        }
    }

    private static async Task KillAsync(ChildServer server, TimeSpan after)
    {
        await Task.Delay(after);
        server.Kill();
    }

    private static string NameOf(JsonNode view, string channel) =>
        view["channels"]!.AsArray().Single(c => c!["channel"]!["id"]!.ToString() == channel)!["channel"]!["name"]!.ToString();
}
