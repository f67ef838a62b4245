using System.Diagnostics;
using System.Globalization;
using System.Net;
using System.Net.Http.Json;
using System.Text.Json.Nodes;
using System.Text.RegularExpressions;

namespace HomeStage.Server.Tests;

public partial class RendersApiTests(RunningServer server) : IClassFixture<RunningServer>
{
    [Theory]
    [InlineData("Night Ferry", "intro")]
    [InlineData("First Rehearsal", "verse")]
    public async Task Render_HasTheLoudnessAndTruePeakThatFfmpegMeasures(string template, string section)
    {
        var job = await RenderAsync(template, new { section });

        var audio = await server.Client.GetByteArrayAsync($"/api/renders/{job["id"]}/audio?bits=24");

        var (lufs, dbtp) = FfmpegMeters(audio);
        Assert.Equal(lufs, (double)job["meters"]!["loudnessLufs"]!, 0.1);
        Assert.Equal(dbtp, (double)job["meters"]!["truePeakDbtp"]!, 0.2);
    }

    [Fact]
    public async Task Render_OfTheSameAgain_IsTheSameWork_AndAnEditMakesAnother()
    {
        var id = await server.TemplateAsync("First Rehearsal");
        var first = await RenderAsync("First Rehearsal", new { section = "verse" });
        var again = await RenderAsync("First Rehearsal", new { section = "verse" });
        Assert.Equal(first["workId"]!.ToString(), again["workId"]!.ToString());

        var revision = (int)(await server.GetAsync($"/api/documents/{id}"))["head"]!["revision"]!;
        await server.EditAsync(id, revision, new { type = "set-level", channel = "drums", level = -9 });
        var after = await RenderAsync("First Rehearsal", new { section = "verse" });

        Assert.NotEqual(first["workId"]!.ToString(), after["workId"]!.ToString());
        Assert.NotEqual((double)first["meters"]!["loudnessLufs"]!, (double)after["meters"]!["loudnessLufs"]!);
    }

    [Fact]
    public async Task Render_AfterAnEditThatChangesNoSample_IsTheSameWork()
    {
        var id = await server.TemplateAsync("First Rehearsal");
        var first = await RenderAsync("First Rehearsal", new { section = "chorus", listenTo = "drums" });
        var revision = (int)(await server.GetAsync($"/api/documents/{id}"))["head"]!["revision"]!;
        await server.EditAsync(id, revision, new { type = "set-note", channel = "drums", note = "Hit hard" });
        await server.EditAsync(id, revision + 1, new { type = "set-level", channel = "undertow", level = -9 });

        var after = await RenderAsync("First Rehearsal", new { section = "chorus", listenTo = "drums" });

        Assert.Equal(first["workId"]!.ToString(), after["workId"]!.ToString());
    }

    [Fact]
    public async Task Render_OfOneChannel_IsThatChannel()
    {
        var all = await RenderAsync("Night Ferry", new { section = "intro" });
        var bass = await RenderAsync("Night Ferry", new { section = "intro", listenTo = "bass" });

        Assert.True((double)bass["meters"]!["peakDbfs"]! < (double)all["meters"]!["peakDbfs"]!);
        Assert.Equal(1200, bass["meters"]!["outline"]!.AsArray().Count);
    }

    [Fact]
    public async Task Stream_IsTheSoundOfTheFinishedRender()
    {
        var job = await StartAsync("First Rehearsal", new { section = "verse" });
        using var answer = await server.Client.GetAsync($"/api/renders/{job["id"]}/stream");
        var streamed = await answer.Content.ReadAsByteArrayAsync();
        await server.WaitAsync($"/api/renders/{job["id"]}");

        // A WAVE file of 32-bit floating point holds the same bytes behind its header.
        var wave = await server.Client.GetByteArrayAsync($"/api/renders/{job["id"]}/audio");
        Assert.Equal(wave[^streamed.Length..], streamed);
        Assert.Equal($"{streamed.Length / 8}", answer.Headers.GetValues("Sound-Frames").Single());
        Assert.Equal("48000", answer.Headers.GetValues("Sound-Rate").Single());
    }

    [Fact]
    public async Task Render_OfAKey_IsWhatTheDetectorHears_AndOfNoKeyIsRefused()
    {
        var heard = await RenderAsync("Night Ferry", new { section = "verse", listenTo = "bass", point = "feeding" });
        Assert.NotNull(heard["meters"]!["peakDbfs"]);

        var id = await server.TemplateAsync("Night Ferry");
        var refused = await server.Client.PostAsJsonAsync("/api/renders", new { document = id, act = "write", listenTo = "bass", section = (string?)null, point = "key", insert = "nobody" });
        Assert.Equal("missing", (await RunningServer.JsonOf(refused))["code"]!.ToString());
    }

