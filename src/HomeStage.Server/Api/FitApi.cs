using HomeStage.Core.Catalogue;
using HomeStage.Core.Editing;
using HomeStage.Core.Editing.Words;
using HomeStage.Core.Fitting;
using HomeStage.Core.Recording;
using HomeStage.Core.Soundcheck.Findings;
using HomeStage.Core.Templates;
using HomeStage.Server.Data;
using HomeStage.Server.Data.Studios;
using Microsoft.AspNetCore.Http.HttpResults;

namespace HomeStage.Server.Api;

/// <summary>How a document meets the studio that is on, and how late its inputs are heard there.</summary>
internal static class FitApi
{
    /// <param name="Revision">Of the document.</param>
    /// <param name="Studio">Its name; null where none is on, and everything else is empty then.</param>
    /// <param name="BudgetMs">How late an input may be heard.</param>
    /// <param name="Parking">What is proposed so that all are in time.</param>
    public sealed record FitView(
        int Revision, string? Studio, double BudgetMs, double BufferMs, IReadOnlyList<FitLineView> Lines, IReadOnlyList<DeviceFitView> Devices, IReadOnlyList<PathView> Paths, ParkingView Parking,
        WeightView Weight);

    /// <summary>What the document costs in the act, by the figures of the studio.</summary>
    /// <param name="SharePercent">Of one processor core.</param>
    /// <param name="MemoryMegabytes">Of its devices.</param>
    /// <param name="LoadSeconds">Of its devices, one after the other.</param>
    /// <param name="Unknown">How many devices do not say all of it.</param>
    public sealed record WeightView(double SharePercent, double MemoryMegabytes, double LoadSeconds, int Unknown);

    /// <param name="Key">Unique in the view.</param>
    /// <param name="Name">Of the channel.</param>
    public sealed record FitLineView(
        string Key, FitKind Kind, string Channel, string Name, string MadeFor, string? Here, string? Note, IReadOnlyList<FitChoiceView> Choices, int Proposed);

    /// <param name="Words">One sentence an edit.</param>
    public sealed record FitChoiceView(string Name, IReadOnlyList<Edit> Edits, IReadOnlyList<string> Words);

    /// <param name="Kind">What it is, by what stands in for it.</param>
    /// <param name="LatencyMs">Null where nobody knows.</param>
    public sealed record DeviceFitView(
        string Channel, string ChannelName, string? Insert, string Device, string Kind, double? LatencyMs, bool IsMeasured, double? SharePercent, DeviceStanding Standing, string StandIn);

    /// <param name="IsLate">Whether it is over the budget.</param>
    /// <param name="Milliseconds">Buffers and chain together.</param>
    /// <param name="UnknownLatency">Devices on the way that do not say how late they are.</param>
    public sealed record PathView(string Channel, string Name, double ChainMs, double Milliseconds, bool IsLate, IReadOnlyList<string> UnknownLatency);

    /// <param name="Inserts">What would be parked: "Keel Tuner on Singer".</param>
    /// <param name="WorstMs">How late the latest input is then.</param>
    /// <param name="BuffersAlone">Whether the buffers alone take longer than there is.</param>
    /// <param name="IsExact">Whether no smaller set does it.</param>
    public sealed record ParkingView(IReadOnlyList<string> Inserts, IReadOnlyList<Edit> Edits, double? WorstMs, bool BuffersAlone, bool IsExact);

    /// <summary>The same in short, for a list.</summary>
    /// <param name="Studio">Its name; null where none is on, and everything else is empty then.</param>
    /// <param name="NotHere">What the document names and the studio has not: "input 7 (Wall 7)", "Keel Tuner".</param>
    /// <param name="MemoryMegabytes">Of its devices, in the act that takes the most.</param>
    /// <param name="LoadSeconds">Of its devices one after the other, in the act that takes the longest.</param>
    public sealed record ShortFitView(string? Studio, IReadOnlyList<string> NotHere, double MemoryMegabytes, double LoadSeconds);

