using HomeStage.Core.Editing;
using HomeStage.Core.Editing.Words;
using HomeStage.Core.Inheriting;
using HomeStage.Core.Outputs;
using HomeStage.Core.Pieces;
using HomeStage.Core.Shelf;
using HomeStage.Core.Templates;
using HomeStage.Formats;
using HomeStage.Formats.Documents;
using HomeStage.Formats.Packages;
using HomeStage.Server.Data;
using HomeStage.Server.Data.Shelf;
using Microsoft.AspNetCore.Http.HttpResults;

namespace HomeStage.Server.Api;

/// <summary>The shelf: what is kept by name and can be used in every template.</summary>
internal static class ShelfApi
{
    /// <param name="Words">What it is about: "14 pieces, 8 pairs".</param>
    /// <param name="Of">For a patch: id of the instrument or processor that it is of; null for anything else.</param>
    /// <param name="Key">Of a set piece: what calls it in the running order; null for nothing.</param>
    public sealed record ItemView(string Id, string Name, ShelfKind Kind, int Revision, string Words, DateTime? ChangedUtc, string? Of, string? Key);

    /// <summary>A part of a document.</summary>
    /// <param name="Place">As a <see cref="ShelfCopy"/> has it.</param>
    /// <param name="For">Of a strip: what it is the default for in every new template; null for none.</param>
    public sealed record PartRequest(string Document, ShelfKind Kind, string Place, string? Name = null, StripScope? For = null);

    public sealed record NameRequest(string Name);

    /// <param name="Key">One small letter or a digit; null for none.</param>
    public sealed record KeyRequest(string? Key);

    /// <param name="Edits">Notes in the document that its part is a copy of this from now on.</param>
    public sealed record Kept(ItemView Item, IReadOnlyList<Edit> Edits);

    /// <summary>A copy in a document.</summary>
    /// <param name="Revision">Of the document, for the edits.</param>
    /// <param name="Part">What it is there, in words.</param>
    /// <param name="Taken">Revision of the item that it is a copy of.</param>
    /// <param name="Edits">Take the newer one there; none where it is up to date or cannot be taken.</param>
    /// <param name="Words">What they do, one sentence an edit.</param>
    /// <param name="Changes">Of a set piece what changed, to be chosen one by one; the last of <paramref name="Edits"/> goes after whatever is taken.</param>
    /// <param name="Why">Why it cannot be taken; null where it can.</param>
    public sealed record UseView(string Document, string Name, DocumentKind Kind, int Revision, string Part, int Taken, bool IsBehind, IReadOnlyList<Edit> Edits, IReadOnlyList<string> Words, IReadOnlyList<UseChangeView> Changes, string? Why);

    /// <summary>A change of a set piece, as an <see cref="InheritedChange"/> has it.</summary>
    public sealed record UseChangeView(int Number, Edit Edit, string Words, Standing Standing, string? Why);

    /// <param name="Onto">A part that it takes the place of; null for something new.</param>
    public sealed record TakeRequest(string? Onto = null, IReadOnlyDictionary<string, string?>? InPlaceOf = null);

    /// <param name="Place">The part that it becomes.</param>
    /// <param name="Swap">Where a kit takes the place of another.</param>
    /// <param name="Left">What has no counterpart here or was altered to fit, a sentence each.</param>
    /// <param name="Joints">Of a set piece: what joins where.</param>
    public sealed record TakeView(IReadOnlyList<Edit> Edits, IReadOnlyList<string> Words, string Place, KitSwap? Swap, IReadOnlyList<string> Left, IReadOnlyList<PieceJoint> Joints);

