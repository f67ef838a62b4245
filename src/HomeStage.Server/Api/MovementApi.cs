using HomeStage.Core.Automation;
using HomeStage.Core.Playing;
using HomeStage.Core.Templates;
using HomeStage.Server.Data;
using Microsoft.AspNetCore.Http.HttpResults;

namespace HomeStage.Server.Api;

/// <summary>What moves in a document, and what could be moved.</summary>
internal static class MovementApi
{
    /// <summary>A value with its curves.</summary>
    /// <param name="ChannelName">Of the channel that it is on.</param>
    /// <param name="Value">Null where it is gone: its curves wait for it to come back.</param>
    /// <param name="Curves">By section.</param>
    public sealed record MovedView(string ChannelName, MovableValue? Value, ChannelId Channel, Target Target, IReadOnlyList<Shape> Curves);

    /// <param name="Values">What each of its ranges moves, in their order; null for what is gone.</param>
    public sealed record LeverView(Lever Lever, IReadOnlyList<MovedView> Values);

    /// <param name="Kinds">Curves that are drawn often.</param>
    /// <param name="FloorDb">Where a level begins to be heard on its way out of silence.</param>
    public sealed record MovementView(IReadOnlyList<MovedView> Moved, IReadOnlyList<LeverView> Levers, IReadOnlyList<ShapeKind> Kinds, double FloorDb);

    public static void MapMovement(this RouteGroupBuilder group)
    {
        group.MapGet("/{id}/movement", async Task<Results<Ok<MovementView>, ProblemHttpResult>> (string id, DocumentStore store, CancellationToken cancellation) =>
            await store.OpenAsync(id, cancellation) is { } document ? TypedResults.Ok(Of(document.Template)) : Problems.NotFound("document"));
        group.MapGet("/{id}/channels/{channel}/movable", async Task<Results<Ok<IReadOnlyList<MovableValue>>, ProblemHttpResult>> (string id, string channel, DocumentStore store, CancellationToken cancellation) =>
            await store.OpenAsync(id, cancellation) is not { } document ? Problems.NotFound("document")
            : !Identifier.IsValid(channel) || !document.Template.Channels.TryGet(new(channel), out var found) ? Problems.NotFound("channel")
            : TypedResults.Ok<IReadOnlyList<MovableValue>>([.. MovableValue.On(document.Template, found)]));
    }

    private static MovementView Of(Template template) => new(
        [.. template.Channels.SelectMany(c => c.Shapes.GroupBy(s => s.Target).Select(g => ViewOf(template, c.Id, g.Key, [.. g])))],
        [.. template.Levers.Select(l => new LeverView(l, [.. l.Ranges.Select(r => ViewOf(template, r.Channel, r.Target, []))]))],
        ShapeKind.All, Scales.FloorDb);

    private static MovedView ViewOf(Template template, ChannelId id, Target target, IReadOnlyList<Shape> curves) =>
        template.Channels.TryGet(id, out var channel)
            ? new(channel.Name, MovableValue.Of(template, channel, target), id, target, curves)
            : new(id.Value, null, id, target, curves);
}
