using HomeStage.Core.Catalogue;
using HomeStage.Core.Levels;
using HomeStage.Core.Soundcheck;
using HomeStage.Server.Data;
using HomeStage.Server.Data.Studios;
using Microsoft.AspNetCore.Http.HttpResults;

namespace HomeStage.Server.Api;

/// <summary>Where the levels of a document will come to lie: a prediction, without rendering it.</summary>
internal static class LevelsApi
{
    /// <param name="TargetLufs">What the gain brings the mix bus to.</param>
    /// <param name="Levels">Of all channels that are out of the wings.</param>
    /// <param name="Doubled">Sources that come to one sum by several ways with the same processing.</param>
    /// <param name="GainDb">By channel: what brings its expected loudness to the target; none for what is silent.</param>
    public sealed record BudgetView(double TargetLufs, Sequence<PredictedLevel> Levels, Sequence<DoubledPath> Doubled, Map<double> GainDb);

    /// <param name="Reasons">Sentences, the nearest to the channel first; empty where sound should arrive.</param>
    public sealed record SilenceView(Sequence<string> Reasons);

    public static void MapLevels(this RouteGroupBuilder group)
    {
        group.MapGet("/{id}/silence", async Task<Results<Ok<SilenceView>, ProblemHttpResult>> (
            string id, string act, string channel, DocumentStore store, StudioDesk desk, CancellationToken cancellation) =>
            await store.OpenAsync(id, cancellation) is not { } document ? Problems.NotFound("document")
            : document.Template.Acts.All(a => a.Id != act) ? Problems.NotFound("act")
            : !Identifier.IsValid(channel) || !document.Template.Channels.Contains(new(channel)) ? Problems.NotFound("channel")
            : TypedResults.Ok(new SilenceView([.. WhySilent.At(document.Compiled.In((await desk.OnAsync(cancellation))?.Studio).In(act), new(channel)).Select(r => r.Sentence)])));
        group.MapGet("/{id}/levels", async Task<Results<Ok<BudgetView>, ProblemHttpResult>> (
            string id, string act, DocumentStore store, StudioDesk desk, CancellationToken cancellation, double target = Calibration.NominalLufs) =>
            !(target is >= -60 and <= 0) ? Problems.Refused(new Refusal.OutOfRange("The target", target, -60, 0, "LUFS"))
            : await store.OpenAsync(id, cancellation) is not { } document ? Problems.NotFound("document")
            : document.Template.Acts.All(a => a.Id != act) ? Problems.NotFound("act")
            : TypedResults.Ok(Of(document.Compiled.LevelsIn(act, (await desk.OnAsync(cancellation))?.Studio), target)));
    }

    private static BudgetView Of(LevelBudget budget, double target) => new(
        target, budget.Levels, budget.Doubled,
        Map<double>.From(budget.Levels
            .Where(l => l.ExpectedLufs is not null)
            .Select(l => KeyValuePair.Create(l.Channel.Value, budget.GainTo(l.Channel, target)!.Value))));
}
