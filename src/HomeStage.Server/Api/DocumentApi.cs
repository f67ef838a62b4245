using HomeStage.Core.Editing;
using HomeStage.Formats.Documents;
using HomeStage.Formats.Packages;
using HomeStage.Server.Api.Views;
using HomeStage.Server.Data;
using HomeStage.Server.Data.Keeping;
using HomeStage.Server.Data.Sounds;
using Microsoft.AspNetCore.Http.HttpResults;

namespace HomeStage.Server.Api;

/// <summary>What templates and songs have in common: to be read, edited, undone and taken away as a file.</summary>
internal static class DocumentApi
{
    /// <param name="Revision">The revision that the edits were made on.</param>
    public sealed record EditRequest(int Revision, Sequence<Edit> Edits);

    public sealed record StepRequest(int Revision);

    /// <summary>What was made of a damaged document.</summary>
    /// <param name="Revision">The last one that could be read.</param>
    public sealed record Recovered(string Id, int Revision);

    public static void MapDocument(this RouteGroupBuilder group, DocumentKind kind)
    {
        group.MapGet("/{id}", async Task<Results<Ok<DocumentView>, ProblemHttpResult>> (string id, DocumentStore store, CancellationToken cancellation) =>
            await store.OpenAsync(id, kind, cancellation) is { } document
                ? TypedResults.Ok(DocumentView.Of(document))
                : Problems.NotFound(Word(kind)));
        group.MapGet("/{id}/document", async Task<Results<FileContentHttpResult, ProblemHttpResult>> (string id, DocumentStore store, CancellationToken cancellation) =>
            await store.OpenAsync(id, kind, cancellation) is { } document
                ? TypedResults.File(TemplateDocument.Write(document.Template), "application/json", $"{SongPackage.FileName(document.Template.Name)}.template.json")
                : Problems.NotFound(Word(kind)));
        group.MapGet("/{id}/findings", async Task<Results<Ok<FindingsView>, ProblemHttpResult>> (
            string id, string act, DocumentStore store, MediaStore media, CancellationToken cancellation) =>
            await store.OpenAsync(id, kind, cancellation) is not { } document ? Problems.NotFound(Word(kind))
            : document.Template.Acts.All(a => a.Id != act) ? Problems.NotFound("act")
            : TypedResults.Ok(FindingsView.Of(document, act, media.Around(document.Template))));
        group.MapPost("/{id}/edits", async (string id, EditRequest request, DocumentStore store, RowBook book, CancellationToken cancellation) =>
            Answer(await store.EditAsync(id, kind, request.Revision, request.Edits, cancellation: cancellation), book));
        group.MapPost("/{id}/undo", async (string id, StepRequest request, DocumentStore store, RowBook book, CancellationToken cancellation) =>
            Answer(await store.UndoAsync(id, kind, request.Revision, cancellation), book));
        group.MapPost("/{id}/redo", async (string id, StepRequest request, DocumentStore store, RowBook book, CancellationToken cancellation) =>
            Answer(await store.RedoAsync(id, kind, request.Revision, cancellation), book));
        group.MapDelete("/{id}", async Task<Results<NoContent, ProblemHttpResult>> (string id, Removals removals, CancellationToken cancellation) =>
            await removals.RemoveAsync(id, kind, cancellation) ? TypedResults.NoContent() : Problems.NotFound(Word(kind)));
        group.MapPost("/{id}/recovered", async Task<Results<Created<Recovered>, ProblemHttpResult>> (string id, Recovery recovery, CancellationToken cancellation) =>
            await recovery.RecoverAsync(id, kind, cancellation) is { } made
                ? TypedResults.Created($"/api/{Word(kind)}s/{made.Made.Id}", new Recovered(made.Made.Id, made.Revision))
                : Problems.NotFound($"{Word(kind)} that could be read"));
        group.MapUploads(kind);
        group.MapKitFiles(kind);
        group.MapHistory(kind);
        group.MapStream(kind);
        group.MapPreview(kind);
        group.MapLevels(kind);
        group.MapOutputs(kind);
    }

    private static Results<Ok<ChangeView>, ProblemHttpResult> Answer(StoreAnswer answer, RowBook book) =>
        answer is StoreAnswer.Stored stored ? TypedResults.Ok(ChangeView.Between(stored.Before, stored.After, book)) : Problems.From(answer);

    private static string Word(DocumentKind kind) => kind == DocumentKind.Song ? "song" : "template";
}
