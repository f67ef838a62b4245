using HomeStage.Core.Templates;
using HomeStage.Core.Templates.Edits;
using HomeStage.Server.Data;

namespace HomeStage.Server.Demo;

/// <summary>Fills an empty library with the demo company's templates, through the same edits as anybody's.</summary>
public sealed class DemoSeed(DocumentStore store, DocumentLists lists)
{
    /// <summary>The demo templates as the edits that build them from an empty stage.</summary>
    public static IReadOnlyList<(string Name, IReadOnlyList<Edit> Edits)> Templates { get; } =
        [(NightFerry.Name, NightFerry.Edits()), (FirstRehearsal.Name, FirstRehearsal.Edits())];

    public async Task SeedAsync(CancellationToken cancellation = default)
    {
        if ((await lists.AllAsync(DocumentKind.Template, cancellation)).Count > 0)
            return;
        foreach (var (name, edits) in Templates)
        {
            var document = await store.CreateAsync(DocumentKind.Template, EmptyStage.Create(name), cancellation: cancellation);
            var answer = await store.EditAsync(document.Id, DocumentKind.Template, 0, edits, RevisionKind.Origin, cancellation);
            if (answer is StoreAnswer.Refused refused)
                throw new InvalidOperationException($"The demo template {name} is refused at edit {refused.EditIndex}: {refused.Why.Sentence}");
            if (name == FirstRehearsal.Name)
                await lists.OpenByDefaultAsync(document.Id, cancellation);
        }
    }
}
