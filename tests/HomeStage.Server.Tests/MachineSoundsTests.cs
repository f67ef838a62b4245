using System.Net;
using System.Net.Http.Json;
using System.Text.Json.Nodes;
using HomeStage.Server.Data.Sounds;
using Microsoft.Extensions.DependencyInjection;
using NAudio.Wave;

namespace HomeStage.Server.Tests;

/// <summary>A machine of sounds: what waits is kept once it is used, and two sides become one sound.</summary>
public class MachineSoundsTests(RunningServer server) : IClassFixture<RunningServer>
{
    [Fact]
    public async Task Machine_OfTwoSides_KeepsOneSoundWithBoth_AndNothingElse()
    {
        float[] left = [0.5f, -0.25f, 0.125f], right = [-1f, 0.75f];
        var sounds = new JsonArray(await WaitingAsync("Cymbal L.wav", left), await WaitingAsync("Cymbal R.wav", right));
        var id = await server.NewTemplateAsync();
        Assert.Empty((await server.GetAsync("/api/media")).AsArray());

        var machine = await RunningServer.JsonOf(await MakeAsync(id, sounds));
        var edited = await server.EditAsync(id, 0, [.. machine["edits"]!.AsArray().Select(e => (object)e!)]);

        Assert.Equal(HttpStatusCode.OK, edited.StatusCode);
        var kept = Assert.Single((await server.GetAsync("/api/media")).AsArray())!;
        Assert.Equal((2, 3, 44100), ((int)kept["lanes"]!, (int)kept["frames"]!, (int)kept["sampleRateHz"]!));
        var heard = server.Services.GetRequiredService<MediaStore>().Find(kept["content"]!.ToString())!;
        Assert.Equal(left, heard.Lanes[0]);
        Assert.Equal([.. right, 0f], heard.Lanes[1]);
    }

    [Fact]
    public async Task Machine_OfSoundsThatAreNotHere_IsMadeOfTheOthers_AndSaysSo()
    {
        var id = await server.NewTemplateAsync();
        var sounds = new JsonArray(Unknown("Gong L.wav", 'a'), await WaitingAsync("Kick.wav", [0.5f]));

        var machine = await RunningServer.JsonOf(await MakeAsync(id, sounds));

        Assert.Equal("Gong L.wav: is not here any more; bring it again", Assert.Single(machine["notUnderstood"]!.AsArray())!.ToString());
        Assert.Equal("Kick", Assert.Single(machine["pieces"]!.AsArray())!["name"]!.ToString());
    }

    [Fact]
    public async Task Waiting_ThatIsNoSound_IsRefusedInWords()
    {
        using var body = new ByteArrayContent("RIFF....WAVE"u8.ToArray());
        var answer = await server.Client.PostAsync("/api/media/waiting?title=Odd", body);

        Assert.Equal(HttpStatusCode.UnprocessableEntity, answer.StatusCode);
        Assert.NotEmpty((await RunningServer.JsonOf(answer))["detail"]!.ToString());
    }

    private static JsonNode Unknown(string path, char digit) =>
        new JsonObject { ["path"] = path, ["sound"] = new JsonObject { ["content"] = new string(digit, 64), ["title"] = path, ["sampleRateHz"] = 44100, ["lanes"] = 1, ["frames"] = 10 } };

    private Task<HttpResponseMessage> MakeAsync(string id, JsonArray sounds) => server.Client.PostAsJsonAsync($"/api/documents/{id}/machines", new
    {
        name = "Box",
        list = "",
        jacks = 4,
        inPairs = true,
        outputNames = Array.Empty<string>(),
        firstReserved = true,
        monoSharesPairs = false,
        notesFrom = (int?)null,
        splitOver = (int?)null,
        under = (string?)null,
        sounds,
        allSounds = false,
    });

    private async Task<JsonNode> WaitingAsync(string path, float[] samples)
    {
        using var file = new MemoryStream();
        using (var writer = new WaveFileWriter(file, WaveFormat.CreateIeeeFloatWaveFormat(44100, 1)))
            writer.WriteSamples(samples, 0, samples.Length);
        using var body = new ByteArrayContent(file.ToArray());
        var sound = await RunningServer.JsonOf(await server.Client.PostAsync($"/api/media/waiting?title={Uri.EscapeDataString(path)}", body));
        return new JsonObject { ["path"] = path, ["sound"] = sound };
    }
}
