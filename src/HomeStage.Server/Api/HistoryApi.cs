using HomeStage.Core.Editing.Comparing;
using HomeStage.Core.Editing.Words;
using HomeStage.Server.Api.Views;
using HomeStage.Server.Data;
using Microsoft.AspNetCore.Http.HttpResults;

namespace HomeStage.Server.Api;

/// <summary>What was done to a document: listed, named, compared, gone back to.</summary>
internal static class HistoryApi
{
    private const int LongestName = 80;

    /// <param name="Name">1 to 80 characters; null takes the name away.</param>
    public sealed record RevisionName(string? Name);

    /// <param name="Revision">The revision that the person sees.</param>
    /// <param name="To">The revision whose state is wanted.</param>
    public sealed record ReturnRequest(int Revision, int To);

    /// <param name="Words">What would have to be done to come from the one to the other, as few edits as will do.</param>
    public sealed record DifferenceView(int From, int To, IReadOnlyList<string> Words);

    public static void MapHistory(this RouteGroupBuilder group)
    {
        group.MapGet("/{id}/revisions", async Task<Results<Ok<IReadOnlyList<LogEntry>>, ProblemHttpResult>> (
            string id, DocumentStore store, RevisionLog log, CancellationToken cancellation, int? before = null, int count = 50) =>
            await store.OpenAsync(id, cancellation) is null
                ? Problems.NotFound("document")
                : TypedResults.Ok(await log.ListAsync(id, before, count, cancellation)));
        group.MapPut("/{id}/revisions/{number:int}/name", async Task<Results<NoContent, ProblemHttpResult>> (
            string id, int number, RevisionName asked, DocumentStore store, RevisionLog log, CancellationToken cancellation) =>
            await store.OpenAsync(id, cancellation) is null ? Problems.NotFound("document")
            : asked.Name is { } name && !(name.Trim().Length is >= 1 and <= LongestName && !name.Any(char.IsControl)) ? Problems.Unreadable("bad-text", $"A revision's name takes 1 to {LongestName} characters.")
            : await log.NameAsync(id, number, asked.Name?.Trim(), cancellation) ? TypedResults.NoContent() : Problems.NotFound("revision"));
        group.MapGet("/{id}/difference", async Task<Results<Ok<DifferenceView>, ProblemHttpResult>> (
            string id, int from, int to, DocumentStore store, RevisionLog log, CancellationToken cancellation) =>
            await store.OpenAsync(id, cancellation) is not null
            && await log.TemplateAtAsync(id, from, cancellation) is { } before && await log.TemplateAtAsync(id, to, cancellation) is { } after
                ? TypedResults.Ok(new DifferenceView(from, to, EditWords.OfBatch(Difference.Between(before, after), before)))
                : Problems.NotFound("revision"));
        group.MapPost("/{id}/return", async Task<Results<Ok<ChangeView>, ProblemHttpResult>> (
            string id, ReturnRequest request, DocumentStore store, RowBook book, CancellationToken cancellation) =>
            await store.ReturnAsync(id, request.Revision, request.To, cancellation) is var answer && answer is StoreAnswer.Stored stored
                ? TypedResults.Ok(ChangeView.Between(stored.Before, stored.After, book))
                : Problems.From(answer));
    }
}
