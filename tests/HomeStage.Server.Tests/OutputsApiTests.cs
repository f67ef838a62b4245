using System.Net;
using System.Net.Http.Json;
using System.Text.Json.Nodes;
using HomeStage.TestKit;

namespace HomeStage.Server.Tests;

/// <summary>Plans, swaps and the line check over HTTP, on the demo's own kits.</summary>
public sealed class OutputsApiTests(RunningServer server) : IClassFixture<RunningServer>
{
    [Fact]
    public async Task Plans_WithoutATemplate_GiveEveryNumberOfOutputs_WithGroupsAndCost()
    {
        var pieces = new[]
        {
            new { name = "Kick", family = "drums/kick", importance = 3 },
            new { name = "Snare", family = "drums/snare", importance = 3 },
            new { name = "Tom high", family = "drums/toms", importance = 1 },
            new { name = "Tom low", family = "drums/toms", importance = 1 },
        };

        var plans = JsonNode.Parse(await (await server.Client.PostAsJsonAsync("/api/output-plans", new { pieces, outputs = 8, use = "pairs" })).Content.ReadAsStringAsync())!.AsArray();

        // Between families 4 edges, within one 2; the toms share last: 9·4 + 4·3·4 + 2, then 2·(3·4) + 2, then 2, then nothing.
        Assert.Equal([86, 26, 2, 0], plans.Select(p => (int)p!["cost"]!));
        Assert.Equal([1, 2, 3, 4], plans.Select(p => (int)p!["outputs"]!));
        Assert.Equal(["Kick", "Snare", "Toms"], plans[2]!["groups"]!.AsArray().Select(g => (string)g!["name"]!));
        Assert.Equal(1 - 2 / 86.0, (double)plans[2]!["likenessKept"]!, 1e-12);
    }

    [Fact]
    public async Task Plans_ThatCannotBe_AreRefusedWithASentence()
    {
        var answer = await server.Client.PostAsJsonAsync("/api/output-plans", new { pieces = Array.Empty<object>(), outputs = 4 });

        Assert.Equal(HttpStatusCode.UnprocessableEntity, answer.StatusCode);
        Assert.Contains("number of pieces", await answer.Content.ReadAsStringAsync(), StringComparison.Ordinal);
    }

    [Theory]
    [InlineData("Night Ferry", "tidewater", 8, Skip = Runs.InTheLongRun, SkipUnless = nameof(Runs.AreLong), SkipType = typeof(Runs))]
    [InlineData("First Rehearsal", "breakwater", 10)]
    public async Task TheDemosKits_ArriveEachWhereItBelongs(string template, string player, int outputs)
    {
        var id = await server.TemplateAsync(template);
        var view = await server.GetAsync($"/api/documents/{id}/outputs/{player}?act=mix");

        Assert.Equal(outputs, view["now"]!.AsArray().Count);
        foreach (var source in view["sources"]!.AsArray())
        {
            var row = JsonNode.Parse(await (await server.Client.PostAsJsonAsync($"/api/documents/{id}/line-check", new { act = "mix", channel = player, note = (int)source!["note"]! })).Content.ReadAsStringAsync())!;
            Assert.Equal("arrived", (string)row["verdict"]!);
            Assert.Contains(row["places"]!.AsArray(), p => (string)p!["channel"]! == "main");
        }
    }

    [Fact]
    public async Task AnInputOfTheDemo_ArrivesAtItsBusAndTheMain()
    {
        var id = await server.TemplateAsync("First Rehearsal");
        var row = JsonNode.Parse(await (await server.Client.PostAsJsonAsync($"/api/documents/{id}/line-check", new { act = "mix", channel = "voice", note = (int?)null })).Content.ReadAsStringAsync())!;

        Assert.Equal("arrived", (string)row["verdict"]!);
        Assert.Superset(new HashSet<string> { "voice", "voices", "mix-bus", "main", "echo" }, row["places"]!.AsArray().Select(p => (string)p!["channel"]!).ToHashSet());
        var nobody = await server.Client.PostAsJsonAsync($"/api/documents/{id}/line-check", new { act = "mix", channel = "drums", note = (int?)null });
        Assert.Equal(HttpStatusCode.UnprocessableEntity, nobody.StatusCode);
    }