    public static void MapShelf(this RouteGroupBuilder api)
    {
        var group = api.MapGroup("/shelf").WithTags("Shelf");
        group.MapGet("/", async Task<Ok<IReadOnlyList<ItemView>>> (ShelfStore shelf, CancellationToken cancellation) =>
            TypedResults.Ok<IReadOnlyList<ItemView>>([.. (await shelf.ListAsync(cancellation)).Select(i => ViewOf(i.Item, i.ChangedUtc))]));
        group.MapPost("/", KeepAsync);
        group.MapPost("/from-document", async (HttpRequest request, ShelfStore shelf, CancellationToken cancellation) =>
            await BoundedStream.ReadAsync(request.Body, ShelfDocument.MostBytes, request.ContentLength, cancellation) is not { } bytes
                ? Problems.Unreadable("too-large", $"An item of the shelf may have {ShelfDocument.MostBytes / 1024 / 1024} MB.")
                : ShelfDocument.Read(bytes) switch
                {
                    FormatResult<ShelfDocument.Named>.Read read => Answer(await shelf.AddAsync(read.Value.Name, read.Value.Content, cancellation)),
                    FormatResult<ShelfDocument.Named>.Refused refused => Problems.Unreadable(refused.Code, refused.Sentence),
                    _ => throw new InvalidOperationException("A file is read or refused."),
                });
        group.MapPut("/{item}", async Task<Results<Ok<ItemView>, ProblemHttpResult>> (string item, PartRequest part, ShelfStore shelf, DocumentStore store, CancellationToken cancellation) =>
            await PartAsync(part, store, cancellation) is { } found ? Answer(await shelf.ReplaceAsync(item, CalledAs(found.Content, await shelf.FindAsync(item, cancellation)), cancellation)) : Problems.NotFound("part"));
        group.MapPut("/{item}/name", async (string item, NameRequest asked, ShelfStore shelf, CancellationToken cancellation) => Answer(await shelf.RenameAsync(item, asked.Name.Trim(), cancellation)));
        group.MapPut("/{item}/key", async Task<Results<Ok<ItemView>, ProblemHttpResult>> (string item, KeyRequest asked, ShelfStore shelf, CancellationToken cancellation) =>
            await shelf.FindAsync(item, cancellation) is not { Content: SetPieceContent piece } ? Problems.NotFound("set piece")
            : (piece with { Key = asked.Key }) is var called && called.Check() is { } wrong ? Problems.Refused(wrong)
            : await TakenKeyAsync(item, asked.Key, shelf, cancellation) is { } taken ? Problems.Refused(taken)
            : Answer(await shelf.ReplaceAsync(item, called, cancellation)));
        group.MapDelete("/{item}", async Task<Results<NoContent, ProblemHttpResult>> (string item, ShelfStore shelf, CancellationToken cancellation) =>
            await shelf.RemoveAsync(item, cancellation) ? TypedResults.NoContent() : Problems.NotFound("item"));
        group.MapGet("/{item}/document", async Task<Results<FileContentHttpResult, ProblemHttpResult>> (string item, ShelfStore shelf, CancellationToken cancellation) =>
            await shelf.FindAsync(item, cancellation) is { } found
                ? TypedResults.File(ShelfDocument.Write(found.Name, found.Content), "application/json", $"{SongPackage.FileName(found.Name)}.shelf.json")
                : Problems.NotFound("item"));
        group.MapGet("/{item}/uses", async Task<Results<Ok<IReadOnlyList<UseView>>, ProblemHttpResult>> (string item, ShelfStore shelf, DocumentStore store, CancellationToken cancellation) =>
            await shelf.FindAsync(item, cancellation) is { } found ? TypedResults.Ok(await UsesAsync(found, shelf, store, cancellation)) : Problems.NotFound("item"));
    }

    /// <summary>Items of the shelf as parts of a document.</summary>
    public static void MapShelfParts(this RouteGroupBuilder group) =>
        group.MapPost("/{id}/shelf/{item}", async Task<Results<Ok<TakeView>, ProblemHttpResult>> (
            string id, string item, TakeRequest asked, ShelfStore shelf, DocumentStore store, CancellationToken cancellation) =>
            await store.OpenAsync(id, cancellation) is not { } document ? Problems.NotFound("document")
            : await shelf.FindAsync(item, cancellation) is not { } found ? Problems.NotFound("item")
            : ShelfTake.Of(document.Template, found, asked.Onto, asked.InPlaceOf) switch
            {
                ShelfTakeResult.Taken { Take: var take } => TypedResults.Ok(new TakeView(take.Edits, EditWords.OfBatch(take.Edits, document.Template), take.Place, take.Swap, take.Left, take.Joints)),
                ShelfTakeResult.Refused refused => Problems.Refused(refused.Why),
                _ => throw new InvalidOperationException("An item is taken or refused."),
            });

