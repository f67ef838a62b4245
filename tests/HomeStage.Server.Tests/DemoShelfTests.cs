using System.Text;
using System.Text.Json.Nodes;
using HomeStage.Core.Shelf;
using HomeStage.Core.Soundcheck;
using HomeStage.Core.Soundcheck.Findings;
using HomeStage.Core.Templates;
using HomeStage.Formats;
using HomeStage.Formats.Documents;
using HomeStage.TestKit;

namespace HomeStage.Server.Tests;

/// <summary>What the demo keeps on its shelf can be used.</summary>
public class DemoShelfTests(RunningServer server) : IClassFixture<RunningServer>
{
    [Fact]
    public async Task Shelf_HoldsTwoKitsAndAMachineOfSevenOutputs_TwoOfThemPairs()
    {
        var items = (await server.GetAsync("/api/shelf")).AsArray();

        Assert.Equal(["kit", "kit", "machine", "device", "device", "studio", "studio", "chain", "set-piece", "set-piece", "set-piece"], items.Select(i => i!["kind"]!.ToString()));
        var outputs = (await DocumentAsync(items.Single(i => i!["kind"]!.ToString() == "machine")!))["content"]!["outputs"]!.AsArray();
        Assert.Equal((7, 2), (outputs.Count, outputs.Count(o => o!["format"]!.ToString() == "stereo")));
    }

    [Fact]
    public async Task EachKit_PutOnAnEmptyStage_IsHeardWhereItBelongs_WithoutABlocker()
    {
        foreach (var item in (await server.GetAsync("/api/shelf")).AsArray().Where(i => i!["kind"]!.ToString() == "kit"))
        {
            var read = Assert.IsType<FormatResult<ShelfDocument.Named>.Read>(ShelfDocument.Read(Encoding.UTF8.GetBytes((await DocumentAsync(item!)).ToJsonString()))).Value;
            var taken = Assert.IsType<ShelfTakeResult.Taken>(ShelfTake.Of(EmptyStage.Create("Slate"), new("item", read.Name, 1, read.Content))).Take;

            var stage = EmptyStage.Create("Slate").With([.. taken.Edits]);

            Assert.DoesNotContain(Report.Of(stage, "write").Open, f => f.Severity == Severity.Blocker);
        }
    }

    [Fact]
    public async Task EachSetPiece_PutOnAnEmptyStage_IsInOrder_ButForWhatItSaysIsMissing()
    {
        foreach (var item in (await server.GetAsync("/api/shelf")).AsArray().Where(i => i!["kind"]!.ToString() == "set-piece"))
        {
            var read = Assert.IsType<FormatResult<ShelfDocument.Named>.Read>(ShelfDocument.Read(Encoding.UTF8.GetBytes((await DocumentAsync(item!)).ToJsonString()))).Value;
            var taken = Assert.IsType<ShelfTakeResult.Taken>(ShelfTake.Of(EmptyStage.Create("Slate"), new("item", read.Name, 1, read.Content))).Take;

            var stage = EmptyStage.Create("Slate").With([.. taken.Edits]);

            var missing = string.Join(' ', taken.Joints.Select(j => j.Missing));
            Assert.All(Report.Of(stage, "mix").Open.Where(f => f.Severity is Severity.Blocker or Severity.Warning), f =>
            {
                Assert.Equal("key-without-feed", f.Rule);
                Assert.Contains($"Nothing steers {stage.Channels[f.Channels[0]].Name}.", missing);
            });
        }
    }

    private Task<JsonNode> DocumentAsync(JsonNode item) => server.GetAsync($"/api/shelf/{item["id"]}/document");
}
