using HomeStage.Core.Catalogue;
using HomeStage.Core.Templates;
using HomeStage.Server.Data;
using Microsoft.AspNetCore.Http.HttpResults;

namespace HomeStage.Server.Api;

/// <summary>What an insert does, worked out for drawing: responses over frequency and curves of levels.</summary>
internal static class ResponsesApi
{
    private const int Points = 241;
    private const double LowestDb = -72;

    /// <summary>What an insert's own settings do.</summary>
    /// <param name="Equaliser">Null for what is no equaliser.</param>
    /// <param name="LevelsIn">Levels that go in, dBFS, ascending; none for what has no curve of levels.</param>
    /// <param name="LevelsOut">What comes out for each.</param>
    public sealed record ResponseView(EqualiserResponse? Equaliser, IReadOnlyList<double> LevelsIn, IReadOnlyList<double> LevelsOut);

    /// <param name="Settings">In place of those that are stored, while somebody drags; null for those.</param>
    public sealed record ResponseRequest(ChannelId Channel, InsertId Insert, Map<double>? Settings);

    public static void MapResponses(this RouteGroupBuilder group) =>
        group.MapPost("/{id}/response", async Task<Results<Ok<ResponseView>, ProblemHttpResult>> (string id, ResponseRequest asked, DocumentStore store, CancellationToken cancellation) =>
            await store.OpenAsync(id, cancellation) is not { } document ? Problems.NotFound("document")
            : !document.Template.Channels.TryGet(asked.Channel, out var channel) || channel.Inserts.FirstOrDefault(i => i.Id == asked.Insert) is not { } insert ? Problems.NotFound("insert")
            : asked.Settings is { } trial && trial.Any(s => insert.Find(s.Key) is not { } p || !(s.Value >= p.Min && s.Value <= p.Max)) ? Problems.Refused(new Refusal.WrongPlace("A setting", "lies outside of what the insert takes"))
            : TypedResults.Ok(Of(insert with { Settings = asked.Settings ?? insert.Settings }, document.Template.SampleRateHz)));

    private static ResponseView Of(Insert insert, int sampleRateHz)
    {
        var levels = insert.Device is null && DynamicsLaw.Has(insert.Processor) ? Enumerable.Range(0, (int)-LowestDb + 1).Select(i => LowestDb + i).ToList() : [];
        return new(
            insert is { Device: null, Processor: ProcessorCatalogue.Equaliser } ? EqualiserResponse.Of(insert.Settings, sampleRateHz, Points) : null,
            levels, [.. levels.Select(l => DynamicsLaw.OutputDb(insert.Processor, insert.Settings, l))]);
    }
}