    [Fact]
    public async Task APieceThatIsSaidToStandForNone_IsLeftToItself()
    {
        var id = await server.TemplateAsync("Night Ferry");
        static string? Of(JsonNode swap) => (string?)swap["pieces"]!.AsArray().First(p => (string)p!["name"]! == "Gong")!["inPlaceOf"];

        var usual = await RunningServer.JsonOf(await server.Client.PostAsJsonAsync($"/api/documents/{id}/kit-swaps", new { channel = "tidewater", instrument = "tidewater-kit-deep" }));
        var said = await RunningServer.JsonOf(await server.Client.PostAsJsonAsync($"/api/documents/{id}/kit-swaps", new { channel = "tidewater", instrument = "tidewater-kit-deep", inPlaceOf = new Dictionary<string, string?> { ["Gong"] = null } }));

        Assert.Equal("Gong", Of(usual));
        // It joins another of its family then.
        Assert.NotEqual("Gong", Of(said));
    }

    [Fact]
    public async Task TheSwapToTheDeepKit_LeavesEveryExistingStripInPlace()
    {
        var id = await server.TemplateAsync("Night Ferry");
        var before = await server.GetAsync($"/api/documents/{id}");

        var swap = JsonNode.Parse(await (await server.Client.PostAsJsonAsync($"/api/documents/{id}/kit-swaps", new { channel = "tidewater", instrument = "tidewater-kit-deep" })).Content.ReadAsStringAsync())!;
        var answer = await server.Client.PostAsJsonAsync($"/api/documents/{id}/edits", new { revision = (int)before["head"]!["revision"]!, edits = swap["edits"]! });

        answer.EnsureSuccessStatusCode();
        var after = await server.GetAsync($"/api/documents/{id}");
        var now = after["channels"]!.AsArray().ToDictionary(c => (string)c!["channel"]!["id"]!, c => c!["channel"]!.ToJsonString());
        foreach (var channel in before["channels"]!.AsArray().Select(c => c!["channel"]!).Where(c => (string)c["id"]! != "tidewater"))
            Assert.Equal(channel.ToJsonString(), now[(string)channel["id"]!]);
        Assert.Equal(4, after["channels"]!.AsArray().Count - before["channels"]!.AsArray().Count);
        Assert.Equal(["Overheads", "Hall"], swap["pieces"]!.AsArray().Select(p => (string)p!["name"]!).TakeLast(2));
        (await server.Client.PostAsJsonAsync($"/api/documents/{id}/undo", new { revision = (int)after["head"]!["revision"]! })).EnsureSuccessStatusCode();
    }

    [Fact]
    public async Task APlanOfTheDemo_Applied_IsThenTheOneThatStands()
    {
        var id = await server.TemplateAsync("Night Ferry");
        var head = (await server.GetAsync($"/api/documents/{id}"))["head"]!;
        var view = await server.GetAsync($"/api/documents/{id}/outputs/tidewater?act=mix");
        var coarse = view["plans"]!.AsArray().Single(p => (int)p!["outputs"]! == 3)!;

        (await server.Client.PostAsJsonAsync($"/api/documents/{id}/edits", new { revision = (int)head["revision"]!, edits = coarse["edits"]! })).EnsureSuccessStatusCode();

        var after = await server.GetAsync($"/api/documents/{id}/outputs/tidewater?act=mix");
        Assert.Empty(after["plans"]!.AsArray().Single(p => (int)p!["outputs"]! == 3)!["edits"]!.AsArray());
        Assert.Equal(3, after["now"]!.AsArray().Count(l => (int)l!["number"]! > 1 && l["channel"] is not null));
        Assert.Equal(coarse["words"]!.AsArray().Count, coarse["edits"]!.AsArray().Count);
        (await server.Client.PostAsJsonAsync($"/api/documents/{id}/undo", new { revision = (int)head["revision"]! + 1 })).EnsureSuccessStatusCode();
    }

    [Fact]
    public async Task MorePinsThanOutputs_LeaveNoPlan_AndTheOutputsAreStillShown()
    {
        var id = await server.TemplateAsync("First Rehearsal");
        var view = await server.GetAsync($"/api/documents/{id}");
        var revision = (int)view["head"]!["revision"]!;
        var pieces = view["channels"]!.AsArray().Single(c => (string)c!["channel"]!["id"]! == "breakwater")!["channel"]!["source"]!["kit"]!["pieces"]!.AsArray();
        var edits = pieces.Select(p => new { type = "set-piece-place", channel = "breakwater", piece = (string)p!["name"]!, stay = "alone", importance = 1 });

        (await server.Client.PostAsJsonAsync($"/api/documents/{id}/edits", new { revision, edits })).EnsureSuccessStatusCode();

        var outputs = await server.GetAsync($"/api/documents/{id}/outputs/breakwater?act=mix");
        Assert.Empty(outputs["plans"]!.AsArray());
        Assert.Equal(10, outputs["now"]!.AsArray().Count);
        (await server.Client.PostAsJsonAsync($"/api/documents/{id}/undo", new { revision = revision + 1 })).EnsureSuccessStatusCode();
    }

