using System.Net;
using System.Net.Http.Json;
using System.Text.Json.Nodes;
using HomeStage.Core.Media;
using HomeStage.Formats;
using HomeStage.Formats.Wave;

namespace HomeStage.Server.Tests;

/// <summary>What helps to judge what is heard: one pad alone, another sound as loud, the levels that are expected.</summary>
public class ListeningApiTests(RunningServer server) : IClassFixture<RunningServer>
{
    [Fact]
    public async Task Audition_OfAPieceOfTheKit_IsAWaveOfItAlone()
    {
        var id = await server.TemplateAsync("First Rehearsal");

        var answer = await AuditionAsync(id, "breakwater", 36);

        Assert.Equal("audio/wav", answer.Content.Headers.ContentType?.MediaType);
        var sound = ((FormatResult<MediaSound>.Read)WaveReader.Read(await answer.Content.ReadAsByteArrayAsync())).Value;
        Assert.Equal((2, 48000), (sound.Lanes.Count, sound.SampleRateHz));
        Assert.True(sound.Lanes[0].Max() > 0.05);
        // A struck drum begins at once and has rung out.
        Assert.True(sound.Lanes[0].Take(4800).Max(Math.Abs) > sound.Lanes[0].TakeLast(4800).Max(Math.Abs) * 20);
    }

    [Theory]
    [InlineData("vocal-nobody", 60, "unknown-channel")]
    [InlineData("mix-bus", 60, "wrong-place")]
    [InlineData("breakwater", 400, "out-of-range")]
    public async Task Audition_OfWhatCannotBe_IsRefused(string channel, int note, string code)
    {
        var answer = await AuditionAsync(await server.TemplateAsync("First Rehearsal"), channel, note);

        Assert.Equal(HttpStatusCode.UnprocessableEntity, answer.StatusCode);
        Assert.Equal(code, (await RunningServer.JsonOf(answer))["code"]!.ToString());
    }

    [Fact]
    public async Task Match_OfTwoRenders_TurnsTheLouderDownToTheOther()
    {
        var (drums, bass) = (await RenderAsync("drums"), await RenderAsync("undertow"));

        var match = await server.GetAsync($"/api/renders/{drums["id"]}/match?other={bass["id"]}");

        var (first, second) = ((double)drums["meters"]!["loudnessLufs"]!, (double)bass["meters"]!["loudnessLufs"]!);
        Assert.Equal(first + (double)match["firstDb"]!, second + (double)match["secondDb"]!, 1e-9);
        Assert.Equal(0, Math.Max((double)match["firstDb"]!, (double)match["secondDb"]!));
        Assert.Equal(HttpStatusCode.NotFound, (await server.Client.GetAsync($"/api/renders/{drums["id"]}/match?other=nothing")).StatusCode);
    }

    [Fact]
    public async Task Levels_ArePredictedForAllOnStage_WithTheGainToTheTarget()
    {
        var id = await server.TemplateAsync("First Rehearsal");

        var budget = await server.GetAsync($"/api/documents/{id}/levels?act=write&target=-16");

        var mix = budget["levels"]!.AsArray().Single(l => l!["channel"]!.ToString() == "mix-bus")!;
        Assert.Equal(-16 - (double)mix["expectedLufs"]!, (double)budget["gainDb"]!["mix-bus"]!, 1e-9);
        Assert.True((double)mix["worstLufs"]! > (double)mix["expectedLufs"]!);
        Assert.Equal(HttpStatusCode.NotFound, (await server.Client.GetAsync($"/api/documents/{id}/levels?act=encore")).StatusCode);
        Assert.Equal(HttpStatusCode.UnprocessableEntity, (await server.Client.GetAsync($"/api/documents/{id}/levels?act=write&target=7")).StatusCode);
    }

    [Fact]
    public async Task MetersInFull_AreThereForEveryChannelWhenAskedFor()
    {
        var job = await RenderAsync("drums", true);

        var kick = job["meters"]!["channels"]!.AsArray().Single(c => c!["channel"]!.ToString() == "kick")!["full"]!;
        Assert.InRange((double)kick["loudnessLufs"]!, -60, 0);
        Assert.Equal(30, kick["thirdOctavesDb"]!.AsArray().Count);
    }

    private async Task<HttpResponseMessage> AuditionAsync(string document, string channel, int note) =>
        await server.Client.PostAsJsonAsync("/api/auditions", new { document, act = "write", channel, note, velocity = 100 });

    private async Task<JsonNode> RenderAsync(string listenTo, bool metersInFull = false)
    {
        var document = await server.TemplateAsync("First Rehearsal");
        var started = await server.Client.PostAsJsonAsync("/api/renders", new { document, act = "write", listenTo, section = "chorus", metersInFull });
        return await server.WaitAsync($"/api/renders/{(await RunningServer.JsonOf(started))["id"]}");
    }
}
