using HomeStage.Core.Shelf;
using HomeStage.Core.Soundcheck;
using HomeStage.Core.Soundcheck.Findings;
using HomeStage.Core.Templates;
using HomeStage.TestKit;

namespace HomeStage.Server.Tests;

/// <summary>What the demo keeps on its shelf can be used.</summary>
public class DemoShelfTests(RunningServer server) : IClassFixture<RunningServer>
{
    [Fact]
    public async Task Shelf_HoldsTwoKitsAndAMachineOfSevenOutputs_TwoOfThemPairs()
    {
        var items = (await server.GetAsync("/api/shelf")).AsArray();

        Assert.Equal(["kit", "kit", "machine"], items.Select(i => i!["kind"]!.ToString()));
        var outputs = items.Single(i => i!["kind"]!.ToString() == "machine")!["content"]!["outputs"]!.AsArray();
        Assert.Equal((7, 2), (outputs.Count, outputs.Count(o => o!["format"]!.ToString() == "stereo")));
    }

    [Fact]
    public async Task EachKit_PutOnAnEmptyStage_IsHeardWhereItBelongs_WithoutABlocker()
    {
        foreach (var item in (await server.GetAsync("/api/shelf")).AsArray().Where(i => i!["kind"]!.ToString() == "kit"))
        {
            var content = Formats.Documents.ShelfDocument.ReadContent(item!["content"]!.ToJsonString());
            var taken = Assert.IsType<ShelfTakeResult.Taken>(ShelfTake.Of(EmptyStage.Create("Slate"), new("item", item["name"]!.ToString(), 1, content))).Take;

            var stage = EmptyStage.Create("Slate").With([.. taken.Edits]);

            Assert.DoesNotContain(Report.Of(stage, "write").Open, f => f.Severity == Severity.Blocker);
        }
    }
}