    private static async Task<Results<Ok<Kept>, ProblemHttpResult>> KeepAsync(PartRequest part, ShelfStore shelf, DocumentStore store, CancellationToken cancellation)
    {
        if (await PartAsync(part, store, cancellation) is not { } found)
            return Problems.NotFound("part");
        var name = part.Name?.Trim() ?? found.Name;
        if (TextRules.Name("The name of an item", name) is { } wrong)
            return Problems.Refused(wrong);
        var answer = await shelf.AddAsync(name, found.Content, cancellation);
        return answer is ShelfAnswer.Kept { Item: var item }
            ? TypedResults.Ok(new Kept(ViewOf(item), [new PutShelfCopy(ShelfKeep.Copy(item, part.Place))]))
            : Refused(answer);
    }

    /// <summary>A set piece keeps the key that calls it when it is renewed.</summary>
    private static ShelfContent CalledAs(ShelfContent content, ShelfItem? before) => content is SetPieceContent piece && before?.Content is SetPieceContent { Key: var key } ? piece with { Key = key } : content;

    private static async Task<Refusal?> TakenKeyAsync(string item, string? key, ShelfStore shelf, CancellationToken cancellation) =>
        key is not null && (await shelf.ListAsync(cancellation)).Select(i => i.Item).FirstOrDefault(i => i.Id != item && i.Content is SetPieceContent piece && piece.Key == key) is { } other
            ? new Refusal.WrongPlace(key, $"calls {other.Name} already")
            : null;

    private static ItemView ViewOf(ShelfItem item, DateTime? changedUtc = null) => new(item.Id, item.Name, item.Content.Kind, item.Revision, item.Content.Words, changedUtc, (item.Content as PatchContent)?.Patch.Of, (item.Content as SetPieceContent)?.Key);

    private static Results<Ok<ItemView>, ProblemHttpResult> Answer(ShelfAnswer answer) => answer is ShelfAnswer.Kept kept ? TypedResults.Ok(ViewOf(kept.Item)) : Refused(answer);

    private static ProblemHttpResult Refused(ShelfAnswer answer) => answer is ShelfAnswer.Refused refused ? Problems.Refused(refused.Why) : Problems.NotFound("item");

    private static async Task<(ShelfContent Content, string Name)?> PartAsync(PartRequest part, DocumentStore store, CancellationToken cancellation) =>
        await store.OpenAsync(part.Document, cancellation) is { } document && ShelfKeep.Of(document.Template, part.Kind, part.Place) is var (content, name)
            ? (content is StripContent strip ? strip with { For = part.For } : content, name)
            : null;

    private static async Task<IReadOnlyList<UseView>> UsesAsync(ShelfItem item, ShelfStore shelf, DocumentStore store, CancellationToken cancellation)
    {
        var uses = new List<UseView>();
        var past = await shelf.PastAsync(item.Id, cancellation);
        foreach (var id in await shelf.UsersAsync(item.Id, cancellation))
        {
            try
            {
                if (await store.OpenAsync(id, cancellation) is { } document)
                    uses.AddRange(ShelfRenewal.Of(document.Template, item, past.GetValueOrDefault).Select(r => UseOf(document, r)));
            }
            catch (DamagedDocumentException)
            {
                continue;
            }
        }

        return uses;
    }

    private static UseView UseOf(OpenDocument document, ShelfRenewal renewal) => new(
        document.Id, document.Template.Name, document.Kind, document.Revision, PartOf(document.Template, renewal.Copy), renewal.Copy.Revision, renewal.IsBehind,
        renewal.Edits, EditWords.OfBatch(renewal.Edits, document.Template),
        [.. renewal.Changes.Select(c => new UseChangeView(c.Number, c.Edit, c.Words, c.Standing, c.Why?.Sentence))], renewal.Why?.Sentence);

    private static string PartOf(Template template, ShelfCopy copy) =>
        copy.Kind is ShelfKind.SetPiece ? template.Channels.FirstOrDefault(c => c.Id.Value == copy.Place)?.Name ?? copy.Place
        : copy.Kind is ShelfKind.Kit or ShelfKind.Machine or ShelfKind.Strip ? template.Channels[new ChannelId(copy.Place)].Name
        : copy.Kind is ShelfKind.Chain ? ShelfCopy.ChainOf(template, copy.Place)?.Channel.Name ?? copy.Place
        : copy.Kind is ShelfKind.Rhythm ? ShelfCopy.StarterOf(template, copy.Place)?.Channel.Name ?? copy.Place
        : copy.Kind is ShelfKind.Device && DevicePlace.Of(copy.Place) is { } place ? template.Channels[place.Channel].Name
        : copy.Place[(copy.Place.IndexOf('/', StringComparison.Ordinal) + 1)..];
}
