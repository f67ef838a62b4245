using System.Text.Json.Nodes;
using HomeStage.TestKit;

namespace HomeStage.Server.Tests.Unbroken;

/// <summary>A start that is killed at any moment leaves a folder that the next one opens, whole.</summary>
public class StartKillTests
{
    private const int StartsAFolder = 4;

    // From before the runtime runs our code to after the demo is there.
    private const int FromMs = 30;
    private const int ToMs = 900;

    [Fact(Skip = Runs.InTheLongRun, SkipUnless = nameof(Runs.AreLong), SkipType = typeof(Runs))]
    public async Task Start_AfterStartsThatWereKilled_HasTheWholeDemoOnce()
    {
        var chance = new Random(11);
        for (var folder = 0; folder < Runs.Of(1, 25); folder++)
        {
            using var data = new DataFolder();
            for (var start = 0; start < StartsAFolder; start++)
                ChildServer.StartAndKill(data.Path, TimeSpan.FromMilliseconds(chance.Next(FromMs, ToMs)), "--demo");

            using var server = ChildServer.Start(data.Path, "--demo");

            var templates = (await RunningServer.JsonOf(await server.Client.GetAsync("/api/templates"))).AsArray();
            Assert.Equal(["First Rehearsal", "Night Ferry", "Storm Cue", "Two Voices and a Reed Organ"], templates.Select(t => t!["name"]!.ToString()).Order());
            Assert.Single(templates, t => (bool)t!["opensByDefault"]!);
            foreach (var template in templates)
                Assert.Equal((int)template!["channels"]!, await ChannelsAsync(server, template["id"]!));
        }
    }

    private static async Task<int> ChannelsAsync(ChildServer server, JsonNode id) =>
        (await RunningServer.JsonOf(await server.Client.GetAsync($"/api/documents/{id}")))["channels"]!.AsArray().Count;
}
