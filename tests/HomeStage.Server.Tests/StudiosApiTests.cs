using System.Net;
using System.Text;
using System.Text.Json.Nodes;
using HomeStage.Core.Studios;
using HomeStage.Formats.Documents;

namespace HomeStage.Server.Tests;

/// <summary>Studios by their API: kept, put on, met by documents.</summary>
public class StudiosApiTests(RunningServer server) : IClassFixture<RunningServer>
{
    private static readonly Studio Shed = new(new AudioInterface("Shed box", ["Bow", "Stern"], ["L", "R"], 256));

    [Fact]
    public async Task Studio_Added_PutOn_Renamed_AndRemoved_IsNoneThen()
    {
        var id = (await Json(await PostAsync("/api/studios", Body("Shed", Shed))))["id"]!.ToString();
        Assert.Equal(HttpStatusCode.NoContent, (await PutAsync("/api/studios/on", $$"""{"id":"{{id}}"}""")).StatusCode);
        Assert.Equal(id, (await On())!["id"]!.ToString());

        var changed = await Json(await PutAsync($"/api/studios/{id}", Body("Boat shed", Shed with { BudgetMs = 20 })));
        Assert.Equal(("Boat shed", 20, true), (changed["name"]!.ToString(), (int)changed["studio"]!["budgetMs"]!, (bool)changed["isOn"]!));

        await server.Client.DeleteAsync($"/api/shelf/{id}", TestContext.Current.CancellationToken);
        Assert.Null(await On());
        Assert.Equal(HttpStatusCode.NotFound, (await PutAsync("/api/studios/on", $$"""{"id":"{{id}}"}""")).StatusCode);
    }

    [Fact]
    public async Task Studio_ThatBreaksARule_IsRefusedInASentence()
    {
        var answer = await PostAsync("/api/studios", Body("Bad", Shed with { Interface = Shed.Interface with { BufferFrames = 0 } }));

        Assert.Equal(HttpStatusCode.UnprocessableEntity, answer.StatusCode);
        Assert.Contains("buffer", (await Json(answer))["detail"]!.ToString(), StringComparison.OrdinalIgnoreCase);
        Assert.Equal(HttpStatusCode.UnprocessableEntity, (await PostAsync("/api/studios", Body(" ", Shed))).StatusCode);
    }

    [Fact]
    public async Task Devices_ThatAreFound_AreAddedOnce_AndWhatWasMeasuredStays()
    {
        var studio = Shed with { Devices = [new(new("Tin Lark") { DeviceId = "AB01" }, false) { Latency = new(96, 48000) }] };
        var id = (await Json(await PostAsync("/api/studios", Body("Lark shed", studio))))["id"]!.ToString();

        var gain = await Json(await PostAsync($"/api/studios/{id}/devices", """[{"device":{"name":"Lark","deviceId":"ab01"},"standIn":"gate"},{"device":{"name":"Rook"}},{"device":{"name":"ROOK"}}]"""));

        Assert.Equal(1, (int)gain["fresh"]!);
        var devices = gain["studio"]!["studio"]!["devices"]!.AsArray();
        Assert.Equal(["Tin Lark", "Rook"], devices.Select(d => d!["device"]!["name"]!.ToString()));
        Assert.Equal((true, 96), ((bool)devices[0]!["isHere"]!, (int)devices[0]!["latency"]!["frames"]!));
        Assert.Equal(HttpStatusCode.NotFound, (await PostAsync("/api/studios/none/devices", "[]")).StatusCode);
        Assert.Equal(HttpStatusCode.UnprocessableEntity, (await PostAsync($"/api/studios/{id}/devices", """[{"device":{"name":" "}}]""")).StatusCode);
    }

