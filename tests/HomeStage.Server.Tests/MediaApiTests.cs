using System.Net;
using HomeStage.Core.Sound;
using HomeStage.Formats.Wave;

namespace HomeStage.Server.Tests;

public class MediaApiTests(RunningServer server) : IClassFixture<RunningServer>
{
    [Fact]
    public async Task Media_UploadedTwice_IsKeptOnce()
    {
        var first = await RunningServer.JsonOf(await PostAsync(Wave(0.5f), "Waves on the pier"));
        var second = await RunningServer.JsonOf(await PostAsync(Wave(0.5f), "The same under another name"));

        Assert.Equal((first["content"]!.ToString(), "Waves on the pier"), (second["content"]!.ToString(), second["title"]!.ToString()));
        Assert.Single((await server.GetAsync("/api/media")).AsArray(), m => m!["content"]!.ToString() == first["content"]!.ToString());
        Assert.Equal((48000, 2, 48000L), ((int)first["sampleRateHz"]!, (int)first["lanes"]!, (long)first["frames"]!));
    }

    [Fact]
    public async Task Media_UploadedByManyAtOnce_IsKeptOnce()
    {
        var answers = await Task.WhenAll(Enumerable.Range(0, 8).Select(i => PostAsync(Wave(0.75f), $"By {i}")));

        Assert.All(answers, a => Assert.Equal(HttpStatusCode.OK, a.StatusCode));
        var contents = await Task.WhenAll(answers.Select(async a => (await RunningServer.JsonOf(a))["content"]!.ToString()));
        Assert.Single((await server.GetAsync("/api/media")).AsArray(), m => m!["content"]!.ToString() == contents.Distinct().Single());
    }

    [Fact]
    public async Task Media_ThatIsNoWave_IsRefusedInWords()
    {
        var answer = await PostAsync("Not a sound"u8.ToArray(), "Text");

        Assert.Equal(HttpStatusCode.UnprocessableEntity, answer.StatusCode);
        Assert.Equal("not-wave", (await RunningServer.JsonOf(answer))["code"]!.ToString());
    }

    [Fact]
    public async Task Render_OfAChannelWithAnUploadedLoop_IsHeard()
    {
        var media = await RunningServer.JsonOf(await PostAsync(Wave(0.25f), "Steady"));
        var id = await server.NewTemplateAsync();
        var edited = await server.EditAsync(id, 0,
            new { type = "add-channel", channel = new { id = "loop", name = "Loop", kind = "audio", destination = "mix-bus" } },
            new { type = "put-starter", channel = "loop", starter = new { name = "Steady", sound = media, loops = true, level = 0, sections = Array.Empty<string>() } });
        Assert.Equal(HttpStatusCode.OK, edited.StatusCode);

        var job = await RunningServer.JsonOf(await server.Client.PostAsync("/api/renders",
            System.Net.Http.Json.JsonContent.Create(new { document = id, act = "mix", listenTo = (string?)null, section = (string?)null })));
        var done = await server.WaitAsync($"/api/renders/{job["id"]}");

        // A steady 0.25 is −12.04 dBFS.
        Assert.Equal(-12.04, (double)done["meters"]!["peakDbfs"]!, 0.01);
    }

    [Fact]
    public async Task Ducker_FedByAnUploadedLoop_IsMeasuredByItsSound()
    {
        var media = await RunningServer.JsonOf(await PostAsync(Wave(0.25f), "Steady"));
        var id = await server.NewTemplateAsync();
        var settings = new Dictionary<string, double> { ["threshold-db"] = -20, ["ratio"] = 4, ["knee-db"] = 0 };
        var edited = await server.EditAsync(id, 0,
            new { type = "add-channel", channel = new { id = "loop", name = "Loop", kind = "audio", destination = "mix-bus" } },
            new { type = "put-starter", channel = "loop", starter = new { name = "Steady", sound = media, loops = true, level = 0, sections = Array.Empty<string>() } },
            new { type = "add-channel", channel = new { id = "pads", name = "Pads", kind = "bus", destination = "mix-bus" } },
            new { type = "add-insert", channel = "pads", insert = new { id = "duck", processor = "compressor", settings, key = new { on = true } } },
            new { type = "put-feed", channel = "loop", feed = new { channel = "pads", insert = "duck", level = 0, tap = "pre" } });
        Assert.True(edited.IsSuccessStatusCode, await edited.Content.ReadAsStringAsync());

        var ducking = await server.GetAsync($"/api/documents/{id}/ducking?act=mix");

        // 7.96 dB over the threshold at 4:1.
        Assert.Equal((20 - 12.04) * 3 / 4, (double)ducking["duckers"]!.AsArray().Single()!["reading"]!["depthDb"]!, 0.05);
    }

    private static byte[] Wave(float value)
    {
        float[] lane = [.. Enumerable.Repeat(value, 48000)];
        using var stream = new MemoryStream();
        WaveWriter.Write(new RenderedSound(lane, lane, 48000, 0), WaveDepth.Float32, stream);
        return stream.ToArray();
    }

    private async Task<HttpResponseMessage> PostAsync(byte[] bytes, string title)
    {
        using var body = new ByteArrayContent(bytes);
        return await server.Client.PostAsync($"/api/media?title={Uri.EscapeDataString(title)}", body);
    }
}
