using System.Net;
using System.Text.Json.Nodes;
using HomeStage.Server.Data.Sounds;
using Microsoft.Extensions.DependencyInjection;

namespace HomeStage.Server.Tests;

public class PrintsApiTests(RunningServer server) : IClassFixture<RunningServer>
{
    [Fact]
    public async Task Instruments_ArePrintedByOneRender_LaidDownByOneBatch_AndTakenBack()
    {
        var id = await server.TemplateAsync("First Rehearsal");
        var act = (await server.GetAsync($"/api/documents/{id}"))["head"]!["acts"]![0]!["id"]!.ToString();
        var plan = await server.GetAsync($"/api/documents/{id}/prints?act={act}");
        var able = plan["channels"]!.AsArray().Where(c => c!["silentBecause"]!.AsArray().Count == 0).ToList();
        Assert.True(able.Count > 1);

        var job = await StartedAsync(new { document = id, act, channels = able.ConvertAll(c => c!["id"]!.ToString()), depth = "int24", tailSeconds = 0.5, playing = true });
        await server.WaitAsync($"/api/prints/{job}");
        var printed = await server.GetAsync($"/api/prints/{job}/edits");
        // Nothing is on the shelf before it is used.
        var sounds = printed["edits"]!.AsArray().Where(e => e!["type"]!.ToString() == "put-starter").Select(e => e!["starter"]!["sound"]!).ToList();
        var media = server.Services.GetRequiredService<MediaStore>();
        Assert.All(sounds, s => Assert.False(media.IsHere(s["content"]!.ToString())));

        var revision = (int)(await server.GetAsync($"/api/documents/{id}"))["head"]!["revision"]!;
        var answer = await server.EditAsync(id, revision, [.. printed["edits"]!.AsArray().Select(e => (object)e!.DeepClone())]);
        Assert.True(answer.IsSuccessStatusCode, await answer.Content.ReadAsStringAsync());

        // Pads that no pattern strikes are silent, which is known once they are rendered; no others are.
        var silent = sounds.Where(s => media.Find(s["content"]!.ToString())!.Lanes.All(l => l.All(x => Math.Abs(x) < 1e-4))).Select(s => s["title"]!.ToString()["Print of ".Length..]).ToList();
        Assert.InRange(silent.Count, 1, sounds.Count - 1);
        Assert.Equal(silent, printed["silent"]!.AsArray().Select(s => s!.ToString()));
        var frames = Math.Round(((double)plan["seconds"]! + 0.5) * (int)plan["sampleRateHz"]!);
        Assert.All(sounds, s => Assert.Equal(frames, (double)s["frames"]!));
        Assert.Equal(able.Select(c => (int)c!["lanes"]!), sounds.Select(s => (int)s["lanes"]!));
        var after = await server.GetAsync($"/api/documents/{id}/prints?act={act}");
        Assert.All(after["channels"]!.AsArray().Where(c => able.Any(a => a!["id"]!.ToString() == c!["id"]!.ToString())), c => Assert.True((bool)c!["isPrinted"]! && (bool)c["playsPrint"]!));
    }

    [Fact]
    public async Task WhatWouldBeSilent_IsSaidBefore_AndNamedAfterwards()
    {
        var id = await server.NewTemplateAsync();
        await server.EditAsync(id, 0, new { type = "make-channel", wish = new { kind = "instrument", name = "Gong", bare = true } });
        var gong = (await server.GetAsync($"/api/documents/{id}/prints?act=mix"))["channels"]!.AsArray().Single()!;
        Assert.Contains("Gong", gong["silentBecause"]![0]!["name"]!.ToString(), StringComparison.Ordinal);

        // Dither of sixteen bits is no sound.
        var job = await StartedAsync(new { document = id, act = "mix", channels = new[] { gong["id"]!.ToString() }, depth = "int16", tailSeconds = 0 });
        await server.WaitAsync($"/api/prints/{job}");

        Assert.Equal(["Gong"], (await server.GetAsync($"/api/prints/{job}/edits"))["silent"]!.AsArray().Select(s => s!.ToString()));
    }

