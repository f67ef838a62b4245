using HomeStage.Core.Editing;
using HomeStage.Core.Editing.Words;
using HomeStage.Core.Patching;
using HomeStage.Core.Templates;
using HomeStage.Formats;
using HomeStage.Formats.Csv;
using HomeStage.Formats.Packages;
using HomeStage.Server.Data;
using Microsoft.AspNetCore.Http.HttpResults;

namespace HomeStage.Server.Api;

/// <summary>The input list and the output patching as tables: taken away, and read back as a batch that is looked at before it is done.</summary>
internal static class PatchingApi
{
    /// <param name="Revision">Of the document that the batch is made on.</param>
    /// <param name="Words">The batch in words.</param>
    /// <param name="LeftOut">What of the table is not taken, a sentence each.</param>
    public sealed record PatchingView(int Revision, IReadOnlyList<Edit> Edits, IReadOnlyList<string> Words, IReadOnlyList<string> LeftOut);

    public static void MapPatching(this RouteGroupBuilder group)
    {
        group.MapGet("/{id}/input-list.csv", (string id, DocumentStore store, CancellationToken cancellation) => TableAsync(id, store, "inputs", PatchCsv.Inputs, cancellation));
        group.MapGet("/{id}/output-patching.csv", (string id, DocumentStore store, CancellationToken cancellation) => TableAsync(id, store, "outputs", PatchCsv.Outputs, cancellation));
        group.MapPost("/{id}/patching", async Task<Results<Ok<PatchingView>, ProblemHttpResult>> (string id, HttpRequest request, DocumentStore store, CancellationToken cancellation) =>
        {
            if (await store.OpenAsync(id, cancellation) is not { } open)
                return Problems.NotFound("document");
            if (await BoundedStream.ReadAsync(request.Body, PatchCsv.MostBytes, request.ContentLength, cancellation) is not { } bytes)
                return Problems.Unreadable("too-large", $"A table of patching may have {PatchCsv.MostBytes / 1024} kB.");
            return PatchCsv.Read(bytes).Match<Results<Ok<PatchingView>, ProblemHttpResult>>(
                table => TypedResults.Ok(ViewOf(open, table)), refused => Problems.Unreadable(refused.Code, refused.Sentence));
        });
    }

    private static PatchingView ViewOf(OpenDocument open, PatchTable table)
    {
        var changes = PatchChanges.Of(open.Template, table.Rows);
        return new(open.Revision, changes.Edits, EditWords.OfBatch(changes.Edits, open.Template), [.. table.LeftOut, .. changes.LeftOut]);
    }

    private static async Task<Results<FileContentHttpResult, ProblemHttpResult>> TableAsync(string id, DocumentStore store, string what, Func<Template, byte[]> write, CancellationToken cancellation) =>
        await store.OpenAsync(id, cancellation) is { Template: var template }
            ? TypedResults.File(write(template), "text/csv", $"{SongPackage.FileName(template.Name)}-{what}.csv")
            : Problems.NotFound("document");
}
