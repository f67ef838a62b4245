using HomeStage.Core.Editing;
using HomeStage.Core.Editing.Words;
using HomeStage.Core.Refitting;
using HomeStage.Core.Templates;
using HomeStage.Server.Api.Views;
using HomeStage.Server.Data;
using Microsoft.AspNetCore.Http.HttpResults;

namespace HomeStage.Server.Api;

/// <summary>Old songs and templates on the buses of a newer template: proposed here, done by the batch that is answered.</summary>
internal static class RefitApi
{
    /// <param name="Plan">Id of the template whose buses are the plan.</param>
    /// <param name="Wish">Null for what is usual.</param>
    public sealed record RefitRequest(string Plan, RefitWish? Wish = null);

    /// <param name="Revision">Of the document that the batch is made on.</param>
    /// <param name="Act">In which it is heard at last: where loudness is measured.</param>
    /// <param name="Words">The batch in words.</param>
    /// <param name="Sums">The plan's buses that a channel may go to, in its running order.</param>
    public sealed record RefitView(int Revision, string Act, string PlanName, IReadOnlyList<RefitLine> Lines, IReadOnlyList<Edit> Edits, IReadOnlyList<string> Words, IReadOnlyList<PlanSum> Sums);

    /// <param name="Depth">How many sums it goes through to the main.</param>
    public sealed record PlanSum(ChannelId Id, string Name, int Depth);

    public static void MapRefit(this RouteGroupBuilder group) =>
        group.MapPost("/{id}/refit", async Task<Results<Ok<RefitView>, ProblemHttpResult>> (string id, RefitRequest asked, DocumentStore store, RowBook book, CancellationToken cancellation) =>
        {
            if (await store.OpenAsync(id, cancellation) is not { } open)
                return Problems.NotFound("document");
            if (asked.Plan == id)
                return Problems.Refused(new Refusal.WrongPlace(open.Template.Name, "cannot be brought onto its own buses"));
            if (await store.OpenAsync(asked.Plan, cancellation) is not { Kind: DocumentKind.Template, Template: var plan })
                return Problems.NotFound("template");
            var (refit, why) = Refit.Of(open.Template, plan, asked.Wish ?? new());
            return refit is null ? Problems.Refused(why!) : TypedResults.Ok(new RefitView(
                open.Revision, open.Template.FinalAct.Id, plan.Name, refit.Lines, refit.Edits, EditWords.OfBatch(refit.Edits, open.Template),
                [.. book.Of(plan).Where(r => Capabilities.Of(r.Channel.Kind).Sums).Select(r => new PlanSum(r.Channel.Id, r.Channel.Name, r.Depth))]));
        });
}
