using System.Diagnostics;
using System.Net.Http.Headers;
using System.Text;
using System.Text.Json.Nodes;
using HomeStage.TestKit;

namespace HomeStage.Server.Tests.Unbroken;

/// <summary>Every endpoint of the API's own description, asked with nulls, wrong types, odd and huge texts: each answers, soon, and never with
/// a fault of the server's.</summary>
public class ContractTests(RunningServer server) : IClassFixture<RunningServer>
{
    private static readonly TimeSpan Longest = Runs.Within(2);

    private readonly Dictionary<int, int> _answers = [];

    [Fact]
    public async Task EveryEndpoint_AskedOddly_AnswersWithoutAFault()
    {
        var description = await server.GetAsync("/openapi/v1.json");
        var (ferry, rehearsal) = (await server.TemplateAsync("Night Ferry"), await server.TemplateAsync("First Rehearsal"));
        var song = (await RunningServer.JsonOf(await PostAsync("/api/songs", $$"""{"templateId":"{{rehearsal}}","title":"Asked oddly","tempoBpm":null,"key":null}""")))["id"]!.ToString();
        var chance = new Random(31);
        var odd = new OddJson(description, chance, Ids(ferry, rehearsal, song));
        var endpoints = Endpoints(description).ToList();
        Assert.True(endpoints.Count > 50, $"Only {endpoints.Count} endpoints are described.");
        var faults = new List<string>();
        for (var round = 0; round < Runs.Of(3, 1000); round++)
            foreach (var (path, method, operation) in endpoints)
                await AskAsync(odd, chance, path, method, operation, faults, [ferry, rehearsal, song, "nobody"]);

        Assert.True(faults.Count == 0, string.Join('\n', faults.Take(20)));
        AssertReached();
    }

    [Fact]
    public async Task EveryEdit_AskedOddly_AnswersWithoutAFault()
    {
        var description = await server.GetAsync("/openapi/v1.json");
        var (ferry, rehearsal) = (await server.TemplateAsync("Night Ferry"), await server.TemplateAsync("First Rehearsal"));
        var chance = new Random(32);
        var odd = new OddJson(description, chance, Ids(ferry, rehearsal, ""));
        var kinds = description["components"]!["schemas"]!["Edit"]!["anyOf"]!.AsArray();
        Assert.True(kinds.Count > 50, $"Only {kinds.Count} edits are described.");
        var faults = new List<string>();
        for (var round = 0; round < Runs.Of(2, 400); round++)
        {
            foreach (var kind in kinds)
            {
                var edits = new JsonArray(Enumerable.Range(0, chance.Next(1, 3)).Select(_ => odd.Of(kind)).ToArray());
                JsonNode body = new JsonObject { ["act"] = "mix", ["edits"] = edits };
                if (chance.Next(3) == 0)
                    body = odd.Spoiled(body)!;
                await SendAsync(HttpMethod.Post, $"/api/documents/{(chance.Next(2) == 0 ? ferry : rehearsal)}/preview", body.ToJsonString(), "application/json", faults);
            }
        }

        Assert.True(faults.Count == 0, string.Join('\n', faults.Take(20)));
        AssertReached();
    }

    [Theory]
    [InlineData("[null]")]
    [InlineData("[{\"type\":\"set-acts\",\"acts\":[null]}]")]
    [InlineData("[{\"type\":\"restore-channels\",\"channels\":[null],\"at\":[]}]")]
    [InlineData("[{\"type\":\"set-settings\",\"channel\":\"bass\",\"insert\":null,\"settings\":{\"a\":null}}]")]
    public async Task Edits_WithANullInAList_AreRefusedAsUnreadable(string edits)
    {
        var answer = await PostAsync($"/api/documents/{await server.NewTemplateAsync()}/edits", $$"""{"revision":0,"edits":{{edits}}}""");

        Assert.Equal((400, "bad-json"), ((int)answer.StatusCode, (await RunningServer.JsonOf(answer))["code"]!.ToString()));
    }

    [Fact]
    public async Task Document_OfAnOlderSchemaWithADoubledKey_IsRefused()
    {
        var answer = await PostAsync("/api/templates/from-document", """{"format":"home-stage-template","schemaVersion":2,"template":{"name":"a","name":"b"}}""");

        Assert.Equal((422, "not-a-document"), ((int)answer.StatusCode, (await RunningServer.JsonOf(answer))["code"]!.ToString()));
    }

    [Theory]
    [InlineData("/api/roles/of", "name")]
    [InlineData("/api/grooves/swing?name=a&percent=60", "pairTicks")]
    public async Task Request_ThatLacksAParameter_IsToldWhichOne(string path, string parameter)
    {
        var answer = await server.GetAsync(path);

        Assert.Equal($"The request lacks {parameter}.", answer["detail"]!.ToString());
    }

    [Fact]
    public async Task Request_WithAParameterThatCannotBeRead_IsToldWhichOne()
    {
        var answer = await server.GetAsync("/api/grooves/swing?name=a&pairTicks=many&percent=60");

        Assert.Contains("pairTicks", answer["detail"]!.ToString(), StringComparison.Ordinal);
    }