    [Fact]
    public async Task Document_InTheStudioThatIsOn_SaysHowItFits_AndHowLateItsInputsAre_AsMeasuredThere()
    {
        var template = (await Json(await PostAsync("/api/templates", """{"name":"Fits"}""")))["id"]!.ToString();
        await EditAsync(template, """
            [{"type":"make-channel","wish":{"kind":"audio","name":"Alto","input":7}},
             {"type":"monitor-inputs","channels":["alto"],"monitored":true},
             {"type":"make-insert","channel":"alto","processor":"gain","device":{"name":"Slow Box"}}]
            """);
        await PutAsync("/api/studios/on", """{"id":null}""");
        var none = await server.GetAsync($"/api/documents/{template}/studio?act=write");
        Assert.Null(none["studio"]);

        var studio = Shed with { Devices = [new(new("Slow Box")) { Latency = new(480, 48000) }] };
        var id = (await Json(await PostAsync("/api/studios", Body("Measured", studio))))["id"]!.ToString();
        await PutAsync("/api/studios/on", $$"""{"id":"{{id}}"}""");
        try
        {
            var fit = await server.GetAsync($"/api/documents/{template}/studio?act=write");
            // 512 frames of buffers and 480 of the box at 48 kHz.
            Assert.Equal(20.667, (double)fit["paths"]![0]!["milliseconds"]!, 3);
            Assert.Equal("takes 1 · Bow", fit["lines"]!.AsArray().Single(l => l!["channel"]!.ToString() == "alto")!["choices"]![0]!["name"]!.ToString());
            Assert.Equal(["Slow Box on Alto"], fit["parking"]!["inserts"]!.AsArray().Select(i => i!.ToString()));
            async Task<IEnumerable<string>> notHere() => (await server.GetAsync($"/api/documents/{template}/studio/short"))["notHere"]!.AsArray().Select(n => n!.ToString());
            // Another input takes the place of the one that is not there.
            Assert.Empty(await notHere());
            var findings = await server.GetAsync($"/api/documents/{template}/findings?act=write");
            Assert.Contains("input-beyond", findings["open"]!.AsArray().Select(f => f!["rule"]!.ToString()));

            // The studio changes, the document does not: what was worked out follows.
            await PutAsync($"/api/studios/{id}", Body("Measured", studio with { Devices = [new(new("Slow Box")) { Latency = new(48, 48000) }] }));
            await PutAsync($"/api/studios/{id}", Body("Measured", studio with { Interface = new("Wide box", [.. Enumerable.Repeat("", 8)], ["L", "R"], 256), Devices = [new(new("Quick Box"))] }));
            Assert.Equal(["Slow Box"], await notHere());
            await PutAsync($"/api/studios/{id}", Body("Measured", studio with { Interface = new("Deaf box", [], ["L", "R"], 256) }));
            Assert.Equal(["input 7"], await notHere());
            await PutAsync($"/api/studios/{id}", Body("Measured", studio with { Devices = [new(new("Slow Box")) { Latency = new(48, 48000) }] }));
            Assert.Equal(11.667, (double)(await server.GetAsync($"/api/documents/{template}/studio?act=write"))["paths"]![0]!["milliseconds"]!, 3);
        }
        finally
        {
            await PutAsync("/api/studios/on", """{"id":null}""");
        }

        Assert.Null((await server.GetAsync($"/api/documents/{template}/studio/short"))["studio"]);
        Assert.DoesNotContain("input-beyond", (await server.GetAsync($"/api/documents/{template}/findings?act=write"))["open"]!.AsArray().Select(f => f!["rule"]!.ToString()));
    }

    [Fact]
    public async Task State_IsKeptOnce_AndComesBackAsItWas()
    {
        byte[] bytes = [0, 255, 1, 254];
        var first = await Json(await server.Client.PostAsync("/api/device-states?name=deep%2Fpreset.fxp", new ByteArrayContent(bytes), TestContext.Current.CancellationToken));
        var again = await Json(await server.Client.PostAsync("/api/device-states?name=other", new ByteArrayContent(bytes), TestContext.Current.CancellationToken));

        Assert.Equal(first["content"]!.ToString(), again["content"]!.ToString());
        Assert.Equal(4, (int)first["bytes"]!);
        Assert.Equal(bytes, await server.Client.GetByteArrayAsync($"/api/device-states/{first["content"]}", TestContext.Current.CancellationToken));
        Assert.Equal(HttpStatusCode.UnprocessableEntity, (await server.Client.PostAsync("/api/device-states?name=x", new ByteArrayContent([]), TestContext.Current.CancellationToken)).StatusCode);
        Assert.Equal(HttpStatusCode.NotFound, (await server.Client.GetAsync($"/api/device-states/{new string('0', 64)}", TestContext.Current.CancellationToken)).StatusCode);
    }

    [Fact]
    public async Task Folder_ThatIsNotThere_IsRefused()
    {
        var answer = await PostAsync("/api/studios/devices/found", """{"folder":"/no/such/folder/anywhere"}""");

        Assert.Equal("no-folder", (await Json(answer))["code"]!.ToString());
    }

    private static string Body(string name, Studio studio) => $$"""{"name":"{{name}}","studio":{{System.Text.Json.JsonSerializer.Serialize(studio, DocumentJson.Options)}}}""";

    private async Task<JsonNode?> On() => (await server.GetAsync("/api/studios")).AsArray().SingleOrDefault(s => (bool)s!["isOn"]!);

    private async Task EditAsync(string id, string edits)
    {
        var revision = (int)(await server.GetAsync($"/api/documents/{id}"))["head"]!["revision"]!;
        var answer = await PostAsync($"/api/documents/{id}/edits", $$"""{"revision":{{revision}},"edits":{{edits}}}""");
        Assert.True(answer.IsSuccessStatusCode, await answer.Content.ReadAsStringAsync(TestContext.Current.CancellationToken));
    }

    private Task<HttpResponseMessage> PostAsync(string path, string json) => server.Client.PostAsync(path, new StringContent(json, Encoding.UTF8, "application/json"), TestContext.Current.CancellationToken);

    private Task<HttpResponseMessage> PutAsync(string path, string json) => server.Client.PutAsync(path, new StringContent(json, Encoding.UTF8, "application/json"), TestContext.Current.CancellationToken);

    private static async Task<JsonNode> Json(HttpResponseMessage answer) => JsonNode.Parse(await answer.Content.ReadAsStringAsync(TestContext.Current.CancellationToken))!;
}
