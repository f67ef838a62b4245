using System.IO.Compression;
using System.Net;
using System.Net.Http.Json;
using HomeStage.Server.Jobs;
using Microsoft.Extensions.DependencyInjection;

namespace HomeStage.Server.Tests;

public class StemsApiTests(RunningServer server) : IClassFixture<RunningServer>
{
    [Fact]
    public async Task Stems_OfWhatFeedsTheLastSum_AreListedBefore_RenderedOnce_AndTakenAway()
    {
        var id = await server.TemplateAsync("First Rehearsal");
        var plan = await server.GetAsync($"/api/documents/{id}/stems");
        var feeding = plan["channels"]!.AsArray().Where(c => (bool)c!["feedsTheLastSum"]!).Select(c => c!["id"]!.ToString()).ToArray();
        Assert.NotEmpty(feeding);

        var job = await StartedAsync(new { document = id, channels = feeding, depth = "int16", tailSeconds = 0.5 });
        await server.WaitAsync($"/api/stems/{job}");

        using var zip = new ZipArchive(await server.Client.GetStreamAsync($"/api/stems/{job}/file"));
        Assert.Equal(feeding.Length, zip.Entries.Count);
        var frames = Math.Round(((double)plan["seconds"]! + 0.5) * (int)plan["sampleRateHz"]!);
        // Sixteen bits of two lanes, and a header.
        Assert.All(zip.Entries, e => Assert.InRange(e.Length - 4 * frames, 40, 100));
        Assert.Equal(Enumerable.Range(1, feeding.Length).Select(n => $"{n:00}-"), zip.Entries.Select(e => e.FullName[..3]));
    }

    [Fact]
    public async Task StemsThroughTheLastSum_AreNotThoseWithoutIt()
    {
        var id = await server.NewTemplateAsync();
        var made = await server.EditAsync(id, 0,
            new { type = "make-channel", wish = new { kind = "instrument", name = "Reed organ", bare = true } }, new { type = "set-level", channel = "mix-bus", level = -6 },
            new { type = "put-pattern", channel = "reed-organ", pattern = new { name = "One", lengthTicks = 3840, notes = new[] { new { startTick = 0, lengthTicks = 960, number = 60, velocity = 100 } }, sections = Array.Empty<string>() } });
        Assert.True(made.IsSuccessStatusCode, await made.Content.ReadAsStringAsync());

        async Task<float[]> leftAsync(bool through)
        {
            var job = await StartedAsync(new { document = id, channels = new[] { "reed-organ" }, depth = "float32", tailSeconds = 0, throughLastSum = through });
            await server.WaitAsync($"/api/stems/{job}");
            using var zip = new ZipArchive(await server.Client.GetStreamAsync($"/api/stems/{job}/file"));
            using var bytes = new MemoryStream();
            await zip.Entries.Single().Open().CopyToAsync(bytes);
            return ((HomeStage.Formats.FormatResult<HomeStage.Core.Media.MediaSound>.Read)HomeStage.Formats.Wave.WaveReader.Read(bytes.ToArray())).Value.Lanes[0];
        }

        var (bare, through) = (await leftAsync(false), await leftAsync(true));
        Assert.True(bare.Max(Math.Abs) > 0.01);
        Assert.All(bare.Zip(through), x => Assert.Equal(x.First * Math.Pow(10, -6 / 20.0), x.Second, 1e-5));
    }

    [Fact]
    public async Task WhatWouldBeSilent_IsSaidBeforeAnythingIsRendered()
    {
        var id = await server.NewTemplateAsync();
        await server.EditAsync(id, 0, new { type = "make-channel", wish = new { kind = "instrument", name = "Gong", bare = true } });

        var gong = (await server.GetAsync($"/api/documents/{id}/stems"))["channels"]!.AsArray().Single(c => c!["name"]!.ToString() == "Gong")!;

        Assert.Contains("Gong", gong["silentBecause"]![0]!["name"]!.ToString(), StringComparison.Ordinal);
    }

    [Theory]
    [InlineData("int24", true)]
    [InlineData("float32", false)]
    public async Task WhatWasCutAtFullScale_IsSaidOfTheFinishedJob(string depth, bool isCut)
    {
        var id = await server.NewTemplateAsync();
        var made = await server.EditAsync(id, 0,
            new { type = "make-channel", wish = new { kind = "instrument", name = "Reed organ", bare = true } }, new { type = "set-level", channel = "reed-organ", level = 6 },
            new { type = "add-insert", channel = "reed-organ", insert = new { id = "much", processor = "gain", settings = new Dictionary<string, double> { ["gain-db"] = 24 } } },
            new { type = "put-pattern", channel = "reed-organ", pattern = new { name = "One", lengthTicks = 3840, notes = new[] { new { startTick = 0, lengthTicks = 960, number = 60, velocity = 100 } }, sections = Array.Empty<string>() } });
        Assert.True(made.IsSuccessStatusCode, await made.Content.ReadAsStringAsync());

        var job = await StartedAsync(new { document = id, channels = new[] { "reed-organ" }, depth, tailSeconds = 0 });
        var done = await server.WaitAsync($"/api/stems/{job}");

        var cut = done["cut"]!.AsArray();
        Assert.Equal(isCut ? ["Reed organ"] : [], cut.Select(c => c!["name"]!.ToString()));
        Assert.All(cut, c => Assert.InRange((double)c!["byDb"]!, 0.1, 40));
    }

    [Theory]
    [InlineData("""{"channels":["mix-bus"],"depth":"int24","tailSeconds":99}""", "The tail")]
    [InlineData("""{"channels":["nobody"],"depth":"int24","tailSeconds":1}""", "nobody")]
    [InlineData("""{"channels":[],"depth":"int24","tailSeconds":1}""", "channel")]
    public async Task WhatCannotBe_IsRefusedInWords(string wish, string words)
    {
        var id = await server.NewTemplateAsync();

        var answer = await server.Client.PostAsync("/api/stems", new StringContent(wish.Insert(1, $"\"document\":\"{id}\","), new System.Net.Http.Headers.MediaTypeHeaderValue("application/json")));

        Assert.Equal(HttpStatusCode.UnprocessableEntity, answer.StatusCode);
        Assert.Contains(words, await answer.Content.ReadAsStringAsync(), StringComparison.Ordinal);
    }

    [Fact]
    public async Task Cancelled_TheyLeaveNothingOnTheDisk()
    {
        var id = await server.TemplateAsync("Night Ferry");
        var all = (await server.GetAsync($"/api/documents/{id}/stems"))["channels"]!.AsArray().Select(c => c!["id"]!.ToString()).ToArray();
        var folder = Path.GetDirectoryName(server.Services.GetRequiredService<ScratchFolder>().Fresh())!;
        var before = Directory.GetFileSystemEntries(folder).Length;

        var job = await StartedAsync(new { document = id, channels = all, depth = "float32", tailSeconds = 30 });
        await server.Client.DeleteAsync($"/api/stems/{job}");
        await server.WaitAsync($"/api/stems/{job}", "cancelled");

        // The work ends at its next stretch.
        for (var i = 0; i < 200 && Directory.GetFileSystemEntries(folder).Length != before; i++)
            await Task.Delay(50, TestContext.Current.CancellationToken);
        Assert.Equal(before, Directory.GetFileSystemEntries(folder).Length);
    }

    private async Task<string> StartedAsync(object wish)
    {
        var answer = await server.Client.PostAsJsonAsync("/api/stems", wish);
        Assert.Equal(HttpStatusCode.Accepted, answer.StatusCode);
        return (await RunningServer.JsonOf(answer))["id"]!.ToString();
    }
}
