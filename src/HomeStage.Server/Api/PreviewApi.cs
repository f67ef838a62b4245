using HomeStage.Core.Editing;
using HomeStage.Core.Editing.Words;
using HomeStage.Core.Soundcheck;
using HomeStage.Core.Soundcheck.Findings;
using HomeStage.Core.Templates;
using HomeStage.Server.Data;
using HomeStage.Server.Data.Studios;
using Microsoft.AspNetCore.Http.HttpResults;

namespace HomeStage.Server.Api;

/// <summary>What a batch of edits would do, without doing it.</summary>
internal static class PreviewApi
{
    /// <param name="Act">Id of the act that findings are looked at in.</param>
    public sealed record PreviewRequest(string Act, Sequence<Edit> Edits);

    /// <param name="Words">Each edit in the trade's words.</param>
    /// <param name="Removes">Sentences of findings that would be gone.</param>
    /// <param name="SetsOff">Sentences of findings that would be new.</param>
    public sealed record PreviewView(IReadOnlyList<string> Words, IReadOnlyList<string> Removes, IReadOnlyList<string> SetsOff);

    public static void MapPreview(this RouteGroupBuilder group) =>
        group.MapPost("/{id}/preview", async Task<Results<Ok<PreviewView>, ProblemHttpResult>> (
            string id, PreviewRequest request, DocumentStore store, StageAround around, CancellationToken cancellation) =>
            await store.OpenAsync(id, cancellation) is not { } document ? Problems.NotFound("document")
            : document.Template.Acts.All(a => a.Id != request.Act) ? Problems.NotFound("act")
            : Batch.Apply(document.Template, request.Edits) switch
            {
                BatchResult.Applied applied => TypedResults.Ok(Of(document, applied.Template, request, await around.OfAsync(id, document.Template, cancellation), await around.OfAsync(id, applied.Template, cancellation))),
                BatchResult.Refused refused => Problems.Refused(refused.Why, refused.EditIndex),
                _ => throw new InvalidOperationException("A batch is applied or refused."),
            });

    private static PreviewView Of(OpenDocument document, Template after, PreviewRequest request, Surroundings aroundBefore, Surroundings aroundAfter)
    {
        var before = document.Template;
        var (was, now) = (document.Compiled.ReportIn(request.Act, aroundBefore).Open, Report.Of(after, request.Act, aroundAfter).Open);
        return new(EditWords.OfBatch(request.Edits, before),
            [.. was.ExceptBy(now.Select(f => f.Key), f => f.Key).Select(f => f.Sentence)],
            [.. now.ExceptBy(was.Select(f => f.Key), f => f.Key).Select(f => f.Sentence)]);
    }
}