    [Fact]
    public async Task TheOutputsOfAnInstrument_StandUnderIt_WhereverTheyFeed()
    {
        var id = await server.TemplateAsync("Night Ferry");
        var rows = await server.GetAsync($"/api/documents/{id}");
        var act = rows["head"]!["acts"]![0]!["id"]!.ToString();
        var players = rows["channels"]!.AsArray().Select(r => r!["channel"]!).Where(c => c["source"]?["type"]?.ToString() == "output").ToDictionary(c => c["id"]!.ToString(), c => c["source"]!["instrument"]!.ToString());
        var listed = (await server.GetAsync($"/api/documents/{id}/prints?act={act}"))["channels"]!.AsArray().Select(c => (Id: c!["id"]!.ToString(), Depth: (int)c["depth"]!)).ToList();

        var player = "";
        foreach (var (channel, depth) in listed)
        {
            Assert.Equal(players.ContainsKey(channel) ? 1 : 0, depth);
            if (depth == 1)
                Assert.Equal(players[channel], player);
            else
                player = channel;
        }

        Assert.Contains(listed, c => c.Depth == 1);
        Assert.Equal(listed.Count, listed.DistinctBy(c => c.Id).Count());
    }

    [Theory]
    [InlineData("""{"act":"mix","channels":["mix-bus"],"tailSeconds":1}""", "nothing to print")]
    [InlineData("""{"act":"mix","channels":["nobody"],"tailSeconds":1}""", "nobody")]
    [InlineData("""{"act":"mix","channels":[],"tailSeconds":1}""", "shall be printed")]
    [InlineData("""{"act":"mix","channels":["mix-bus"],"tailSeconds":31}""", "The tail")]
    [InlineData("""{"act":"afternoon","channels":["mix-bus"],"tailSeconds":1}""", "afternoon")]
    public async Task WhatCannotBe_IsRefusedInWords(string wish, string words)
    {
        var id = await server.NewTemplateAsync();

        var answer = await server.Client.PostAsync("/api/prints", new StringContent(wish.Insert(1, $"\"document\":\"{id}\","), new System.Net.Http.Headers.MediaTypeHeaderValue("application/json")));

        Assert.Equal(HttpStatusCode.UnprocessableEntity, answer.StatusCode);
        Assert.Contains(words, await answer.Content.ReadAsStringAsync(), StringComparison.Ordinal);
    }

    [Fact]
    public async Task APrintThatIsTooLarge_IsRefusedBefore()
    {
        var id = await server.NewTemplateAsync();
        await server.EditAsync(id, 0, new { type = "make-channel", wish = new { kind = "instrument", name = "Drone", bare = true } }, new { type = "set-timeline", timeline = new { tempoBpm = 30, meter = new { beats = 4, unit = 4 }, sections = new[] { new { name = "Long", bars = 110 } } } });
        var drone = (await server.GetAsync($"/api/documents/{id}/prints?act=mix"))["channels"]![0]!["id"]!.ToString();

        var answer = await server.Client.PostAsync("/api/prints", System.Net.Http.Json.JsonContent.Create(new { document = id, act = "mix", channels = new[] { drone } }));

        Assert.Equal(HttpStatusCode.UnprocessableEntity, answer.StatusCode);
        Assert.Contains("MB", (await RunningServer.JsonOf(answer)).ToJsonString(), StringComparison.Ordinal);
    }

    [Fact]
    public async Task AChannelThatTakesNoMoreSounds_IsSaidBeforeAnythingIsRendered()
    {
        var id = await server.NewTemplateAsync();
        await server.EditAsync(id, 0, new { type = "make-channel", wish = new { kind = "instrument", name = "Drone", bare = true } }, new { type = "add-print-twin", channel = "drone" });
        var loops = Enumerable.Range(1, 32).Select(n => (object)new { type = "put-starter", channel = "drone-print", starter = new { name = $"Loop {n}", sound = new { content = new string('a', 64), title = "Loop", sampleRateHz = 48000, lanes = 2, frames = 480 }, loops = true, level = 0, sections = Array.Empty<string>() } });
        Assert.True((await server.EditAsync(id, 1, [.. loops])).IsSuccessStatusCode);

        var answer = await server.Client.PostAsync("/api/prints", System.Net.Http.Json.JsonContent.Create(new { document = id, act = "mix", channels = new[] { "drone" } }));

        Assert.Equal(HttpStatusCode.UnprocessableEntity, answer.StatusCode);
        Assert.Contains("Drone print", (await RunningServer.JsonOf(answer)).ToJsonString(), StringComparison.Ordinal);
    }

    private async Task<string> StartedAsync(object wish)
    {
        var answer = await server.Client.PostAsync("/api/prints", System.Net.Http.Json.JsonContent.Create(wish));
        Assert.Equal(HttpStatusCode.Accepted, answer.StatusCode);
        return JsonNode.Parse(await answer.Content.ReadAsStringAsync())!["id"]!.ToString();
    }
}
