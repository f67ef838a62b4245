using HomeStage.Server.Data.Keeping;
using Microsoft.AspNetCore.Http.HttpResults;

namespace HomeStage.Server.Api;

/// <summary>What was removed, and the way back.</summary>
internal static class RemovedApi
{
    /// <param name="Id">As the list of removed things gives it.</param>
    public sealed record BackRequest(RemovedKind Kind, string Id);

    public static void MapRemoved(this RouteGroupBuilder api)
    {
        var group = api.MapGroup("/removed").WithTags("Removed");
        group.MapGet("/", async Task<Ok<IReadOnlyList<RemovedThing>>> (Removals removals, CancellationToken cancellation) =>
            TypedResults.Ok(await removals.ListAsync(cancellation)));
        group.MapPost("/back", async Task<Results<NoContent, ProblemHttpResult>> (BackRequest asked, Removals removals, CancellationToken cancellation) =>
            await removals.BringBackAsync(asked.Kind, asked.Id, cancellation) ? TypedResults.NoContent() : Problems.NotFound("removed thing"));
    }
}