    [Fact]
    public async Task AnInput_IsLitByAPad_AndNamed_AndWhatCannotBeIsRefused()
    {
        var id = await server.NewTemplateAsync();
        var device = (await server.GetAsync("/api/cabled-machines")).AsArray().First(d => (int)d!["jacks"]! == 12)!;
        var pad = device["pads"]!.AsArray()[0]!;

        var lit = (await RunningServer.JsonOf(await server.Client.PostAsJsonAsync($"/api/documents/{id}/inputs/pressed", new { device = (string)device["id"]!, note = (int)pad["note"]!, firstInput = 21 }))).AsArray();
        var input = (int)lit[0]!["input"]!;
        Assert.InRange(input, 21, 32);
        var naming = await RunningServer.JsonOf(await server.Client.PostAsJsonAsync($"/api/documents/{id}/inputs/name", new { input, name = "Bread tin" }));
        (await server.EditAsync(id, 0, [.. naming["edits"]!.AsArray().Select(e => (object)e!)])).EnsureSuccessStatusCode();

        var now = (await server.GetAsync($"/api/documents/{id}/inputs?first=21&count=12")).AsArray();
        Assert.Equal("Bread tin", (string)now.Single(i => (int)i!["input"]! == input)!["name"]!);
        Assert.All(now.Where(i => (int)i!["input"]! != input), i => Assert.Null(i!["name"]));
        Assert.Equal(HttpStatusCode.UnprocessableEntity, (await server.Client.PostAsJsonAsync($"/api/documents/{id}/inputs/pressed", new { device = (string)device["id"]!, note = (int)pad["note"]!, firstInput = 118 })).StatusCode);
        Assert.Equal(HttpStatusCode.UnprocessableEntity, (await server.Client.PostAsJsonAsync($"/api/documents/{id}/inputs/name", new { input, name = "" })).StatusCode);
        Assert.Equal(HttpStatusCode.NotFound, (await server.Client.PostAsJsonAsync($"/api/documents/{id}/inputs/pressed", new { device = "none", note = 36, firstInput = 1 })).StatusCode);
    }

    [Fact]
    public async Task AKitOfAFileWithMoreJacks_IsSettledOverThoseThatAreChosen()
    {
        var id = await server.TemplateAsync("Night Ferry");
        var table = "name,note,family,output\n" + string.Concat(Enumerable.Range(1, 12).Select(n => $"Pan {n},{35 + n},drums/toms,{n}\n"));
        using var file = new ByteArrayContent(System.Text.Encoding.UTF8.GetBytes(table));
        var read = await RunningServer.JsonOf(await server.Client.PostAsync($"/api/documents/{id}/channels/tidewater/kit-file", file));

        Assert.Equal(("12 pairs", "8 pairs", 24), ((string)read["jacks"]!["inFile"]!, (string)read["jacks"]!["here"]!, (int)read["jacks"]!["number"]!));
        async Task<JsonNode> Settled(object choice) =>
            await RunningServer.JsonOf(await server.Client.PostAsJsonAsync($"/api/documents/{id}/channels/tidewater/kit-jacks", new { kit = read["kit"], choice }));
        int OutputsIn(JsonNode settled) => settled["edits"]!.AsArray().First(e => (string)e!["type"]! == "set-source")!["source"]!["kit"]!["outputs"]!.AsArray().Count;

        Assert.Equal(8, OutputsIn(await Settled(new { from = "here" })));
        Assert.Equal(5, OutputsIn(await Settled(new { from = "own", jacks = 5, inPairs = false })));
        Assert.Equal("out-of-range", (string)(await Settled(new { from = "own", jacks = 0, inPairs = false }))["code"]!);
    }

    [Theory]
    [InlineData("nothing", "mix")]
    [InlineData("tidewater", "nowhere")]
    public async Task OutputsOfWhatIsNotThere_AreNotFound(string channel, string act)
    {
        var id = await server.TemplateAsync("Night Ferry");

        Assert.Equal(HttpStatusCode.NotFound, (await server.Client.GetAsync($"/api/documents/{id}/outputs/{channel}?act={act}")).StatusCode);
    }
}
