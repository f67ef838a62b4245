using System.Diagnostics;
using System.Net.Http.Json;
using System.Text.Json.Nodes;
using HomeStage.Core.Templates;
using HomeStage.Core.Templates.Edits;
using HomeStage.Formats.Documents;
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
        }

        Microsoft.Data.Sqlite.SqliteConnection.ClearAllPools();
        Directory.Delete(data, recursive: true);
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
