using HomeStage.Core.Sends;
using HomeStage.Core.Templates;
using HomeStage.Core.Timing;
using HomeStage.Server.Data;
using Microsoft.AspNetCore.Http.HttpResults;

namespace HomeStage.Server.Api;

/// <summary>What the returns make of what is sent to them, against the bars of a section.</summary>
internal static class ReturnsApi
{
    private const int MostReturns = 32;

    public sealed record ReturnView(ChannelId Channel, string Name, ReturnReading Reading);

    /// <param name="Section">Id of the section whose tempo and meter count.</param>
    /// <param name="Returns">In the template's order, those in the wings left out; at most 32.</param>
    public sealed record ReturnsView(string Section, string SectionName, double TempoBpm, int BeatsABar, IReadOnlyList<ReturnView> Returns);

    public static void MapReturns(this RouteGroupBuilder group) =>
        group.MapGet("/{id}/returns", async Task<Results<Ok<ReturnsView>, ProblemHttpResult>> (string id, string act, string? section, DocumentStore store, CancellationToken cancellation) =>
            await store.OpenAsync(id, cancellation) is not { } document ? Problems.NotFound("document")
            : document.Template.Acts.All(a => a.Id != act) ? Problems.NotFound("act")
            : new TimeMap(document.Template.Timeline).Find(section ?? document.Template.Timeline.Sections[0].Id) is not { } placed ? Problems.NotFound("section")
            : TypedResults.Ok(Of(document.Template, act, placed, cancellation)));

    private static ReturnsView Of(Template template, string act, PlacedSection placed, CancellationToken cancellation) =>
        new(placed.Section.Id, placed.Section.Name, placed.TempoBpm, placed.Meter.Beats,
            [.. template.Channels.Where(c => c.Kind == ChannelKind.Return && c.StageIn(act) != StageState.InTheWings).Take(MostReturns)
                .Select(c => new ReturnView(c.Id, c.Name, ReturnReading.Of(template, act, placed, c, cancellation)))]);
}
