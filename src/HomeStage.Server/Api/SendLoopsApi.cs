using HomeStage.Core.Routing;
using HomeStage.Core.Templates;
using HomeStage.Server.Data;
using Microsoft.AspNetCore.Http.HttpResults;

namespace HomeStage.Server.Api;

/// <summary>Which sends can not be, since they would come back to themselves.</summary>
internal static class SendLoopsApi
{
    /// <param name="To">What can be sent to.</param>
    /// <param name="From">Who would close a loop by it, itself among them.</param>
    public sealed record SendLoopsView(ChannelId To, IReadOnlyList<ChannelId> From);

    public static void MapSendLoops(this RouteGroupBuilder group) =>
        group.MapGet("/{id}/sends/loops", async Task<Results<Ok<IReadOnlyList<SendLoopsView>>, ProblemHttpResult>> (string id, DocumentStore store, CancellationToken cancellation) =>
            await store.OpenAsync(id, cancellation) is not { } document ? Problems.NotFound("document") : TypedResults.Ok(Of(document.Template)));

    private static IReadOnlyList<SendLoopsView> Of(Template template)
    {
        var downstream = new Downstream(new(template));
        return [.. template.Channels.Where(c => Capabilities.Of(c.Kind).TakesSends).Select(c => new SendLoopsView(c.Id, downstream.Of(c.Id)))];
    }
}
