using HomeStage.Core.Editing;
using HomeStage.Core.Editing.Words;
using HomeStage.Core.Inheriting;
using HomeStage.Core.Templates;
using HomeStage.Server.Data;
using Microsoft.AspNetCore.Http.HttpResults;

namespace HomeStage.Server.Api;

/// <summary>Templates that are based on others: begun of them, and offered what changes there.</summary>
internal static class InheritanceApi
{
    /// <summary>What a template is based on.</summary>
    /// <param name="IsHere">Whether this library has it.</param>
    /// <param name="Revision">Its newest; the one that was seen last where it is not here.</param>
    /// <param name="Changes">Since it was looked through last.</param>
    public sealed record ParentView(string Template, string Name, bool IsHere, int Revision, IReadOnlyList<ChangeLine> Changes);

    /// <param name="Why">What is in the way; null for nothing.</param>
    public sealed record ChangeLine(int Number, string Words, Standing Standing, string? Why);

    /// <param name="Revision">Of the parent, as it was offered.</param>
    /// <param name="Chosen">Numbers of changes; the others are left and not offered again.</param>
    public sealed record Choice(int Revision, Sequence<int> Chosen);

    public sealed record Taken(IReadOnlyList<Edit> Edits, IReadOnlyList<string> Words);

    private sealed record Generations(Template Was, Template Now, Template Child, Parent Seen);

    public static void MapBeginnings(this RouteGroupBuilder api) =>
        api.MapPost("/templates/{id}/based", async Task<Results<Created<TemplatesApi.Created>, ProblemHttpResult>> (string id, TemplatesApi.NewTemplate asked, DocumentStore store, CancellationToken cancellation) =>
        {
            if (await store.OpenAsync(id, cancellation) is not { Kind: DocumentKind.Template } from)
                return Problems.NotFound("template");
            return await TemplatesApi.MadeAsync(Inheritance.Begin(from.Template, from.Id, from.Revision, asked.Name.Trim()), store, cancellation);
        }).WithTags("Templates");

    public static void MapInheritance(this RouteGroupBuilder group)
    {
        group.MapGet("/{id}/parent", async Task<Results<Ok<ParentView>, ProblemHttpResult>> (string id, DocumentStore store, DocumentLists lists, RevisionLog log, CancellationToken cancellation) =>
            await store.OpenAsync(id, cancellation) is not { Template.Parent: { } parent } child ? Problems.NotFound("template that this one is based on")
            : await GenerationsAsync(child.Template, parent, null, store, lists, log, cancellation) is { } all
                ? TypedResults.Ok(new ParentView(parent.Template, all.Seen.Name, true, all.Seen.Revision, [.. Inheritance.Offered(all.Was, all.Now, all.Child).Select(c => new ChangeLine(c.Number, c.Words, c.Standing, c.Why?.Sentence))]))
                : TypedResults.Ok(new ParentView(parent.Template, parent.Name, false, parent.Revision, [])));
        group.MapPost("/{id}/parent", async Task<Results<Ok<Taken>, ProblemHttpResult>> (string id, Choice asked, DocumentStore store, DocumentLists lists, RevisionLog log, CancellationToken cancellation) =>
        {
            if (await store.OpenAsync(id, cancellation) is not { Template.Parent: { } parent } child
                || await GenerationsAsync(child.Template, parent, asked.Revision, store, lists, log, cancellation) is not { } all)
                return Problems.NotFound("template that this one is based on");
            var (edits, why) = Inheritance.Taking(all.Was, all.Now, all.Child, asked.Chosen, all.Seen);
            return why is null ? TypedResults.Ok(new Taken(edits, EditWords.OfBatch(edits, child.Template))) : Problems.Refused(why);
        });
    }

    /// <param name="revision">Of the parent; null for its newest.</param>
    /// <returns>Null where this library does not have it.</returns>
    private static async Task<Generations?> GenerationsAsync(Template child, Parent parent, int? revision, DocumentStore store, DocumentLists lists, RevisionLog log, CancellationToken cancellation)
    {
        if (await lists.FindAsync(parent.Template, cancellation) is not { Kind: DocumentKind.Template, RemovedUtc: null }
            || await store.OpenAsync(parent.Template, cancellation) is not { } open
            || await log.TemplateAtAsync(parent.Template, parent.Revision, cancellation) is not { } was)
            return null;
        var number = revision ?? open.Revision;
        var now = number == open.Revision ? open.Template : await log.TemplateAtAsync(parent.Template, number, cancellation);
        return now is null ? null : new(was, now, child, new(parent.Template, open.Template.Name, number));
    }
}
