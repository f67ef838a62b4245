using HomeStage.Core.Editing;
using HomeStage.Core.Ideas;
using HomeStage.Server.Data;
using Microsoft.AspNetCore.Http.HttpResults;

namespace HomeStage.Server.Api;

/// <summary>What was played over the loop, as a starter to be kept.</summary>
internal static class IdeasApi
{
    public sealed record NewIdea(Played Played, IdeaWish Wish);

    /// <param name="Name">Of the starter.</param>
    /// <param name="Section">Name of the section that it is for.</param>
    /// <param name="Edits">By which the channel has it, as one batch.</param>
    public sealed record IdeaView(string Name, string Section, int Notes, IReadOnlyList<Edit> Edits);

    public static void MapIdeas(this RouteGroupBuilder api) => api.MapPost("/documents/{id}/ideas", Work).WithTags("Ideas");

    private static async Task<Results<Ok<IdeaView>, ProblemHttpResult>> Work(string id, NewIdea asked, DocumentStore store, CancellationToken cancellation)
    {
        if (await store.OpenAsync(id, cancellation) is not { } document)
            return Problems.NotFound("document");
        var (idea, why) = FirstIdea.Of(document.Template, asked.Played, asked.Wish);
        return idea is null
            ? Problems.Refused(why!)
            : TypedResults.Ok(new IdeaView(idea.Pattern.Name, document.Template.Timeline.NameOf(idea.Section), idea.Pattern.Notes.Count, idea.Edits));
    }
}
