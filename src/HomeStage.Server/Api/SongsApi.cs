using HomeStage.Core.Editing;
using HomeStage.Core.Editing.Rules;
using HomeStage.Server.Api.Views;
using HomeStage.Server.Data;
using HomeStage.Server.Data.Studios;
using HomeStage.Server.Data.Summaries;
using Microsoft.AspNetCore.Http.HttpResults;

namespace HomeStage.Server.Api;

/// <summary>Songs: editable copies of templates that remember where they came from.</summary>
internal static class SongsApi
{
    /// <param name="TempoBpm">Null keeps the template's.</param>
    /// <param name="Key">Null keeps the template's, or lets it wait.</param>
    /// <param name="Ready">Inserts that waited for a person and wait no more; null for none.</param>
    public sealed record NewSong(string TemplateId, string Title, double? TempoBpm, MusicalKey? Key, Sequence<WaitingApi.ReadyInsert>? Ready = null);

    public static void MapSongs(this RouteGroupBuilder api)
    {
        var group = api.MapGroup("/songs").WithTags("Songs");
        group.MapGet("/", List);
        group.MapPost("/", Start);
        group.MapGet("/{id}/about", About);
    }

    private static async Task<Ok<IReadOnlyList<SongView>>> List(DocumentLists lists, SummaryShelf summaries, CancellationToken cancellation)
    {
        var names = await lists.NamesAsync(cancellation);
        return TypedResults.Ok<IReadOnlyList<SongView>>([.. (await summaries.AllAsync(DocumentKind.Song, cancellation)).Select(s => SongView.Of(s, names))]);
    }

    private static async Task<Results<Ok<SongView>, ProblemHttpResult>> About(string id, DocumentLists lists, SummaryShelf summaries, CancellationToken cancellation) =>
        await lists.FindAsync(id, cancellation) is { Kind: DocumentKind.Song, RemovedUtc: null } row
            ? TypedResults.Ok(SongView.Of(await summaries.OfAsync(row, cancellation), await lists.NamesAsync(cancellation)))
            : Problems.NotFound("song");

    private static async Task<Results<Created<TemplatesApi.Created>, ProblemHttpResult>> Start(NewSong asked, DocumentStore store, StudioDesk desk, CancellationToken cancellation)
    {
        if (await store.OpenAsync(asked.TemplateId, cancellation) is not { Kind: DocumentKind.Template } from)
            return Problems.NotFound("template");
        var (came, why) = WaitingApi.Came(from.Template, asked.Key ?? from.Template.Key, asked.Ready ?? [], await desk.OnAsync(cancellation));
        if (why is not null)
            return Problems.Refused(why);
        var awake = Batch.Apply(from.Template, came!) is BatchResult.Applied applied ? applied.Template : throw new InvalidOperationException("What has come does not apply.");
        var song = awake with
        {
            Name = asked.Title.Trim(),
            Timeline = from.Template.Timeline with { TempoBpm = asked.TempoBpm ?? from.Template.Timeline.TempoBpm },
        };
        if (TemplateRules.Check(song) is { } wrong)
            return Problems.Refused(wrong);
        var document = await store.CreateAsync(DocumentKind.Song, song, (from.Id, from.Revision), cancellation);
        return TypedResults.Created($"/api/documents/{document.Id}", new TemplatesApi.Created(document.Id));
    }
}
