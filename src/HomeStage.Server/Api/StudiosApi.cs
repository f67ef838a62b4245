using HomeStage.Core.Catalogue;
using HomeStage.Core.Devices;
using HomeStage.Core.Shelf;
using HomeStage.Core.Studios;
using HomeStage.Formats;
using HomeStage.Formats.Csv;
using HomeStage.Server.Data.Shelf;
using HomeStage.Server.Data.Studios;
using Microsoft.AspNetCore.Http.HttpResults;

namespace HomeStage.Server.Api;

/// <summary>Studios: what is in each, which one is on, and devices that a folder or a table tells of.</summary>
internal static class StudiosApi
{
    /// <param name="Words">What is in it, in a few words.</param>
    /// <param name="BufferMs">What the buffers take in and out together, at 48 kHz.</param>
    public sealed record StudioView(string Id, string Name, int Revision, bool IsOn, string Words, double BufferMs, Studio Studio);

    /// <param name="Name">1 to 80 characters; a name that is taken gets the next number.</param>
    public sealed record StudioRequest(string Name, Studio Studio);

    /// <param name="Id">Null for none.</param>
    public sealed record StudioOnRequest(string? Id);

    /// <param name="Folder">A folder of this machine; what lies below it is looked through.</param>
    public sealed record FolderRequest(string Folder);

    /// <param name="Devices">What was found, each once.</param>
    /// <param name="LeftOut">What could not be read, a sentence each.</param>
    public sealed record FoundView(IReadOnlyList<FoundDeviceView> Devices, IReadOnlyList<string> LeftOut);

    /// <param name="Kind">What it is, by what stands in for it: "instrument", "reverb".</param>
    public sealed record FoundDeviceView(OutsideDevice Device, string StandIn, string Kind, bool IsHere);

    /// <param name="Fresh">How many of the devices the studio had never heard of.</param>
    public sealed record StudioGainView(StudioView Studio, int Fresh);

    public static void MapStudios(this RouteGroupBuilder api)
    {
        var group = api.MapGroup("/studios").WithTags("Studios");
        group.MapGet("/", async (ShelfStore shelf, StudioDesk desk, CancellationToken cancellation) => TypedResults.Ok(await ListAsync(shelf, desk, cancellation)));
        group.MapPost("/", async Task<Results<Ok<StudioView>, ProblemHttpResult>> (StudioRequest asked, ShelfStore shelf, StudioDesk desk, CancellationToken cancellation) =>
            (TextRules.Name("The name of a studio", asked.Name.Trim()) ?? StudioRules.Check(asked.Studio)) is { } wrong ? Problems.Refused(wrong)
            : await AnswerAsync(await shelf.AddAsync(asked.Name.Trim(), new StudioContent(asked.Studio), cancellation), desk, cancellation));
        group.MapPut("/on", async Task<Results<NoContent, ProblemHttpResult>> (StudioOnRequest asked, StudioDesk desk, CancellationToken cancellation) =>
            await desk.PutOnAsync(asked.Id, cancellation) ? TypedResults.NoContent() : Problems.NotFound("studio"));
        group.MapPut("/{id}", async Task<Results<Ok<StudioView>, ProblemHttpResult>> (string id, StudioRequest asked, ShelfStore shelf, StudioDesk desk, CancellationToken cancellation) =>
        {
            if (StudioRules.Check(asked.Studio) is { } wrong)
                return Problems.Refused(wrong);
            var named = await shelf.RenameAsync(id, asked.Name.Trim(), cancellation);
            return await AnswerAsync(named is ShelfAnswer.Kept ? await shelf.ReplaceAsync(id, new StudioContent(asked.Studio), cancellation) : named, desk, cancellation);
        });
        group.MapPost("/{id}/devices", async Task<Results<Ok<StudioGainView>, ProblemHttpResult>> (string id, IReadOnlyList<StudioDevice> found, ShelfStore shelf, StudioDesk desk, CancellationToken cancellation) =>
        {
            if (await shelf.FindAsync(id, cancellation) is not { Content: StudioContent { Studio: var before } })
                return Problems.NotFound("studio");
            var (studio, fresh) = before.With(found);
            return StudioRules.Check(studio) is { } wrong ? Problems.Refused(wrong)
                : await shelf.ReplaceAsync(id, new StudioContent(studio), cancellation) switch
                {
                    ShelfAnswer.Kept kept => TypedResults.Ok(new StudioGainView(ViewOf(kept.Item, await desk.OnAsync(cancellation)), fresh)),
                    ShelfAnswer.Refused refused => Problems.Refused(refused.Why),
                    _ => Problems.NotFound("studio"),
                };
        });
        group.MapPost("/devices/found", async Task<Results<Ok<FoundView>, ProblemHttpResult>> (FolderRequest asked, CancellationToken cancellation) =>
            await Task.Run(() => DeviceFolder.Look(asked.Folder, cancellation), cancellation) switch
            {
                FormatResult<FoundDevices>.Read read => TypedResults.Ok(ViewOf(read.Value)),
                FormatResult<FoundDevices>.Refused refused => Problems.Unreadable(refused.Code, refused.Sentence),
                _ => throw new InvalidOperationException("A folder is read or refused."),
            });
        group.MapPost("/devices/table", async Task<Results<Ok<FoundView>, ProblemHttpResult>> (HttpRequest request, CancellationToken cancellation) =>
            await BoundedStream.ReadAsync(request.Body, DeviceCsv.MostBytes, request.ContentLength, cancellation) is not { } bytes
                ? Problems.Unreadable("too-large", $"A table of devices may have {DeviceCsv.MostBytes / 1024} kB.")
                : DeviceCsv.Read(bytes) switch
                {
                    FormatResult<FoundDevices>.Read read => TypedResults.Ok(ViewOf(read.Value)),
                    FormatResult<FoundDevices>.Refused refused => Problems.Unreadable(refused.Code, refused.Sentence),
                    _ => throw new InvalidOperationException("A table is read or refused."),
                });
    }

    private static FoundView ViewOf(FoundDevices found) =>
        new([.. found.Devices.Select(d => new FoundDeviceView(d.Device, d.StandIn, StandIns.KindOf(d.StandIn), d.IsHere))], found.LeftOut);

    private static async Task<IReadOnlyList<StudioView>> ListAsync(ShelfStore shelf, StudioDesk desk, CancellationToken cancellation)
    {
        var on = await desk.OnAsync(cancellation);
        return [.. (await shelf.ListAsync(cancellation)).Where(i => i.Item.Content is StudioContent).Select(i => ViewOf(i.Item, on))];
    }

    private static StudioView ViewOf(ShelfItem item, StudioOn? on) => item.Content is StudioContent { Studio: var studio }
        ? new(item.Id, item.Name, item.Revision, item.Id == on?.Id, item.Content.Words, 2000.0 * studio.Interface.BufferFrames / 48000, studio)
        : throw new ArgumentException("No studio.", nameof(item));

    private static async Task<Results<Ok<StudioView>, ProblemHttpResult>> AnswerAsync(ShelfAnswer answer, StudioDesk desk, CancellationToken cancellation) => answer switch
    {
        ShelfAnswer.Kept kept => TypedResults.Ok(ViewOf(kept.Item, await desk.OnAsync(cancellation))),
        ShelfAnswer.Refused refused => Problems.Refused(refused.Why),
        _ => Problems.NotFound("studio"),
    };
}
