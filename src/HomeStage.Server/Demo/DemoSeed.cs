using HomeStage.Core.Editing;
using HomeStage.Core.Inheriting;
using HomeStage.Core.Shelf;
using HomeStage.Core.Starting;
using HomeStage.Core.Templates;
using HomeStage.Server.Data;
using HomeStage.Server.Data.Shelf;
using HomeStage.Server.Data.Studios;
using HomeStage.Server.Data.Summaries;

namespace HomeStage.Server.Demo;

/// <summary>Fills a library in which nothing ever was with the demo company's templates and songs, made by the same edits as anybody's: all of
/// them or none.</summary>
public sealed class DemoSeed(DocumentStore store, DocumentLists lists, SummaryShelf summaries, ShelfStore shelf, StudioDesk desk, TimeProvider clock)
{
    /// <summary>The demo templates as the edits that build them from an empty stage.</summary>
    public static IReadOnlyList<(string Name, IReadOnlyList<Edit> Edits)> Templates { get; } =
        [(NightFerry.Name, NightFerry.Edits()), (FirstRehearsal.Name, FirstRehearsal.Edits()), (ReedOrgan.Name, ReedOrgan.Edits()), (StormCue.Name, StormCue.Edits())];

    /// <returns>A demo template, built.</returns>
    public static Template Built(string name) => Done(name, NewStage.Create(name, []), Templates.Single(t => t.Name == name).Edits);

    public async Task SeedAsync(CancellationToken cancellation = default)
    {
        if (!await lists.IsEmptyAsync(cancellation))
            return;
        var templates = Templates.ToDictionary(t => t.Name, t => Built(t.Name));
        // A seeding that was cut off goes on from here; the templates come last and all at once.
        if ((await shelf.ListAsync(cancellation)).Count == 0)
            foreach (var (name, content) in QuayShelf.Items.Concat(QuayPieces.Items(templates)))
                if (await shelf.AddAsync(name, content, cancellation) is ShelfAnswer.Kept { Item: var item } && name == HarbourRoom.Name)
                    await desk.PutOnAsync(item.Id, cancellation);
        var ferry = (Id: NewDocument.IdAt(clock.GetUtcNow()), Template: templates[NightFerry.Name]);
        await store.CreateAllAsync(
            [
                .. Templates.Select(t => new NewDocument(DocumentKind.Template, templates[t.Name], OpensByDefault: t.Name == FirstRehearsal.Name) { Id = t.Name == NightFerry.Name ? ferry.Id : null }),
                new(DocumentKind.Template, Done(SmallHall.Name, Inheritance.Begin(ferry.Template, ferry.Id, 0, SmallHall.Name), [.. SmallHall.Edits(ferry.Template)])),
                .. FerrySongs.All.Select(s => new NewDocument(DocumentKind.Song, Song(ferry.Template, s.Wish, s.Edits), (ferry.Id, 0))),
                new(DocumentKind.Song, Done(WreckOfASong.Name, EmptyStage.Create(WreckOfASong.Name), WreckOfASong.Edits())),
            ],
            cancellation);
        // Whoever comes in first is not to wait for what the library says of them.
        await summaries.AllAsync(DocumentKind.Template, cancellation);
        await summaries.AllAsync(DocumentKind.Song, cancellation);
    }

    private static Template Song(Template of, SongWish wish, IReadOnlyList<Edit> edits) =>
        SongStart.Of(of, wish, null) is ({ } song, _) ? Done(wish.Title, song, edits) : throw new InvalidOperationException($"The demo song {wish.Title} cannot be started.");

    private static Template Done(string name, Template template, IReadOnlyList<Edit> edits) => Batch.Apply(template, edits) switch
    {
        BatchResult.Applied applied => applied.Template,
        BatchResult.Refused refused => throw new InvalidOperationException($"The demo template {name} is refused at edit {refused.EditIndex}: {refused.Why.Sentence}"),
        _ => throw new InvalidOperationException("A batch is applied or refused."),
    };
}
