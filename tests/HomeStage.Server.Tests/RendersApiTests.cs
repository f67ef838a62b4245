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
    [InlineData("Night Ferry", "Verse")]
    [InlineData("First Rehearsal", "Chorus")]
    public async Task Render_HasTheLoudnessThatFfmpegMeasures(string template, string section)
    {
        var job = await RenderAsync(template, new { section });

        var audio = await server.Client.GetByteArrayAsync($"/api/renders/{job["id"]}/audio?bits=24");

        Assert.Equal(FfmpegIntegratedLufs(audio), (double)job["meters"]!["loudnessLufs"]!, 0.1);
    }

    [Fact]
    public async Task Render_OfTheSameAgain_IsTheSameJob_AndAnEditMakesAnother()
    {
        var id = await server.TemplateAsync("First Rehearsal");
        var first = await RenderAsync("First Rehearsal", new { section = "Verse" });
        var again = await RenderAsync("First Rehearsal", new { section = "Verse" });
        Assert.Equal(first["id"]!.ToString(), again["id"]!.ToString());

        var revision = (int)(await server.GetAsync($"/api/templates/{id}"))["head"]!["revision"]!;
        await server.EditAsync(id, revision, new { type = "set-level", channel = "drums", level = -9 });
        var after = await RenderAsync("First Rehearsal", new { section = "Verse" });

        Assert.NotEqual(first["id"]!.ToString(), after["id"]!.ToString());
        Assert.NotEqual((double)first["meters"]!["loudnessLufs"]!, (double)after["meters"]!["loudnessLufs"]!);
    }

    [Fact]
    public async Task Render_OfOneChannel_IsThatChannel()
    {
        var all = await RenderAsync("Night Ferry", new { section = "Intro" });
        var bass = await RenderAsync("Night Ferry", new { section = "Intro", listenTo = "bass" });

        Assert.True((double)bass["meters"]!["peakDbfs"]! < (double)all["meters"]!["peakDbfs"]!);
        Assert.Equal(1200, bass["meters"]!["outline"]!.AsArray().Count);
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

        var answer = await server.Client.PostAsJsonAsync("/api/renders", new { kind = "template", document = id, act, listenTo, section = (string?)null });

        Assert.Equal(code, (await RunningServer.JsonOf(answer))["code"]!.ToString());
    }

    private async Task<JsonNode> RenderAsync(string template, object more)
    {
        var job = await StartAsync(template, more);
        return await server.WaitAsync($"/api/renders/{job["id"]}");
    }

    private async Task<JsonNode> StartAsync(string template, object more)
    {
        var asked = new JsonObject { ["kind"] = "template", ["document"] = await server.TemplateAsync(template), ["act"] = "write", ["listenTo"] = null, ["section"] = null };
        foreach (var property in more.GetType().GetProperties())
            asked[property.Name] = (string?)property.GetValue(more);
        var answer = await server.Client.PostAsJsonAsync("/api/renders", asked);
        Assert.Equal(HttpStatusCode.Accepted, answer.StatusCode);
        return await RunningServer.JsonOf(answer);
    }

    /// <summary>The last frame's metadata, which has three decimals where the summary has one.</summary>
    private static double FfmpegIntegratedLufs(byte[] wave)
    {
        var file = Path.Combine(Path.GetTempPath(), $"{Guid.NewGuid():N}.wav");
        File.WriteAllBytes(file, wave);
        try
        {
            using var process = Process.Start(new ProcessStartInfo("ffmpeg",
                ["-hide_banner", "-nostats", "-loglevel", "error", "-i", file, "-af", "ebur128=metadata=1,ametadata=print:key=lavfi.r128.I:file=-", "-f", "null", "-"])
            { RedirectStandardOutput = true, UseShellExecute = false })!;
            var said = process.StandardOutput.ReadToEnd();
            process.WaitForExit();
            Assert.Equal(0, process.ExitCode);
            return double.Parse(Integrated().Matches(said)[^1].Groups["lufs"].Value, CultureInfo.InvariantCulture);
        }
        finally
        {
            File.Delete(file);
        }
    }

    [GeneratedRegex(@"lavfi\.r128\.I=(?<lufs>-?[\d.]+)", RegexOptions.ExplicitCapture, 1000)]
    private static partial Regex Integrated();
}
