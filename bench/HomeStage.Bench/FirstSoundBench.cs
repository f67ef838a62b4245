using System.Diagnostics;
using System.Net.Http.Json;
using System.Text.Json.Nodes;

namespace HomeStage.Bench;

/// <summary>From an edit of Night Ferry to its first sound, over HTTP: a control is turned, stored, and eight bars are asked for.</summary>
internal static class FirstSoundBench
{
    private const int Turns = 9;
    private const int FirstBytes = 48000 / 5 * 8;

    public static async Task RunAsync()
    {
        await using var server = await BenchServer.StartAsync();
        var client = server.Client;
        var id = await server.PutAsync(BenchServer.NightFerry());
        var revision = 0;
        var (first, whole) = await HearAsync(client, id, "verse");
        Medians.Say($"eight bars of Night Ferry for the first time: first sound {1000 * first:0} ms, whole with meters {1000 * whole:0} ms");
        foreach (var channel in new[] { "deep-drum", "bass", "mix-bus" })
        {
            var times = new List<(double First, double Whole)>();
            for (var turn = 0; turn < Turns; turn++, revision++)
            {
                var watch = Stopwatch.StartNew();
                await server.EditAsync(id, revision, new { type = "set-level", channel, level = -1 - turn });
                var edited = watch.Elapsed.TotalSeconds;
                var (firstSound, wholeSound) = await HearAsync(client, id, "verse");
                times.Add((edited + firstSound, edited + wholeSound));
            }

            // The first turn after another channel's still records what lies beside the new path.
            Medians.Say($"{channel} turned: first turn {1000 * times[0].First:0} ms to the first sound and {1000 * times[0].Whole:0} to the whole; then {1000 * Medians.Median([.. times.Skip(1).Select(t => t.First)]):0} and {1000 * Medians.Median([.. times.Skip(1).Select(t => t.Whole)]):0} ms (medians of {Turns - 1})");
        }
    }

    /// <returns>Seconds from asking until the first 0.2 s of sound are there, and until the meters are.</returns>
    private static async Task<(double First, double Whole)> HearAsync(HttpClient client, string id, string section)
    {
        var watch = Stopwatch.StartNew();
        var started = await client.PostAsJsonAsync("/api/renders", new { document = id, act = "mix", listenTo = (string?)null, section });
        var job = JsonNode.Parse(await started.Content.ReadAsStringAsync())!["id"]!.ToString();
        using var streamed = await client.GetAsync($"/api/renders/{job}/stream", HttpCompletionOption.ResponseHeadersRead);
        await using var sound = await streamed.Content.ReadAsStreamAsync();
        await sound.ReadExactlyAsync(new byte[FirstBytes]);
        var first = watch.Elapsed.TotalSeconds;
        await sound.CopyToAsync(Stream.Null);
        while (JsonNode.Parse(await client.GetStringAsync($"/api/renders/{job}"))!["state"]!.ToString() != "done")
            await Task.Delay(2);
        return (first, watch.Elapsed.TotalSeconds);
    }
}