    public static void MapFit(this RouteGroupBuilder group)
    {
        group.MapGet("/{id}/studio/short", async Task<Results<Ok<ShortFitView>, ProblemHttpResult>> (string id, DocumentStore store, StudioDesk desk, CancellationToken cancellation) =>
            await store.OpenAsync(id, cancellation) is { } document ? TypedResults.Ok(InShort(document, await desk.OnAsync(cancellation))) : Problems.NotFound("document"));
        group.MapGet("/{id}/studio", async Task<Results<Ok<FitView>, ProblemHttpResult>> (string id, string act, DocumentStore store, StudioDesk desk, CancellationToken cancellation) =>
            await store.OpenAsync(id, cancellation) is not { } document ? Problems.NotFound("document")
            : document.Template.Acts.All(a => a.Id != act) ? Problems.NotFound("act")
            : TypedResults.Ok(Of(document, act, await desk.OnAsync(cancellation))));
    }

    private static ShortFitView InShort(OpenDocument document, StudioOn? on)
    {
        if (on is null)
            return new(null, [], 0, 0);
        var fit = StudioFit.Of(document.Template, on.Studio);
        var stands = document.Compiled.In(on.Studio).Template;
        var opens = stands.Acts.Select(a => Weight.ToOpen(stands, a.Id)).ToList();
        return new(
            on.Name,
            [.. fit.Lines.Where(l => l.Here is null).Select(NameOf).Concat(fit.Devices.Where(d => d.Standing != DeviceStanding.Here).Select(d => d.Device.Name)).Distinct()],
            opens.Max(o => o.MemoryMegabytes), opens.Max(o => o.LoadSeconds));
    }

    private static string NameOf(FitLine line) => line.Kind switch
    {
        FitKind.Output => $"outputs {line.MadeFor}",
        FitKind.MidiDevice => line.MadeFor,
        _ => $"input {line.MadeFor}",
    };

    private static FitView Of(OpenDocument document, string act, StudioOn? on)
    {
        if (on is null)
            return new(document.Revision, null, 0, 0, [], [], [], new([], [], null, false, true), new(0, 0, 0, 0));
        var template = document.Template;
        var fit = StudioFit.Of(template, on.Studio);
        var standing = document.Compiled.In(on.Studio);
        var parking = Parking.Of(standing.In(act), on.Studio);
        var opens = Weight.ToOpen(standing.Template, act);
        return new(document.Revision, on.Name, on.Studio.BudgetMs, 2000.0 * on.Studio.Interface.BufferFrames / template.SampleRateHz,
            [.. fit.Lines.Select((l, i) => ViewOf(template, l, i))],
            [.. fit.Devices.Select(d => ViewOf(template, d))],
            [.. parking.Before.Select(p => new PathView(p.Channel.Value, template.Channels[p.Channel].Name, p.ChainMs, p.Milliseconds, p.Milliseconds > on.Studio.BudgetMs, p.UnknownLatency))],
            new([.. parking.Inserts.Select(i => $"{TitleOf(template, i)} on {template.Channels[i.Channel].Name}")], parking.Edits(template, act),
                parking.After.Count == 0 ? null : parking.After.Max(p => p.Milliseconds), parking.BuffersAlone, parking.IsExact),
            new(Weight.PercentOf(standing.Template, act), opens.MemoryMegabytes, opens.LoadSeconds, opens.Unknown));
    }

    private static string TitleOf(Template template, (ChannelId Channel, InsertId Insert) at) =>
        Core.Catalogue.InsertTraits.Title(template.Channels[at.Channel].Inserts.First(i => i.Id == at.Insert));

    private static FitLineView ViewOf(Template template, FitLine line, int index) => new(
        $"{line.Channel}/{index}", line.Kind, line.Channel.Value, template.Channels[line.Channel].Name, line.MadeFor, line.Here, line.Note,
        [.. line.Choices.Select(c => new FitChoiceView(c.Name, c.Edits, EditWords.OfBatch(c.Edits, template)))], line.Proposed);

    private static DeviceFitView ViewOf(Template template, DeviceFit fit) => new(
        fit.Channel.Value, template.Channels[fit.Channel].Name, fit.Insert?.Value, fit.Device.Name,
        StandIns.KindOf(fit.Held.StandIn),
        fit.Device.Latency?.Milliseconds, fit.IsMeasured, fit.Device.Weight.SharePercent, fit.Standing, fit.StandIn);
}
