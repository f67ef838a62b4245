using System.Net;
using System.Text;
using System.Text.Json.Nodes;

namespace HomeStage.Server.Tests;

public class EditsApiTests(RunningServer server) : IClassFixture<RunningServer>
{
    [Fact]
    public async Task Edit_ThatApplies_AnswersWithTheRevisionAndOnlyTheRowsThatDiffer()
    {
        var id = await server.NewTemplateAsync();

        var change = await RunningServer.JsonOf(await server.EditAsync(id, 0, new { type = "set-level", channel = "mix-bus", level = -3.5 }));

        Assert.Equal(1, (int)change["head"]!["revision"]!);
        Assert.Equal("mix-bus", Assert.Single(change["changed"]!.AsArray())!["channel"]!["id"]!.ToString());
        Assert.Null(change["order"]);
    }

    [Fact]
    public async Task Edit_OnAnOldRevision_IsRefusedWith409AndTheNewest()
    {
        var id = await server.NewTemplateAsync();
        await server.EditAsync(id, 0, new { type = "set-mute", channel = "main", muted = true });

        var answer = await server.EditAsync(id, 0, new { type = "set-mute", channel = "mix-bus", muted = true });

        Assert.Equal(HttpStatusCode.Conflict, answer.StatusCode);
        var problem = await RunningServer.JsonOf(answer);
        Assert.Equal(("stale-revision", 1), (problem["code"]!.ToString(), (int)problem["newest"]!));
    }

    [Fact]
    public async Task Edit_ThatIsRefused_AnswersWithProblemDetails_AndChangesNothing()
    {
        var id = await server.NewTemplateAsync();
        var before = (await server.GetAsync($"/api/documents/{id}")).ToJsonString();

        var answer = await server.EditAsync(id, 0, new { type = "set-mute", channel = "main", muted = true }, new { type = "set-level", channel = "main", level = 12 });

        Assert.Equal(HttpStatusCode.UnprocessableEntity, answer.StatusCode);
        Assert.Equal("application/problem+json", answer.Content.Headers.ContentType!.MediaType);
        var problem = await RunningServer.JsonOf(answer);
        Assert.Equal(("out-of-range", 1), (problem["code"]!.ToString(), (int)problem["editIndex"]!));
        Assert.Equal(before, (await server.GetAsync($"/api/documents/{id}")).ToJsonString());
    }

    [Fact]
    public async Task Edit_ThatClosesALoop_NamesTheChannelsAlongIt()
    {
        var id = await server.TemplateAsync("Night Ferry");
        var revision = (int)(await server.GetAsync($"/api/documents/{id}"))["head"]!["revision"]!;

        var problem = await RunningServer.JsonOf(await server.EditAsync(id, revision, new { type = "move-channel", channel = "mix-bus", destination = "drums", before = (string?)null }));

        Assert.Equal("closes-loop", problem["code"]!.ToString());
        Assert.Equal(["Drums", "Mix bus"], problem["path"]!.AsArray().Select(n => n!.ToString()).Distinct().Order());
    }

    [Fact]
    public async Task UndoAndRedo_WalkTheLineOfEdits_AndEachIsARevision()
    {
        var id = await server.NewTemplateAsync();
        var start = Channels(await server.GetAsync($"/api/documents/{id}"));
        await server.EditAsync(id, 0, new { type = "set-level", channel = "mix-bus", level = -3 });
        await server.EditAsync(id, 1, new { type = "remove-channel", channel = "mix-bus" });

        await Step(id, "undo", 2);
        var undone = await Step(id, "undo", 3);
        Assert.Equal(start, Channels(await server.GetAsync($"/api/documents/{id}")));
        Assert.False((bool)undone["head"]!["canUndo"]!);

        await Step(id, "redo", 4);
        var redone = await Step(id, "redo", 5);
        Assert.Equal(6, (int)redone["head"]!["revision"]!);
        Assert.Single((await server.GetAsync($"/api/documents/{id}"))["channels"]!.AsArray());
        Assert.False((bool)redone["head"]!["canRedo"]!);
    }

    [Fact]
    public async Task Undo_WithNothingToUndo_IsSaidInASentence()
    {
        var id = await server.NewTemplateAsync();

        var answer = await server.Client.PostAsync($"/api/documents/{id}/undo", Json("""{"revision":0}"""));

        Assert.Equal("nothing-to-do", (await RunningServer.JsonOf(answer))["code"]!.ToString());
    }

    [Fact]
    public async Task Findings_ComeWithMendsThatCanBeSentBackAsTheyAre()
    {
        var id = await server.NewTemplateAsync();
        await server.EditAsync(id, 0, new { type = "set-format", channel = "main", format = "mono" });
        var found = await server.GetAsync($"/api/documents/{id}/findings?act=write");
        var narrow = found["open"]!.AsArray().Single(f => f!["rule"]!.ToString() == "mono-destination")!;

        var answer = await server.Client.PostAsync($"/api/documents/{id}/edits", Json($$"""{"revision":1,"edits":{{narrow["mends"]![0]!["edits"]!.ToJsonString()}}}"""));

        Assert.Equal(HttpStatusCode.OK, answer.StatusCode);
        var after = await server.GetAsync($"/api/documents/{id}/findings?act=write");
        Assert.DoesNotContain(after["open"]!.AsArray(), f => f!["rule"]!.ToString() == "mono-destination");
        Assert.Equal(["write", "record", "mix"], after["acts"]!.AsArray().Select(a => a!["id"]!.ToString()));
        Assert.Equal(HttpStatusCode.NotFound, (await server.Client.GetAsync($"/api/documents/{id}/findings?act=rest")).StatusCode);
    }

    [Theory]
    [InlineData("{", "bad-json")]
    [InlineData("""{"revision":"0","edits":[]}""", "bad-json")]
    [InlineData("""{"revision":0,"edits":[{"type":"sparkle"}]}""", "bad-json")]
    [InlineData("""{"revision":0,"edits":[{"channel":"main","muted":true}]}""", "bad-json")]
    [InlineData("""{"revision":0,"edits":[{"type":"set-mute","channel":"main"}]}""", "bad-json")]
    [InlineData("""{"revision":0,"edits":[{"type":"set-mute","channel":"../x","muted":true}]}""", "bad-json")]
    public async Task Edit_ThatCannotBeRead_IsRefusedWith400(string body, string code)
    {
        var answer = await server.Client.PostAsync($"/api/documents/{await server.NewTemplateAsync()}/edits", Json(body));

        Assert.Equal(HttpStatusCode.BadRequest, answer.StatusCode);
        Assert.Equal(code, (await RunningServer.JsonOf(answer))["code"]!.ToString());
    }

    [Fact]
    public async Task Edit_WithItsWordLast_IsReadAllTheSame()
    {
        var id = await server.NewTemplateAsync();

        var answer = await server.Client.PostAsync($"/api/documents/{id}/edits", Json("""{"edits":[{"channel":"main","level":null,"type":"set-level"}],"revision":0}"""));

        Assert.Equal(HttpStatusCode.OK, answer.StatusCode);
    }

    private async Task<JsonNode> Step(string id, string step, int revision) =>
        await RunningServer.JsonOf(await server.Client.PostAsync($"/api/documents/{id}/{step}", Json($$"""{"revision":{{revision}}}""")));

    private static string Channels(JsonNode view) => view["channels"]!.ToJsonString();

    private static StringContent Json(string text) => new(text, Encoding.UTF8, "application/json");
}
