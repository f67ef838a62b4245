using System.Net;
using System.Net.Http.Json;
using System.Text.Json.Nodes;

namespace HomeStage.Server.Tests;

public class CastApiTests(RunningServer server) : IClassFixture<RunningServer>
{
    [Fact]
    public async Task AList_IsShownAsItWillBe_AndSetByOrdinaryEdits_AndReadBack()
    {
        var id = (await PostAsync("/api/templates", new { name = "Cast here" }))["id"]!.ToString();
        const string List = "Voices: two divers; mono\nReturns: tank 2.2 s";

        var shown = await PostAsync($"/api/documents/{id}/cast/preview", new { text = List, line = 0, column = 2 });
        var set = await PostAsync($"/api/documents/{id}/cast", new { text = List });
        await PostAsync($"/api/documents/{id}/edits", new JsonObject { ["revision"] = set["revision"]!.DeepClone(), ["edits"] = set["edits"]!.DeepClone() });

        Assert.Equal(["Main", "Mix bus", "Voices", "Diver 1", "Diver 2", "Returns", "Tank"], shown["rows"]!.AsArray().Select(r => r!["name"]!.ToString()));
        Assert.Equal([0, 1, 2, 3, 3, 2, 3], shown["rows"]!.AsArray().Select(r => (int)r!["depth"]!));
        Assert.All(shown["rows"]!.AsArray().Skip(2), r => Assert.Equal("new", r!["state"]!.ToString()));
        Assert.Equal("input 1, mono, 1 send, closed", shown["rows"]![3]!["about"]!.ToString());
        var rows = (await server.GetAsync($"/api/documents/{id}"))["channels"]!.AsArray();
        Assert.Equal(shown["rows"]!.AsArray().Select(r => r!["name"]!.ToString()), rows.Select(r => r!["channel"]!["name"]!.ToString()));
        var list = await server.GetAsync($"/api/documents/{id}/cast");
        Assert.Equal("Voices: Diver 1–2 inputs 1\nReturns: Tank\n", list["text"]!.ToString());
        var again = await PostAsync($"/api/documents/{id}/cast/preview", new { text = list["text"]!.ToString(), was = list["text"]!.ToString() });
        Assert.All(again["rows"]!.AsArray(), r => Assert.Equal("there", r!["state"]!.ToString()));
        var fewer = await PostAsync($"/api/documents/{id}/cast/preview", new { text = "Voices: Diver 1 input 1\nReturns: Tank", was = list["text"]!.ToString() });
        Assert.Equal(["Diver 2"], fewer["gone"]!.AsArray().Select(g => g!.ToString()));
    }

    [Fact]
    public async Task ASplit_IsToldByTheJacksThatItTakes()
    {
        var id = await server.NewTemplateAsync();

        var shown = await PostAsync($"/api/documents/{id}/cast/preview", new { text = "Turbary: kick, snare, ride; on 4 stereo outputs", line = 0, column = 0 });

        Assert.Equal(["output 3–4", "output 5–6", "output 7–8"], shown["rows"]!.AsArray().Select(r => r!["about"]!.ToString()).Where(a => a.StartsWith("output ", StringComparison.Ordinal)));
    }

    [Fact]
    public async Task AListThatIsTooLong_OrOfNoDocument_IsRefused()
    {
        var id = (await PostAsync("/api/templates", new { name = "Too long" }))["id"]!.ToString();
        using var body = JsonContent.Create(new { text = new string('a', 100_001) });

        Assert.Equal(HttpStatusCode.UnprocessableEntity, (await server.Client.PostAsync($"/api/documents/{id}/cast/preview", body)).StatusCode);
        Assert.Equal(HttpStatusCode.NotFound, (await server.Client.GetAsync("/api/documents/nowhere/cast")).StatusCode);
    }

    private async Task<JsonNode> PostAsync(string path, object body) => await RunningServer.JsonOf(await server.Client.PostAsJsonAsync(path, body));
}
