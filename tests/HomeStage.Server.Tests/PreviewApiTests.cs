using System.Net;
using System.Net.Http.Json;
using System.Text.Json.Nodes;

namespace HomeStage.Server.Tests;

public class PreviewApiTests(RunningServer server) : IClassFixture<RunningServer>
{
    [Fact]
    public async Task Preview_SaysWhatAMendDoes_WhatItRemoves_AndChangesNothing()
    {
        var id = await server.NewTemplateAsync();
        // Something that can sound: an empty stage needs no limiter.
        await server.EditAsync(id, 0, new { type = "make-channel", wish = new { kind = "instrument" } });
        var findings = await server.GetAsync($"/api/documents/{id}/findings?act=write");
        var limiter = findings["open"]!.AsArray().Single(f => f!["rule"]!.ToString() == "no-limiter-while-writing")!;
        Assert.Equal("Order", limiter["group"]!.ToString());

        var preview = await PreviewAsync(id, limiter["mends"]![0]!["edits"]!.DeepClone());

        Assert.Equal(["Main has a new limiter"], preview["words"]!.AsArray().Select(w => w!.ToString()));
        Assert.Equal([limiter["sentence"]!.ToString()], preview["removes"]!.AsArray().Select(w => w!.ToString()));
        Assert.Empty(preview["setsOff"]!.AsArray());
        Assert.Equal(1, (int)(await server.GetAsync($"/api/documents/{id}"))["head"]!["revision"]!);
    }

    [Fact]
    public async Task Preview_OfAnEditThatSetsAFindingOff_SaysWhichOne()
    {
        var id = await server.NewTemplateAsync();

        var preview = await PreviewAsync(id, new JsonArray(new JsonObject { ["type"] = "set-format", ["channel"] = "main", ["format"] = "mono" }));

        Assert.Contains(preview["setsOff"]!.AsArray(), s => s!.ToString().Contains("Main is mono", StringComparison.Ordinal));
    }

    [Fact]
    public async Task Preview_OfWhatCannotBe_IsRefusedAsTheEditWouldBe()
    {
        var id = await server.NewTemplateAsync();

        var answer = await PostAsync(id, new JsonArray(new JsonObject { ["type"] = "set-level", ["channel"] = "main", ["level"] = 40 }));

        Assert.Equal(HttpStatusCode.UnprocessableEntity, answer.StatusCode);
        Assert.Equal("out-of-range", (await RunningServer.JsonOf(answer))["code"]!.ToString());
    }

    private async Task<JsonNode> PreviewAsync(string id, JsonNode edits) => await RunningServer.JsonOf(await PostAsync(id, edits));

    private Task<HttpResponseMessage> PostAsync(string id, JsonNode edits) =>
        server.Client.PostAsJsonAsync($"/api/documents/{id}/preview", new JsonObject { ["act"] = "write", ["edits"] = edits });
}
