using HomeStage.Core.Catalogue;
using HomeStage.Core.Editing;
using HomeStage.Core.Editing.Words;
using HomeStage.Core.Starting;
using HomeStage.Core.Templates;
using HomeStage.Server.Data;
using HomeStage.Server.Data.Studios;
using Microsoft.AspNetCore.Http.HttpResults;

namespace HomeStage.Server.Api;

/// <summary>Inserts that wait: what they wait for, and what comes of it when that is there.</summary>
internal static class WaitingApi
{
    /// <param name="Name">Of the channel.</param>
    /// <param name="Title">What the insert is called.</param>
    /// <param name="Note">Who or what, where somebody said.</param>
    /// <param name="IsIdle">Whether it is idle; one that waits for the song's key works once there is one.</param>
    public sealed record WaitingView(ChannelId Channel, InsertId Insert, string Name, string Title, WaitReason What, string Note, bool IsIdle);

    /// <param name="Key">Null lets it wait.</param>
    /// <param name="Ready">Inserts of which a person says that they wait no more.</param>
    public sealed record CameRequest(MusicalKey? Key, Sequence<ReadyInsert> Ready);

    /// <param name="Edits">Say what has come, and park for recording what is too late to sing through.</param>
    public sealed record CameView(IReadOnlyList<Edit> Edits, IReadOnlyList<string> Words);

    public static void MapWaiting(this RouteGroupBuilder group)
    {
        group.MapGet("/{id}/waiting", async Task<Results<Ok<IReadOnlyList<WaitingView>>, ProblemHttpResult>> (string id, DocumentStore store, CancellationToken cancellation) =>
            await store.OpenAsync(id, cancellation) is { } document ? TypedResults.Ok<IReadOnlyList<WaitingView>>([.. Waiting.In(document.Template).Select(w => ViewOf(document.Template, w))]) : Problems.NotFound("document"));
        group.MapPost("/{id}/waiting", async Task<Results<Ok<CameView>, ProblemHttpResult>> (string id, CameRequest asked, DocumentStore store, StudioDesk desk, CancellationToken cancellation) =>
            await store.OpenAsync(id, cancellation) is not { } document ? Problems.NotFound("document")
            : SongStart.Came(document.Template, asked.Key, asked.Ready, (await desk.OnAsync(cancellation))?.Studio) switch
            {
                (null, var why) => Problems.Refused(why!),
                ({ } edits, _) => TypedResults.Ok(new CameView(edits, EditWords.OfBatch(edits, document.Template))),
            });
    }

    internal static WaitingView ViewOf(Template template, Waiting waiting)
    {
        var channel = template.Channels[waiting.Channel];
        return new(waiting.Channel, waiting.Insert, channel.Name, channel.Inserts.First(i => i.Id == waiting.Insert).Title(), waiting.For.What, waiting.For.Note, waiting.IsIdle);
    }
}
