using HomeStage.Core.Editing;
using HomeStage.Core.Shelf;
using HomeStage.Core.Templates;
using HomeStage.Server.Data;
using HomeStage.Server.Data.Shelf;
using HomeStage.Server.Data.Studios;

namespace HomeStage.Server.Demo;

/// <summary>Fills a library in which nothing ever was with the demo company's templates, made by the same edits as anybody's: all of
/// them or none.</summary>
public sealed class DemoSeed(DocumentStore store, DocumentLists lists, ShelfStore shelf, StudioDesk desk)
{
    /// <summary>The demo templates as the edits that build them from an empty stage.</summary>
    public static IReadOnlyList<(string Name, IReadOnlyList<Edit> Edits)> Templates { get; } =
        [(NightFerry.Name, NightFerry.Edits()), (FirstRehearsal.Name, FirstRehearsal.Edits()), (ReedOrgan.Name, ReedOrgan.Edits()), (StormCue.Name, StormCue.Edits())];

    public async Task SeedAsync(CancellationToken cancellation = default)
    {
        if (!await lists.IsEmptyAsync(cancellation))
            return;
        var templates = Templates.ToDictionary(t => t.Name, t => Built(t.Name, t.Edits));
        // A seeding that was cut off goes on from here; the templates come last and all at once.
        if ((await shelf.ListAsync(cancellation)).Count == 0)
            foreach (var (name, content) in QuayShelf.Items.Concat(QuayPieces.Items(templates)))
                if (await shelf.AddAsync(name, content, cancellation) is ShelfAnswer.Kept { Item: var item } && name == HarbourRoom.Name)
                    await desk.PutOnAsync(item.Id, cancellation);
        await store.CreateAllAsync([.. Templates.Select(t => new NewDocument(DocumentKind.Template, templates[t.Name], OpensByDefault: t.Name == FirstRehearsal.Name))], cancellation);
    }

    private static Template Built(string name, IReadOnlyList<Edit> edits) => Batch.Apply(NewStage.Create(name, []), edits) switch
    {
        BatchResult.Applied applied => applied.Template,
        BatchResult.Refused refused => throw new InvalidOperationException($"The demo template {name} is refused at edit {refused.EditIndex}: {refused.Why.Sentence}"),
        _ => throw new InvalidOperationException("A batch is applied or refused."),
    };
}
