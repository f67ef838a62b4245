using HomeStage.Core.Catalogue;
using HomeStage.Core.Outputs;
using HomeStage.Core.Templates;
using HomeStage.Core.Timing;
using HomeStage.Formats.CallSheets;
using HomeStage.Formats.DawProject;
using HomeStage.Formats.Midi;
using HomeStage.Formats.Packages;
using HomeStage.Server.Api.Views;
using HomeStage.Server.Data;
using Microsoft.AspNetCore.Http.HttpResults;

namespace HomeStage.Server.Api;

/// <summary>The way out: what goes over into a workstation as files, and the page that says the rest.</summary>
internal static class CallSheetApi
{
    public static void MapCallSheet(this RouteGroupBuilder group)
    {
        group.MapGet("/{id}/call-sheet", async Task<Results<Ok<CallSheet>, ProblemHttpResult>> (string id, DocumentStore store, RowBook book, CancellationToken cancellation) =>
            await store.OpenAsync(id, cancellation) is { } document ? TypedResults.Ok(SheetOf(document.Template, book)) : Problems.NotFound("document"));
        group.MapGet("/{id}/project", async Task<Results<FileContentHttpResult, ProblemHttpResult>> (string id, string? act, DocumentStore store, Carried carried, CancellationToken cancellation) =>
        {
            if (await store.OpenAsync(id, cancellation) is not { Template: var template, Revision: var revision })
                return Problems.NotFound("document");
            if (act is not null && template.Acts.All(a => a.Id != act))
                return Problems.NotFound("act");
            using var file = new MemoryStream();
            ProjectFile.Write(template, act ?? template.FinalAct.Id, await carried.OfAsync(template, cancellation), file, new(id, revision, act ?? template.FinalAct.Id));
            return TypedResults.File(file.ToArray(), "application/zip", $"{SongPackage.FileName(template.Name)}{ProjectFile.Extension}");
        });
        group.MapGet("/{id}/midi", async Task<Results<FileContentHttpResult, ProblemHttpResult>> (string id, DocumentStore store, CancellationToken cancellation) =>
            await store.OpenAsync(id, cancellation) is { Template: var template }
                ? TypedResults.File(MidiWriter.Write(template), "audio/midi", $"{SongPackage.FileName(template.Name)}.mid")
                : Problems.NotFound("document"));
    }

    internal static CallSheet SheetOf(Template template, RowBook book) => new(
        template.Name, template.Note, template.Timeline.TempoBpm, template.Timeline.Meter.ToString(), template.Key?.Name,
        [.. new TimeMap(template.Timeline).Sections.Select(s => new SheetSection(s.Section.Name, s.Section.Bars, s.LengthSeconds))],
        [.. book.Of(template).Select(r => new SheetChannel(
            r.Channel.Id, r.Channel.Name, r.Depth, r.Channel.Kind, r.Channel.Format, r.ComesFrom, r.Channel.Destination is { } to ? template.Channels[to].Name : null,
            [.. r.Channel.Inserts.Select(i => SheetStrip.Name(template, i))], SheetStrip.Sends(template, r.Channel), r.KeyedBy, r.Channel.Level, r.Channel.Pan, r.Channel.Note,
            [.. r.Channel.Inserts.Select(SheetStrip.Settings).OfType<string>()], [.. r.Channel.Inserts.SelectMany(Told)]))],
        [.. PatchSheet.Of(template).Select(p => new SheetPatch(template.Channels[p.Player].Name, p.Name, p.Note, p.Jack, NameOf(template, p.Taker), NameOf(template, p.Bus)))],
        [.. HandworkList.Of(template).Select(w => new SheetWork(w.Kind, w.Channel, w.Words))]);

    private static IEnumerable<string> Told(Insert insert) => insert.Notes.Select(n =>
        $"{InsertTraits.Title(insert)}{(n.Key.Length == 0 ? "" : $", {InsertTraits.Kind(insert).Parameters.FirstOrDefault(p => p.Id == n.Key)?.Name.InASentence() ?? n.Key}")}: {n.Value}");

    private static string? NameOf(Template template, ChannelId? channel) => channel is { } id ? template.Channels[id].Name : null;
}
