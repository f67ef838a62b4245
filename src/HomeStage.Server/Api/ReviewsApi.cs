using HomeStage.Core.Editing;
using HomeStage.Core.Editing.Words;
using HomeStage.Core.Reviews;
using HomeStage.Server.Data;
using HomeStage.Server.Data.Summaries;
using Microsoft.AspNetCore.Http.HttpResults;

namespace HomeStage.Server.Api;

/// <summary>What a template's songs say about it. No song is ever changed by it.</summary>
internal static class ReviewsApi
{
    /// <param name="Songs">How many songs of the template there are, and can be read.</param>
    public sealed record ReviewsView(int Songs, IReadOnlyList<ReviewLine> Reviews);

    /// <param name="Words">What taking it in would do, one sentence an edit.</param>
    /// <param name="Leave">Says that it is meant so, and is not to be said again.</param>
    public sealed record ReviewLine(string Key, string Sentence, IReadOnlyList<Evidence> Songs, IReadOnlyList<Edit> Edits, IReadOnlyList<string> Words, Edit Leave);

    public static void MapReviews(this RouteGroupBuilder api) =>
        api.MapGet("/templates/{id}/reviews", async Task<Results<Ok<ReviewsView>, ProblemHttpResult>> (string id, DocumentStore store, SummaryShelf summaries, CancellationToken cancellation) =>
        {
            if (await store.OpenAsync(id, cancellation) is not { Kind: DocumentKind.Template, Template: var template })
                return Problems.NotFound("template");
            var songs = (await summaries.SongsOfAsync(id, cancellation)).Where(s => s.Summary.Changes is not null).Select(s => new ReviewedSong(s.Row.Id, s.Summary.Name, s.Summary.Changes!)).ToList();
            return TypedResults.Ok(new ReviewsView(songs.Count, [.. Reviewing.Of(template, songs).Select(r =>
                new ReviewLine(r.Key, r.Sentence, r.Songs, r.Edits, EditWords.OfBatch(r.Edits, template), new AcceptFinding(r.Key, "Meant so, whatever the songs do")))]));
        }).WithTags("Templates");
}
