using System.Text.Json;
using HomeStage.Core.Editing;
using HomeStage.Core.Making;
using HomeStage.Core.Templates;
using HomeStage.Formats.Documents;
using HomeStage.Formats.Packages;
using HomeStage.Server.Api.Views;
using HomeStage.Server.Data;
using HomeStage.Server.Data.Keeping;
using HomeStage.Server.Data.Studios;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.AspNetCore.Mvc;

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

    /// <summary>By the names that documents give them; a query's own reading knows only those of the code.</summary>
    private static readonly IReadOnlyList<(string Name, ChannelKind Kind)> Kinds =
        [.. Enum.GetValues<ChannelKind>().Select(k => (JsonSerializer.SerializeToElement(k, DocumentJson.Options).GetString()!, k))];

    public static void MapDocuments(this RouteGroupBuilder api)
    {
        api.MapGet("/template-document.schema.json", () => TypedResults.Bytes(DocumentSchema.Write(), "application/schema+json")).WithTags("Documents");
        var group = api.MapGroup("/documents").WithTags("Documents");
        group.MapGet("/{id}", async Task<Results<Ok<DocumentView>, ProblemHttpResult>> (string id, DocumentStore store, CancellationToken cancellation) =>
            await store.OpenAsync(id, cancellation) is { } document
                ? TypedResults.Ok(DocumentView.Of(document))
                : Problems.NotFound("document"));
        group.MapGet("/{id}/document", async Task<Results<FileContentHttpResult, ProblemHttpResult>> (string id, DocumentStore store, CancellationToken cancellation) =>
            await store.OpenAsync(id, cancellation) is { } document
                ? TypedResults.File(TemplateDocument.Write(document.Template), "application/json", $"{SongPackage.FileName(document.Template.Name)}.template.json")
                : Problems.NotFound("document"));
        group.MapGet("/{id}/findings", async Task<Results<Ok<FindingsView>, ProblemHttpResult>> (
            string id, string act, DocumentStore store, StageAround around, CancellationToken cancellation) =>
            await store.OpenAsync(id, cancellation) is not { } document ? Problems.NotFound("document")
            : document.Template.Acts.All(a => a.Id != act) ? Problems.NotFound("act")
            : TypedResults.Ok(FindingsView.Of(document, act, await around.OfAsync(id, document.Template, cancellation))));
        group.MapGet("/{id}/new-place", async Task<Results<Ok<NewPlace>, ProblemHttpResult>> (
            string id, string kind, string? chosen, [FromQuery] string[]? name, DocumentStore store, CancellationToken cancellation) =>
            Kinds.FirstOrDefault(k => k.Name == kind) is not { Name: not null } known ? Problems.NotFound("kind of channel")
            : chosen is not null && !Identifier.IsValid(chosen) ? Problems.NotFound("channel")
            : await store.OpenAsync(id, cancellation) is { } document
                ? TypedResults.Ok(NewPlace.Of(document.Template, known.Kind, chosen is null ? null : new(chosen), name ?? []))
                : Problems.NotFound("document"));
        group.MapPost("/{id}/edits", async (string id, EditRequest request, DocumentStore store, RowBook book, CancellationToken cancellation) =>
            await store.EditAsync(id, request.Revision, request.Edits, cancellation: cancellation) is var answer && answer is StoreAnswer.Refused refused
                ? Problems.Refused(refused.Why, refused.EditIndex, await store.OpenAsync(id, cancellation) is { } open ? MendedBatch.Of(open.Template, request.Edits) : null)
                : Answer(answer, book));
        group.MapPost("/{id}/undo", async (string id, StepRequest request, DocumentStore store, RowBook book, CancellationToken cancellation) =>
            Answer(await store.UndoAsync(id, request.Revision, cancellation), book));
        group.MapPost("/{id}/redo", async (string id, StepRequest request, DocumentStore store, RowBook book, CancellationToken cancellation) =>
            Answer(await store.RedoAsync(id, request.Revision, cancellation), book));
        group.MapDelete("/{id}", async Task<Results<NoContent, ProblemHttpResult>> (string id, Removals removals, CancellationToken cancellation) =>
            await removals.RemoveAsync(id, cancellation) ? TypedResults.NoContent() : Problems.NotFound("document"));
        group.MapPost("/{id}/recovered", async Task<Results<Created<Recovered>, ProblemHttpResult>> (string id, Recovery recovery, CancellationToken cancellation) =>
            await recovery.RecoverAsync(id, cancellation) is { } made
                ? TypedResults.Created($"/api/documents/{made.Made.Id}", new Recovered(made.Made.Id, made.Revision))
                : Problems.NotFound("document that could be read"));
        group.MapUploads();
        group.MapFit();
        group.MapStrips();
        group.MapDucking();
        group.MapReturns();
        group.MapSendLoops();
        group.MapPieces();
        group.MapMovement();
        group.MapSteps();
        group.MapResponses();
        group.MapWaiting();
        group.MapDevices();
        group.MapKitFiles();
        group.MapMachines();
        group.MapShelfParts();
        group.MapInheritance();
        group.MapCopies();
        group.MapCallSheet();
        group.MapStemPlan();
        group.MapPrintPlan();
        group.MapOutsideTest();
        group.MapStrike();
        group.MapRefit();
        group.MapPatching();
        group.MapPackagePlan();
        group.MapHistory();
        group.MapStream();
        group.MapPreview();
        group.MapLevels();
        group.MapOutputs();
        group.MapKitSwaps();
        group.MapInputs();
        group.MapCast();
    }

    private static Results<Ok<ChangeView>, ProblemHttpResult> Answer(StoreAnswer answer, RowBook book) =>
        answer is StoreAnswer.Stored stored ? TypedResults.Ok(ChangeView.Between(stored.Before, stored.After, book)) : Problems.From(answer);
}