    [Fact]
    public async Task Outputs_OfAnInstrumentThatFeedsNothing_AreShown()
    {
        var id = await server.NewTemplateAsync();
        var kit = (await server.GetAsync("/api/catalogue"))["instruments"]!.AsArray().First(i => i!["id"]!.ToString() == "tidewater-kit")!["kit"]!;
        var added = await server.EditAsync(id, 0,
            new { type = "add-channel", channel = new { id = "kit", name = "Kit", kind = "instrument", destination = "mix-bus", source = new { type = "instrument", instrument = "tidewater-kit", kit } } },
            new { type = "move-channel", channel = "kit", destination = (string?)null, before = (string?)null });
        Assert.True(added.IsSuccessStatusCode, await added.Content.ReadAsStringAsync());

        var outputs = await server.Client.GetAsync($"/api/documents/{id}/outputs/kit?act=mix");

        Assert.True(outputs.IsSuccessStatusCode, await outputs.Content.ReadAsStringAsync());
        Assert.NotEmpty((await RunningServer.JsonOf(outputs))["plans"]!.AsArray());
    }

    private static Dictionary<string, string[]> Ids(string ferry, string rehearsal, string song) => new(StringComparer.Ordinal)
    {
        ["ChannelId"] = ["tidewater", "main", "mix-bus", "bass", "drums", "pulse", "undertow", "nobody", "a"],
        ["InsertId"] = ["eq", "comp", "limit", "duck", "gone"],
        ["document"] = [ferry, rehearsal, song],
        ["templateId"] = [ferry, rehearsal],
        ["song"] = [song, ferry],
        ["id"] = [ferry, song],
        ["act"] = ["write", "record", "mix"],
        ["instrument"] = ["tidewater-kit", "breakwater-kit", "undertow"],
        ["processor"] = ["equaliser", "compressor", "limiter"],
        ["section"] = ["verse", "intro", "crossing"],
        ["word"] = ["gain-db", "write", "a"],
        ["name"] = ["A name", "Verse"],
        ["content"] = [new string('a', 64)],
        ["channel"] = ["tidewater", "bass", "main"],
        ["family"] = ["drums", "drums/toms"],
    };

    private static IEnumerable<(string Path, string Method, JsonNode Operation)> Endpoints(JsonNode description) =>
        from path in description["paths"]!.AsObject()
        from method in path.Value!.AsObject()
        select (path.Key, method.Key, method.Value!);

    /// <summary>Enough of the questions must have passed the door, or nothing is said of what lies behind it.</summary>
    private void AssertReached()
    {
        var said = string.Join(", ", _answers.OrderBy(a => a.Key).Select(a => $"{a.Value} × {a.Key}"));
        Assert.True(_answers.GetValueOrDefault(200) > _answers.Values.Sum() / 20 && _answers.GetValueOrDefault(422) > _answers.Values.Sum() / 20, said);
        Figures.Say(said);
    }

    private async Task AskAsync(OddJson odd, Random chance, string path, string method, JsonNode operation, List<string> faults, string[] ids)
    {
        var query = new List<string>();
        foreach (var parameter in operation["parameters"]?.AsArray() ?? [])
        {
            var (name, isInPath) = (parameter!["name"]!.ToString(), parameter["in"]!.ToString() == "path");
            var value = isInPath && name == "id" && chance.Next(5) > 0 ? ids[chance.Next(ids.Length)]
                : chance.Next(4) == 0 ? OddJson.OddTexts[chance.Next(OddJson.OddTexts.Length)] : odd.Of(parameter["schema"], name)?.ToString() ?? "";
            // What was made for the test must be there for the next question.
            if (method == "delete" && ids.Contains(value))
                return;
            if (isInPath)
                path = path.Replace($"{{{name}}}", Sendable(value), StringComparison.Ordinal);
            else if (chance.Next(5) > 0)
                query.Add($"{name}={Sendable(value)}");
        }

        var schema = operation["requestBody"]?["content"]?["application/json"]?["schema"];
        var body = schema is null ? null : odd.Of(schema);
        if (body is not null && chance.Next(2) == 0)
            body = odd.Spoiled(body);
        var text = body?.ToJsonString() ?? (chance.Next(2) == 0 ? "null" : "");
        var type = chance.Next(12) == 0 ? "text/plain" : "application/json";
        await SendAsync(new(method.ToUpperInvariant()), $"{path}?{string.Join('&', query)}", text, type, faults);
    }

    /// <summary>An address holds no halves of characters, and only so much.</summary>
    private static string Sendable(string text) =>
        Uri.EscapeDataString(text.Replace("\uD800", "", StringComparison.Ordinal) is { Length: > 1000 } tooLong ? tooLong[..1000] : text.Replace("\uD800", "", StringComparison.Ordinal));

    private async Task SendAsync(HttpMethod method, string address, string body, string type, List<string> faults)
    {
        using var request = new HttpRequestMessage(method, address);
        if (method != HttpMethod.Get)
            request.Content = new StringContent(body, Encoding.UTF8) { Headers = { ContentType = new MediaTypeHeaderValue(type) } };
        var watch = Stopwatch.StartNew();
        // A stream has no end; its beginning is the answer.
        using var answer = await server.Client.SendAsync(request, HttpCompletionOption.ResponseHeadersRead);
        _answers[(int)answer.StatusCode] = _answers.GetValueOrDefault((int)answer.StatusCode) + 1;
        if ((int)answer.StatusCode >= 500)
            faults.Add($"{(int)answer.StatusCode} {method} {address} {body[..Math.Min(body.Length, 300)]}");
        if (watch.Elapsed > Longest)
            faults.Add($"{watch.Elapsed.TotalSeconds:0.0} s {method} {address} {body[..Math.Min(body.Length, 300)]}");
    }

    private Task<HttpResponseMessage> PostAsync(string path, string json) => server.Client.PostAsync(path, new StringContent(json, Encoding.UTF8, "application/json"));
}
