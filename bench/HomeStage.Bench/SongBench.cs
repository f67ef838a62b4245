using System.Diagnostics;
using System.Net.Http.Json;

namespace HomeStage.Bench;

/// <summary>From the press on "Start a song" to the song that can be edited, over HTTP.</summary>
internal static class SongBench
{
    private const int Songs = 21;

    public static async Task RunAsync()
    {
        await using var server = await BenchServer.StartAsync();
        var template = await server.PutAsync(BenchServer.NightFerry());
        var times = new List<double>();
        for (var song = 0; song < Songs; song++)
        {
            var watch = Stopwatch.StartNew();
            var answer = await server.Client.PostAsJsonAsync("/api/songs", new { templateId = template, title = $"Song {song}", tempoBpm = 96, key = (object?)null });
            answer.EnsureSuccessStatusCode();
            await server.Client.GetByteArrayAsync(answer.Headers.Location);
            times.Add(watch.Elapsed.TotalSeconds);
        }

        Medians.Say($"a song of Night Ferry, started and read: first {1000 * times[0]:0} ms, then {1000 * Medians.Median(times.Skip(1)):0.0} ms (p95 {1000 * Medians.Percentile(times.Skip(1), 0.95):0.0})");
    }
}
