using HomeStage.Core.Striking;
using HomeStage.Core.Templates;
using HomeStage.Server.Data;
using Microsoft.AspNetCore.Http.HttpResults;

namespace HomeStage.Server.Api;

/// <summary>Templates made of finished songs. The song is read and never written.</summary>
internal static class StrikeApi
{
    /// <param name="Wish">Null for what is usual: levels stay for a song that began from a template here, else nothing does.</param>
    public sealed record StrikeRequest(StrikeWish? Wish = null);

    /// <param name="Song">What the song is called.</param>
    /// <param name="Wish">What the lines are of.</param>
    /// <param name="Lines">In the order of their groups.</param>
    /// <param name="Before">The song, counted.</param>
    /// <param name="After">The template, counted.</param>
    /// <param name="BegunFrom">Name of the template that the song began from; null where nobody knows of one.</param>
    /// <param name="LeftOut">What the song left behind in the project file that it came from, in words.</param>
    public sealed record StrikeView(string Song, StrikeWish Wish, IReadOnlyList<StrikeLine> Lines, StrikeCounts Before, StrikeCounts After, string? BegunFrom, IReadOnlyList<string> LeftOut);

    public static void MapStrike(this RouteGroupBuilder group)
    {
        group.MapPost("/{id}/strike/preview", async Task<Results<Ok<StrikeView>, ProblemHttpResult>> (string id, StrikeRequest asked, DocumentStore store, DocumentLists lists, RevisionLog log, CancellationToken cancellation) =>
        {
            if (await SongAsync(id, store, lists, log, cancellation) is not var (_, song, brought))
                return Problems.NotFound("document");
            var wish = asked.Wish ?? new(song.Song.Name);
            var (report, why) = Strike.Of(song, wish);
            return report is null ? Problems.Refused(why!) : TypedResults.Ok(new StrikeView(song.Song.Name, wish, report.Lines, report.Before, report.After, song.Begun?.Name, brought?.LeftOut ?? []));
        });
        group.MapPost("/{id}/strike", async Task<Results<Created<TemplatesApi.Created>, ProblemHttpResult>> (string id, StrikeRequest asked, DocumentStore store, DocumentLists lists, RevisionLog log, CancellationToken cancellation) =>
        {
            if (await SongAsync(id, store, lists, log, cancellation) is not var (open, song, _))
                return Problems.NotFound("document");
            var (report, why) = Strike.Of(song, asked.Wish ?? new(song.Song.Name));
            if (report is null)
                return Problems.Refused(why!);
            var made = await store.CreateAsync(DocumentKind.Template, report.Template, (open.Id, open.Revision), cancellation);
            return TypedResults.Created($"/api/documents/{made.Id}", new TemplatesApi.Created(made.Id));
        });
    }

    private static async Task<(OpenDocument Open, StruckSong Song, Brought? Brought)?> SongAsync(string id, DocumentStore store, DocumentLists lists, RevisionLog log, CancellationToken cancellation)
    {
        if (await store.OpenAsync(id, cancellation) is not { } open || await lists.FindAsync(id, cancellation) is not { } row)
            return null;
        var brought = Brought.Of(row.Brought);
        return (open, new(open.Template, await BegunAsync(row, log, cancellation), brought?.Held.ToSequence() ?? []), brought);
    }

    /// <returns>Null for what began from no template, and where that cannot be read any more.</returns>
    private static async Task<Template?> BegunAsync(DocumentRow row, RevisionLog log, CancellationToken cancellation)
    {
        try
        {
            return row is { Kind: DocumentKind.Song, StartedFromId: { } from, StartedFromRevision: { } revision } ? await log.TemplateAtAsync(from, revision, cancellation) : null;
        }
        catch (DamagedDocumentException)
        {
            return null;
        }
    }
}
