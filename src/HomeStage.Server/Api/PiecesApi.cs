using HomeStage.Core.Editing;
using HomeStage.Core.Editing.Words;
using HomeStage.Core.Pieces;
using HomeStage.Core.Templates;
using HomeStage.Server.Data;
using Microsoft.AspNetCore.Http.HttpResults;

namespace HomeStage.Server.Api;

/// <summary>Set pieces that stand in a document.</summary>
internal static class PiecesApi
{
    /// <param name="Edits">Take the piece out and leave everything else as it is.</param>
    /// <param name="Words">What they do, one sentence an edit.</param>
    public sealed record OutView(IReadOnlyList<Edit> Edits, IReadOnlyList<string> Words);

    /// <summary>The place is that of its <see cref="ShelfCopy"/>.</summary>
    public static void MapPieces(this RouteGroupBuilder group) =>
        group.MapPost("/{id}/pieces/{place}/out", async Task<Results<Ok<OutView>, ProblemHttpResult>> (string id, string place, DocumentStore store, CancellationToken cancellation) =>
            await store.OpenAsync(id, cancellation) is not { } document ? Problems.NotFound("document")
            : document.Template.Copies.FirstOrDefault(c => c.Kind == ShelfKind.SetPiece && c.Place == place) is not { } copy ? Problems.NotFound("set piece")
            : TakeOut.Of(document.Template, copy) switch
            {
                (_, { } why) => Problems.Refused(why),
                (var edits, _) => TypedResults.Ok(new OutView(edits, EditWords.OfBatch(edits, document.Template))),
            });
}
