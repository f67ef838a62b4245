using System.Diagnostics;
using System.Net.Http.Json;
using System.Text.Json.Nodes;

namespace HomeStage.Bench;

/// <summary>The time of one edit over HTTP, stored, in templates of three sizes.</summary>
internal static class EditBench
{
    private const int Edits = 200;

    public static async Task RunAsync()
    {
        await using var server = await BenchServer.StartAsync();
        await MeasureAsync(server, 10);
        foreach (var channels in new[] { 10, 100, 1000 })
        {
            var (level, move) = (await MeasureAsync(server, channels), await MeasureAsync(server, channels, moves: true));
            Medians.Say($"{channels} channels: a level {1000 * Medians.Median(level):0.0} ms (p95 {1000 * Medians.Percentile(level, 0.95):0.0}), a move {1000 * Medians.Median(move):0.0} ms (p95 {1000 * Medians.Percentile(move, 0.95):0.0})");
        }

        await MeasureWhileRenderingAsync(server);
    }

    /// <summary>Edits of 100 channels while two others of that size are asked to be rendered, again and again.</summary>
    private static async Task MeasureWhileRenderingAsync(BenchServer server)
    {
        using var stop = new CancellationTokenSource();
        var renders = Enumerable.Range(0, 2).Select(_ => RenderOnAsync(server, stop.Token)).ToArray();
        await Task.Delay(500);
        var level = await MeasureAsync(server, 100);
        await stop.CancelAsync();
        var rendered = (await Task.WhenAll(renders)).Sum();
        Medians.Say($"100 channels while two renders run ({rendered:0} s of sound meanwhile): a level {1000 * Medians.Median(level):0.0} ms (p95 {1000 * Medians.Percentile(level, 0.95):0.0})");
    }

    /// <returns>Seconds of sound that were rendered.</returns>
    private static async Task<double> RenderOnAsync(BenchServer server, CancellationToken stop)
    {
        var seconds = 0.0;
        var id = await server.PutAsync(BenchServer.NightFerry());
        for (var revision = 0; !stop.IsCancellationRequested; revision++)
        {
            // Each render is in another key, so that nothing is answered from what is known or played from tape.
            await server.EditAsync(id, revision, new { type = "set-musical-key", key = new { fifths = revision % 15 - 7, minor = revision % 2 == 0 } });
            var started = await server.Client.PostAsJsonAsync("/api/renders", new { document = id, act = "write", listenTo = (string?)null, section = (string?)null }, CancellationToken.None);
            var job = JsonNode.Parse(await started.Content.ReadAsStringAsync(CancellationToken.None))!;
            var streamed = await server.Client.GetByteArrayAsync($"/api/renders/{job["id"]}/stream", CancellationToken.None);
            seconds += streamed.Length / 8.0 / 48000;
        }

        return seconds;
    }

    private static async Task<List<double>> MeasureAsync(BenchServer server, int channels, bool moves = false)
    {
        var id = await server.PutAsync(SizedTemplates.Of(channels));
        var times = new List<double>();
        for (var revision = 0; revision < Edits; revision++)
        {
            object edit = moves
                ? new { type = "move-channel", channel = "c1", destination = revision % 2 == 0 ? "b1" : "b0", before = (string?)null }
                : new { type = "set-level", channel = "c1", level = -(revision % 40) };
            var watch = Stopwatch.StartNew();
            await server.EditAsync(id, revision, edit);
            times.Add(watch.Elapsed.TotalSeconds);
        }

        return times;
    }
}
