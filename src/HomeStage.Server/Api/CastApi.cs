using HomeStage.Core.Casting;
using HomeStage.Core.Catalogue;
using HomeStage.Core.Editing;
using HomeStage.Server.Api.Views;
using HomeStage.Server.Data;
using HomeStage.Server.Data.Sounds;
using HomeStage.Server.Jobs;
using Microsoft.AspNetCore.Http.HttpResults;

namespace HomeStage.Server.Api;

/// <summary>Cast lists: a page of names as channels, and a template as a page of names.</summary>
internal static class CastApi
{
    /// <param name="Text">The template as a list; nothing where it is an empty stage.</param>
    /// <param name="Example">Shows what a list can say.</param>
    public sealed record ListView(string Text, string Example);

    /// <param name="Was">The list as it was read, before somebody changed it; null for one from elsewhere.</param>
    /// <param name="Line">Of the caret, from 0; null for no completions.</param>
    /// <param name="Column">Characters of that line before the caret.</param>
    /// <param name="Sound">Whether what the soundcheck would find wrong with it is mended at once.</param>
    public sealed record ListRequest(string Text, string? Was = null, int? Line = null, int? Column = null, bool Sound = false);

    /// <param name="Revision">Of the document that it is meant for.</param>
    /// <param name="Left">What stands otherwise than the list says, and stays, a sentence each.</param>
    /// <param name="Gone">Names of channels that would be taken away.</param>
    /// <param name="Completions">How what is typed may go on.</param>
    public sealed record StageView(
        int Revision, IReadOnlyList<CastRowView> Rows, IReadOnlyList<CastMark> Marks, IReadOnlyList<string> Left, IReadOnlyList<string> Gone, IReadOnlyList<CastCompletion> Completions);

    /// <param name="Edits">Set the stage: apply whole to the revision.</param>
    /// <param name="Mended">What was mended with it, a sentence each.</param>
    public sealed record SetView(int Revision, IReadOnlyList<Edit> Edits, IReadOnlyList<CastMark> Marks, IReadOnlyList<string> Left, IReadOnlyList<string> Mended);

    /// <param name="Id">As a brief has it.</param>
    /// <param name="Said">What a list says of it.</param>
    public sealed record SpaceView(string Id, string Said);

    /// <param name="Kits">Instruments that play a kit.</param>
    /// <param name="Spaces">Returns to choose from.</param>
    /// <param name="Buses">That may make room.</param>
    public sealed record QuestionsView(IReadOnlyList<KitView> Kits, IReadOnlyList<SpaceView> Spaces, IReadOnlyList<string> Buses, int MostOfAKind, int MostPads);

    public sealed record KitView(string Id, string Name, int Outputs);

    public sealed record BriefView(string Text);

    private static readonly OneAtATime Solving = new();

    public static void MapCast(this RouteGroupBuilder group)
    {
        group.MapGet("/{id}/cast", async Task<Results<Ok<ListView>, ProblemHttpResult>> (string id, DocumentStore store, CancellationToken cancellation) =>
            await store.OpenAsync(id, cancellation) is { } document ? TypedResults.Ok(new ListView(CastText.Of(document.Template), CastExample.Text)) : Problems.NotFound("document"));
        group.MapPost("/{id}/cast/preview", async Task<Results<Ok<StageView>, ProblemHttpResult>> (string id, ListRequest asked, DocumentStore store, CancellationToken cancellation) =>
            TooLong(asked) is { } wrong ? Problems.Refused(wrong)
            : await store.OpenAsync(id, cancellation) is { } document ? TypedResults.Ok(Shown(document, asked)) : Problems.NotFound("document"));
        group.MapPost("/{id}/cast", async Task<Results<Ok<SetView>, ProblemHttpResult>> (string id, ListRequest asked, DocumentStore store, MediaStore media, CancellationToken cancellation) =>
        {
            if (TooLong(asked) is { } wrong)
                return Problems.Refused(wrong);
            if (await store.OpenAsync(id, cancellation) is not { } document)
                return Problems.NotFound("document");
            var (plan, mended) = await Solving.DoAsync(
                () => CastPlan.Of(document.Template, asked.Text, asked.Was, shelf: media, cancellation: cancellation) is var made && asked.Sound ? made.Sound() : (made, []), cancellation);
            return Batch.Apply(document.Template, plan.Edits) is BatchResult.Refused refused
                ? Problems.Refused(refused.Why)
                : TypedResults.Ok(new SetView(document.Revision, plan.Edits, plan.Marks, plan.Left, mended));
        });
    }

    /// <summary>A template as a few questions: what can be answered, and the list that the answers come to.</summary>
    public static void MapBrief(this RouteGroupBuilder api)
    {
        var group = api.MapGroup("/brief").WithTags("Documents");
        group.MapGet("/", () => TypedResults.Ok(new QuestionsView(
            [.. InstrumentCatalogue.All.Where(i => i.Kit is { Pieces.Count: > 0 }).Select(i => new KitView(i.Id, i.Name, i.Kit!.Outputs.Count))],
            [.. Brief.Spaces.Select(s => new SpaceView(s.Id, s.Said))], Brief.Buses, Brief.MostOfAKind, Brief.MostPads)));
        group.MapPost("/", Results<Ok<BriefView>, ProblemHttpResult> (Brief brief) =>
            brief.Check() is { } wrong ? Problems.Refused(wrong) : TypedResults.Ok(new BriefView(brief.List())));
    }

    private static StageView Shown(OpenDocument document, ListRequest asked)
    {
        var plan = CastPlan.Of(document.Template, asked.Text, asked.Was, solved: false);
        return new(
            document.Revision, CastRowView.Of(plan), plan.Marks, plan.Left,
            [.. document.Template.Channels.Where(c => !plan.After.Channels.Contains(c.Id)).Select(c => c.Name)],
            asked is { Line: { } line, Column: { } column } ? CastCompletion.At(document.Template, asked.Text, line, column) : []);
    }

    private static Refusal? TooLong(ListRequest asked) =>
        asked.Text.Length > CastSheet.LongestText || asked.Was?.Length > CastSheet.LongestText ? new Refusal.TooMany("characters in a cast list", CastSheet.LongestText) : null;
}
