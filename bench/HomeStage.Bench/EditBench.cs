using System.Diagnostics;
using System.Net.Http.Json;
using System.Text.Json.Nodes;
using HomeStage.Core.Templates;
using HomeStage.Core.Templates.Edits;
using HomeStage.Formats.Documents;
using HomeStage.Server.Demo;
using HomeStage.Server.Hosting;

namespace HomeStage.Bench;

/// <summary>The time of one edit over HTTP, stored, in templates of three sizes.</summary>
internal static class EditBench
{
    private const int Edits = 200;

    public static async Task RunAsync()
    {
        var data = Directory.CreateTempSubdirectory("home-stage-bench-").FullName;
        var options = new ServerOptions(0, data, data, Demo: false, WriteOpenApi: null);
        await using (var app = StageApp.Build(options))
        {
            await StageApp.PrepareAsync(app, options);
            await app.StartAsync();
            using var client = new HttpClient { BaseAddress = new(app.Urls.First()) };
            await MeasureAsync(client, 10);
            foreach (var channels in new[] { 10, 100, 1000 })
            {
                var (level, move) = (await MeasureAsync(client, channels), await MeasureAsync(client, channels, moves: true));
                Medians.Say($"{channels} channels: a level {1000 * Medians.Median(level):0.0} ms (p95 {1000 * Medians.Percentile(level, 0.95):0.0}), a move {1000 * Medians.Median(move):0.0} ms (p95 {1000 * Medians.Percentile(move, 0.95):0.0})");
            }

            await MeasureWhileRenderingAsync(client);
        }

        Microsoft.Data.Sqlite.SqliteConnection.ClearAllPools();
        Directory.Delete(data, recursive: true);
    }

    /// <summary>Edits of 100 channels while two others of that size are asked to be rendered, again and again.</summary>
    private static async Task MeasureWhileRenderingAsync(HttpClient client)
    {
        using var stop = new CancellationTokenSource();
        var renders = Enumerable.Range(0, 2).Select(_ => RenderOnAsync(client, stop.Token)).ToArray();
        await Task.Delay(500);
        var level = await MeasureAsync(client, 100);
        await stop.CancelAsync();
        var rendered = (await Task.WhenAll(renders)).Sum();
        Medians.Say($"100 channels while two renders run ({rendered:0} s of sound meanwhile): a level {1000 * Medians.Median(level):0.0} ms (p95 {1000 * Medians.Percentile(level, 0.95):0.0})");
    }

    /// <returns>Seconds of sound that were rendered.</returns>
    private static async Task<double> RenderOnAsync(HttpClient client, CancellationToken stop)
    {
        var seconds = 0.0;
        var edits = DemoSeed.Templates.First(t => t.Name == "Night Ferry").Edits;
        using var document = new ByteArrayContent(TemplateDocument.Write(((BatchResult.Applied)Batch.Apply(EmptyStage.Create("Rendered"), edits)).Template));
        document.Headers.ContentType = new("application/json");
        var id = JsonNode.Parse(await (await client.PostAsync("/api/templates/from-document", document, CancellationToken.None)).Content.ReadAsStringAsync(CancellationToken.None))!["id"]!.ToString();
        for (var revision = 0; !stop.IsCancellationRequested; revision++)
        {
            // Each render is in another key, so that nothing is answered from what is known or played from tape.
            await client.PostAsJsonAsync($"/api/templates/{id}/edits", new { revision, edits = new[] { new { type = "set-musical-key", key = new { fifths = revision % 15 - 7, minor = revision % 2 == 0 } } } }, CancellationToken.None);
            var started = await client.PostAsJsonAsync("/api/renders", new { kind = "template", document = id, act = "write", listenTo = (string?)null, section = (string?)null }, CancellationToken.None);
            var job = JsonNode.Parse(await started.Content.ReadAsStringAsync(CancellationToken.None))!;
            var streamed = await client.GetByteArrayAsync($"/api/renders/{job["id"]}/stream", CancellationToken.None);
            seconds += streamed.Length / 8.0 / 48000;
        }

        return seconds;
    }

    private static async Task<List<double>> MeasureAsync(HttpClient client, int channels, bool moves = false)
    {
        using var document = new ByteArrayContent(TemplateDocument.Write(Sized(channels)));
        document.Headers.ContentType = new("application/json");
        var made = JsonNode.Parse(await (await client.PostAsync("/api/templates/from-document", document)).Content.ReadAsStringAsync())!;
        var times = new List<double>();
        for (var revision = 0; revision < Edits; revision++)
        {
            object edit = moves
                ? new { type = "move-channel", channel = "c1", destination = revision % 2 == 0 ? "b1" : "b0", before = (string?)null }
                : new { type = "set-level", channel = "c1", level = -(revision % 40) };
            var watch = Stopwatch.StartNew();
            var answer = await client.PostAsJsonAsync($"/api/templates/{made["id"]}/edits", new { revision, edits = new[] { edit } });
            await answer.Content.ReadAsStringAsync();
            times.Add(watch.Elapsed.TotalSeconds);
            answer.EnsureSuccessStatusCode();
        }

        return times;
    }

    /// <summary>That many channels under buses of ten, each with an equaliser and a compressor.</summary>
    private static Template Sized(int channels)
    {
        Insert[] strip = [new(new("eq"), "equaliser"), new(new("comp"), "compressor")];
        var edits = new List<Edit>();
        var buses = Math.Max(2, channels / 10);
        for (var i = 0; i < channels - 2; i++)
        {
            edits.Add(i < buses
                ? new AddChannel(new() { Id = new($"b{i}"), Name = $"Bus {i}", Kind = ChannelKind.Bus, Destination = EmptyStage.MixBus, Inserts = strip.ToSequence() })
                : new AddChannel(new() { Id = new($"c{i - buses}"), Name = $"Channel {i}", Kind = ChannelKind.Audio, Destination = new($"b{i % buses}"), Source = new InputSource(1), Inserts = strip.ToSequence() }));
        }

        return ((BatchResult.Applied)Batch.Apply(EmptyStage.Create("Sized"), edits)).Template;
    }
}
