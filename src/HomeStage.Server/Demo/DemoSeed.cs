using HomeStage.Core.Editing;
using HomeStage.Core.Templates;
using HomeStage.Server.Data;

namespace HomeStage.Server.Demo;

/// <summary>Fills a library in which nothing ever was with the demo company's templates, made by the same edits as anybody's: all of
/// them or none.</summary>
public sealed class DemoSeed(DocumentStore store, DocumentLists lists)
{
    /// <summary>The demo templates as the edits that build them from an empty stage.</summary>
    public static IReadOnlyList<(string Name, IReadOnlyList<Edit> Edits)> Templates { get; } =
        [(NightFerry.Name, NightFerry.Edits()), (FirstRehearsal.Name, FirstRehearsal.Edits())];

    public async Task SeedAsync(CancellationToken cancellation = default)
    {
        if (!await lists.IsEmptyAsync(cancellation))
            return;
        await store.CreateAllAsync([.. Templates.Select(t => new NewDocument(DocumentKind.Template, Built(t.Name, t.Edits), OpensByDefault: t.Name == FirstRehearsal.Name))], cancellation);
    }

    private static Template Built(string name, IReadOnlyList<Edit> edits) => Batch.Apply(EmptyStage.Create(name), edits) switch
    {
        BatchResult.Applied applied => applied.Template,
        BatchResult.Refused refused => throw new InvalidOperationException($"The demo template {name} is refused at edit {refused.EditIndex}: {refused.Why.Sentence}"),
        _ => throw new InvalidOperationException("A batch is applied or refused."),
    };
}
