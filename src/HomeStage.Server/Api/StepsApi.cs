using HomeStage.Core.Making;
using HomeStage.Core.Notes;
using HomeStage.Core.Templates;
using HomeStage.Core.Timing;
using HomeStage.Server.Data;
using Microsoft.AspNetCore.Http.HttpResults;

namespace HomeStage.Server.Api;

/// <summary>What a rhythm that is set by steps stands on.</summary>
internal static class StepsApi
{
    /// <param name="Name">Of a piece; null for a note that goes by its own name.</param>
    public sealed record StepRowView(int Note, string? Name);

    /// <param name="BarTicks">A bar of the section, 960 to the quarter.</param>
    /// <param name="BeatTicks">Its felt beat.</param>
    /// <param name="Rows">In the order in which they stand.</param>
    /// <param name="Figures">Rhythms of a bar that go by a name.</param>
    public sealed record StepsView(int BarTicks, int BeatTicks, IReadOnlyList<StepRowView> Rows, IReadOnlyList<StepFigure> Figures);

    public static void MapSteps(this RouteGroupBuilder group) =>
        group.MapGet("/{id}/channels/{channel}/steps", async Task<Results<Ok<StepsView>, ProblemHttpResult>> (string id, string channel, string? section, DocumentStore store, CancellationToken cancellation) =>
            await store.OpenAsync(id, cancellation) is not { } document ? Problems.NotFound("document")
            : !Identifier.IsValid(channel) || !document.Template.Channels.TryGet(new(channel), out var found) ? Problems.NotFound("channel")
            : new TimeMap(document.Template.Timeline).Find(section ?? document.Template.Timeline.Sections[0].Id) is not { } placed ? Problems.NotFound("section")
            : TypedResults.Ok(Of(found, placed.Meter)));

    private static StepsView Of(Channel channel, Meter meter) => new(
        meter.TicksPerBar, meter.TicksPerFeltBeat,
        [.. StepRows.Of(channel).Select(r => new StepRowView(r.Note, r.Name))], [.. StepFigure.In(meter)]);
}
