using System.Net.ServerSentEvents;
using System.Runtime.CompilerServices;
using HomeStage.Server.Api.Views;
using HomeStage.Server.Data;
using Microsoft.AspNetCore.Http.HttpResults;

namespace HomeStage.Server.Api;

/// <summary>How tabs hear of each other's edits: a stream of newest revisions, and what changed since one.</summary>
internal static class StreamApi
{
    private static readonly TimeSpan BetweenNews = TimeSpan.FromMilliseconds(100);

    /// <summary>The newest revision of the document.</summary>
    public sealed record Newest(int Revision);

    public static void MapStream(this RouteGroupBuilder group)
    {
        group.MapGet("/{id}/stream", async Task<Results<ServerSentEventsResult<Newest>, ProblemHttpResult>> (
            string id, DocumentStore store, IHostApplicationLifetime program, CancellationToken cancellation) =>
            await store.OpenAsync(id, cancellation) is { } document
                ? TypedResults.ServerSentEvents(News(document, store, program.ApplicationStopping, cancellation))
                : Problems.NotFound("document"));
        group.MapGet("/{id}/changes", async Task<Results<Ok<ChangeView>, ProblemHttpResult>> (
            string id, int since, DocumentStore store, RowBook book, CancellationToken cancellation) =>
            await store.OpenAsync(id, cancellation) is not { } newest ? Problems.NotFound("document")
            : await store.RecentAsync(id, since, cancellation) is { } then ? TypedResults.Ok(ChangeView.Between(then, newest, book))
            : Problems.Of(StatusCodes.Status410Gone, "too-old", "Too much has happened since; read the whole document again."));
    }

    /// <summary>Ends with the program too: a stream that is open must not hold it up.</summary>
    private static async IAsyncEnumerable<SseItem<Newest>> News(
        OpenDocument document, DocumentStore store, CancellationToken stopping, [EnumeratorCancellation] CancellationToken cancellation)
    {
        using var listener = store.Feed.Listen(document.Id);
        using var ending = stopping.Register(listener.End);
        // What was stored before the listening began is told at once.
        if (await store.OpenAsync(document.Id, cancellation) is not { } now)
            yield break;
        yield return new(new(now.Revision));
        await foreach (var revision in listener.NewsAsync(cancellation))
        {
            yield return new(new(revision));
            // Many tabs that are told of every step of a drag would take the time of the drag itself; the newest is what counts.
            await Task.Delay(BetweenNews, CancellationToken.None);
        }
    }
}
