using HomeStage.Core.Catalogue;
using HomeStage.Core.Devices;
using HomeStage.Core.Editing;
using HomeStage.Core.Editing.Words;
using HomeStage.Core.Fitting;
using HomeStage.Core.Shelf;
using HomeStage.Core.Studios;
using HomeStage.Core.Templates;
using HomeStage.Formats;
using HomeStage.Server.Data;
using HomeStage.Server.Data.Shelf;
using HomeStage.Server.Data.Studios;
using Microsoft.AspNetCore.Http.HttpResults;

namespace HomeStage.Server.Api;

/// <summary>Outside devices: what a document holds of them, one in the place of another, and the states that they carry.</summary>
internal static class DevicesApi
{
    /// <param name="Device">What shall stand there.</param>
    public sealed record DeviceSwapRequest(ChannelId Channel, InsertId? Insert, OutsideDevice Device);

    /// <param name="Left">What has no counterpart on it, a sentence each.</param>
    public sealed record DeviceSwapView(IReadOnlyList<Edit> Edits, IReadOnlyList<string> Words, IReadOnlyList<string> Left);

    /// <summary>A device of a document, each once.</summary>
    /// <param name="StandIn">Id of what is heard in its place there.</param>
    public sealed record HeldDeviceView(OutsideDevice Device, string StandIn, string Kind);

    /// <summary>A device that the studio that is on, or the shelf, knows.</summary>
    /// <param name="Key">Tells it from the others of the answer, and stays the same while the list changes.</param>
    /// <param name="Item">The shelf's item that it is; null for one of the studio alone.</param>
    /// <param name="IsHere">Whether it is in the studio that is on.</param>
    public sealed record KnownDevice(string Key, OutsideDevice Device, string StandIn, bool IsInstrument, bool IsHere, string? Item);

    public static void MapKnownDevices(this RouteGroupBuilder api) =>
        api.MapGet("/devices", async (ShelfStore shelf, StudioDesk desk, CancellationToken cancellation) => TypedResults.Ok(await KnownAsync(shelf, desk, cancellation))).WithTags("Devices");

    public static void MapDeviceStates(this RouteGroupBuilder api)
    {
        var group = api.MapGroup("/device-states").WithTags("Devices");
        group.MapPost("/", async Task<Results<Ok<DeviceState>, ProblemHttpResult>> (string name, HttpRequest request, DeviceStates states, CancellationToken cancellation) =>
            await BoundedStream.ReadAsync(request.Body, DeviceState.MostBytes, request.ContentLength, cancellation) is not { } bytes
                ? Problems.Unreadable("too-large", $"A state or preset may have {DeviceState.MostBytes / 1024 / 1024} MB.")
                : await states.AddAsync(bytes, name, cancellation) switch
                {
                    { Kept: { } kept } => TypedResults.Ok(kept),
                    { Why: var why } => Problems.Refused(why!),
                });
        group.MapGet("/{content}", async Task<Results<FileContentHttpResult, ProblemHttpResult>> (string content, DeviceStates states, CancellationToken cancellation) =>
            await states.FindAsync(content, cancellation) is { } bytes ? TypedResults.File(bytes, "application/octet-stream", $"{content[..12]}.state") : Problems.NotFound("state"));
    }

    public static void MapDevices(this RouteGroupBuilder group)
    {
        group.MapGet("/{id}/devices", async Task<Results<Ok<IReadOnlyList<HeldDeviceView>>, ProblemHttpResult>> (string id, DocumentStore store, CancellationToken cancellation) =>
            await store.OpenAsync(id, cancellation) is { } document ? TypedResults.Ok(HeldBy(document.Template)) : Problems.NotFound("document"));
        group.MapPost("/{id}/device-swap", async Task<Results<Ok<DeviceSwapView>, ProblemHttpResult>> (string id, DeviceSwapRequest asked, DocumentStore store, CancellationToken cancellation) =>
            await store.OpenAsync(id, cancellation) is not { } document ? Problems.NotFound("document")
            : new DevicePlace(asked.Channel, asked.Insert).In(document.Template) is null ? Problems.NotFound("place for a device")
            : DeviceSwap.Of(document.Template, asked.Channel, asked.Insert, asked.Device) is var swap && Batch.Apply(document.Template, swap.Edits) is BatchResult.Refused refused ? Problems.Refused(refused.Why)
            : TypedResults.Ok(new DeviceSwapView(swap.Edits, EditWords.OfBatch(swap.Edits, document.Template), swap.Left)));
    }

    /// <returns>Those of the shelf first, which know more, then what else the studio has; by name.</returns>
    internal static async Task<IReadOnlyList<KnownDevice>> KnownAsync(ShelfStore shelf, StudioDesk desk, CancellationToken cancellation)
    {
        var studio = (await desk.OnAsync(cancellation))?.Studio;
        var known = (await shelf.ListAsync(cancellation)).Select(i => i.Item).Where(i => i.Content is DeviceContent)
            .Select(i => KnownOf(i.Id, (DeviceContent)i.Content, studio)).ToList();
        foreach (var device in studio?.Devices ?? [])
            if (known.All(k => !k.Device.IsSameAs(device.Device)))
            {
                var standIn = device.StandIn ?? ProcessorCatalogue.Through;
                known.Add(new(string.Join('|', device.Device.Name, device.Device.Maker, device.Device.DeviceId), device.Device, standIn, InstrumentCatalogue.Find(standIn) is not null, device.IsHere, null));
            }

        return [.. known.OrderBy(k => k.Device.Name, StringComparer.OrdinalIgnoreCase)];
    }

    private static KnownDevice KnownOf(string item, DeviceContent content, Studio? studio) =>
        new(item, content.Device, content.StandIn, content.IsInstrument, studio?.Find(content.Device) is { IsHere: true }, item);

    /// <returns>Each once.</returns>
    private static IReadOnlyList<HeldDeviceView> HeldBy(Template template)
    {
        var once = new List<HeldDevice>();
        // What is the same to the letter goes first: the rest is few.
        foreach (var held in HeldDevice.Of(template).DistinctBy(h => (h.Device.Name, h.Device.Maker, h.Device.Format, h.Device.DeviceId)))
            if (once.All(o => !o.Device.IsSameAs(held.Device)))
                once.Add(held);
        return [.. once.Select(h => new HeldDeviceView(h.Device, h.StandIn, StandIns.KindOf(h.StandIn)))];
    }
}