    [Fact]
    public async Task Render_KeptAsASound_IsOnTheShelfOnce_AsLongAsItWas()
    {
        var job = await RenderAsync("First Rehearsal", new { section = "verse" });

        var kept = await RunningServer.JsonOf(await server.Client.PostAsync($"/api/renders/{job["id"]}/keep?title=The%20verse", null));
        var again = await RunningServer.JsonOf(await server.Client.PostAsync($"/api/renders/{job["id"]}/keep?title=Another", null));

        Assert.Equal(("The verse", 2, 48000), (kept["title"]!.ToString(), (int)kept["lanes"]!, (int)kept["sampleRateHz"]!));
        Assert.Equal((long)job["frames"]!, (long)kept["frames"]!);
        Assert.Equal(kept["content"]!.ToString(), again["content"]!.ToString());
        Assert.Single((await server.GetAsync("/api/media")).AsArray(), m => m!["content"]!.ToString() == kept["content"]!.ToString());
        Assert.Equal(HttpStatusCode.NotFound, (await server.Client.PostAsync("/api/renders/nothing/keep?title=x", null)).StatusCode);
    }

    [Fact]
    public async Task Render_TellsTheChannelsOnTheWay()
    {
        var meters = (await RenderAsync("Night Ferry", new { section = "intro" }))["meters"]!;

        Assert.Contains(meters["channels"]!.AsArray(), c => c!["channel"]!.ToString() == "bass" && c["rmsDbfs"] is not null);
        Assert.Contains(meters["channels"]!.AsArray(), c => c!["reductions"]!.AsArray().Any(r => (double)r!["largestDb"]! > 0.5));
        Assert.Equal(30, meters["thirdOctavesDb"]!.AsArray().Count);
    }

    [Fact]
    public async Task Render_WhenCancelled_EndsSoon_AndHasNoSound()
    {
        var job = await StartAsync("Night Ferry", new { act = "record" });

        Assert.Equal(HttpStatusCode.NoContent, (await server.Client.DeleteAsync($"/api/renders/{job["id"]}")).StatusCode);

        await server.WaitAsync($"/api/renders/{job["id"]}", until: "cancelled");
        Assert.Equal(HttpStatusCode.NotFound, (await server.Client.GetAsync($"/api/renders/{job["id"]}/audio")).StatusCode);
    }

    [Theory]
    [InlineData("chorus-1", "write", "wrong-place")]
    [InlineData("nobody", "write", "unknown-channel")]
    [InlineData("bass", "rest", "missing")]
    public async Task Render_OfWhatCannotBeHeard_IsRefusedInWords(string listenTo, string act, string code)
    {
        var id = await server.TemplateAsync("Night Ferry");

        var answer = await server.Client.PostAsJsonAsync("/api/renders", new { document = id, act, listenTo, section = (string?)null });

        Assert.Equal(code, (await RunningServer.JsonOf(answer))["code"]!.ToString());
    }

    private async Task<JsonNode> RenderAsync(string template, object more)
    {
        var job = await StartAsync(template, more);
        return await server.WaitAsync($"/api/renders/{job["id"]}");
    }

    private async Task<JsonNode> StartAsync(string template, object more)
    {
        var asked = new JsonObject { ["document"] = await server.TemplateAsync(template), ["act"] = "write", ["listenTo"] = null, ["section"] = null };
        foreach (var property in more.GetType().GetProperties())
            asked[property.Name] = (string?)property.GetValue(more);
        var answer = await server.Client.PostAsJsonAsync("/api/renders", asked);
        Assert.Equal(HttpStatusCode.Accepted, answer.StatusCode);
        return await RunningServer.JsonOf(answer);
    }

    /// <summary>The last frame's metadata, which has three decimals where the summary has one.</summary>
    private static (double Lufs, double Dbtp) FfmpegMeters(byte[] wave)
    {
        var file = Path.Combine(Path.GetTempPath(), $"{Guid.NewGuid():N}.wav");
        File.WriteAllBytes(file, wave);
        try
        {
            using var process = Process.Start(new ProcessStartInfo("ffmpeg",
                ["-hide_banner", "-nostats", "-loglevel", "error", "-i", file, "-af", "ebur128=peak=true:metadata=1,ametadata=print:file=-", "-f", "null", "-"])
            { RedirectStandardOutput = true, UseShellExecute = false })!;
            var said = process.StandardOutput.ReadToEnd();
            process.WaitForExit();
            Assert.Equal(0, process.ExitCode);
            double Last(Regex which) => double.Parse(which.Matches(said)[^1].Groups["value"].Value, CultureInfo.InvariantCulture);
            return (Last(Integrated()), 20 * Math.Log10(Last(TruePeak())));
        }
        finally
        {
            File.Delete(file);
        }
    }

    [GeneratedRegex(@"lavfi\.r128\.I=(?<value>-?[\d.]+)", RegexOptions.ExplicitCapture, 1000)]
    private static partial Regex Integrated();

    /// <summary>An amplitude, not dB.</summary>
    [GeneratedRegex(@"lavfi\.r128\.true_peak=(?<value>[\d.]+)", RegexOptions.ExplicitCapture, 1000)]
    private static partial Regex TruePeak();
}
