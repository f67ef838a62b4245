using HomeStage.Core.Editing.Rules;
using HomeStage.Core.Fitting;
using HomeStage.Core.Media;
using HomeStage.Core.Shelf;
using HomeStage.Core.Templates;
using HomeStage.Formats;
using HomeStage.Formats.DawProject;
using HomeStage.Formats.Documents;
using HomeStage.Server.Api.Views;
using HomeStage.Server.Data;
using HomeStage.Server.Data.Shelf;
using HomeStage.Server.Data.Sounds;
using HomeStage.Server.Data.Studios;
using HomeStage.Server.Data.Summaries;
using HomeStage.Server.Jobs;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.AspNetCore.Mvc;

namespace HomeStage.Server.Api;

/// <summary>The library.</summary>
internal static class TemplatesApi
{
    /// <param name="Name">1 to 80 characters; it is numbered where it is taken.</param>
    public sealed record NewTemplate(string Name);

    public sealed record Created(string Id);

    /// <param name="MissingSounds">What the document uses and the shelf does not have: these sounds are silent until they are brought.</param>
    /// <param name="LeftOut">What of the file was not taken in, in words.</param>
    public sealed record BroughtIn(string Id, IReadOnlyList<MediaRef> MissingSounds, IReadOnlyList<string> LeftOut);

    public static void MapTemplates(this RouteGroupBuilder api)
    {
        var group = api.MapGroup("/templates").WithTags("Templates");
        group.MapGet("/", List);
        group.MapPost("/", Create);
        group.MapPost("/from-document", FromDocument);
        group.MapPost("/from-project", FromProject).WithMetadata(new RequestSizeLimitAttribute(ProjectReader.MostBytes));
        group.MapPut("/{id}/default", OpenByDefault);
        group.MapPut("/{id}/leads", LeadCategory);
    }

    /// <summary>A template that begins as another, or as a song, is now; the other is not touched.</summary>
    public static void MapCopies(this RouteGroupBuilder group) =>
        group.MapPost("/{id}/copy", async Task<Results<Created<Created>, ProblemHttpResult>> (string id, NewTemplate asked, DocumentStore store, CancellationToken cancellation) =>
            await store.OpenAsync(id, cancellation) is { } from ? await MadeAsync(from.Template with { Name = asked.Name.Trim() }, store, cancellation) : Problems.NotFound("document"));

    /// <param name="find">Words that must all be in what a template is called, tagged, noted, made of or played with; null for all templates.</param>
    private static async Task<Ok<IReadOnlyList<SummaryView>>> List(SummaryShelf summaries, DocumentLists lists, CancellationToken cancellation, string? find = null)
    {
        var listed = await summaries.AllAsync(DocumentKind.Template, cancellation);
        var all = listed.ToDictionary(l => l.Row.Id);
        var begun = await lists.BegunAsync(cancellation);
        var search = new LibrarySearch(find ?? "");
        return TypedResults.Ok<IReadOnlyList<SummaryView>>([.. from l in listed let hit = search.In(l.Summary) where hit is not null select SummaryView.Of(l, all, begun, hit.Beyond)]);
    }

    private static async Task<Results<Created<Created>, ProblemHttpResult>> Create(NewTemplate asked, DocumentStore store, ShelfStore shelf, CancellationToken cancellation)
    {
        var template = NewStage.Create(asked.Name.Trim(), (await shelf.ListAsync(cancellation)).Select(i => i.Item.Content));
        return await MadeAsync(template, store, cancellation);
    }

    /// <summary>Keeps a new template, under a number where its name is taken.</summary>
    internal static async Task<Results<Created<Created>, ProblemHttpResult>> MadeAsync(Template template, DocumentStore store, CancellationToken cancellation)
    {
        if (TemplateRules.Check(template) is { } wrong)
            return Problems.Refused(wrong);
        var document = await store.CreateAsync(DocumentKind.Template, template, cancellation: cancellation);
        return TypedResults.Created($"/api/documents/{document.Id}", new Created(document.Id));
    }

    private static async Task<Results<Created<BroughtIn>, ProblemHttpResult>> FromDocument(
        HttpRequest request, DocumentStore store, MediaStore media, CancellationToken cancellation)
    {
        var bytes = await BoundedStream.ReadAsync(request.Body, TemplateDocument.MostBytes, request.ContentLength, cancellation);
        if (bytes is null)
            return Problems.Unreadable("too-large", $"A template document may have {TemplateDocument.MostBytes / 1024 / 1024} MB.");
        return TemplateDocument.Read(bytes) switch
        {
            FormatResult<Template>.Read read => await BringInAsync(new(DocumentKind.Template, read.Value), store, media, cancellation),
            FormatResult<Template>.Refused refused => Problems.Unreadable(refused.Code, refused.Sentence),
            _ => throw new InvalidOperationException("A document is read or refused."),
        };
    }

    /// <param name="name">What it is called where the file does not say.</param>
    private static async Task<Results<Created<BroughtIn>, ProblemHttpResult>> FromProject(
        HttpRequest request, string? name, DocumentStore store, ShelfStore shelf, StudioDesk desk, MediaStore media, DeviceStates states, ScratchFolder folder, CancellationToken cancellation)
    {
        await using var file = folder.NewFile();
        return !await BoundedStream.SpoolAsync(request.Body, file, ProjectReader.MostBytes, cancellation) ? ProjectTooLarge() : await ProjectAsync(DocumentKind.Template, file, name, await DevicesApi.KnownAsync(shelf, desk, cancellation), store, media, states, cancellation);
    }

    internal static ProblemHttpResult ProjectTooLarge() => Problems.Unreadable("too-large", $"A project may have {ProjectReader.MostBytes / 1024 / 1024 / 1024} GB.");

    /// <summary>A project file as a template or as a song.</summary>
    /// <param name="known">Devices that are known here; those of the project that are the same are heard as they are.</param>
    internal static async Task<Results<Created<BroughtIn>, ProblemHttpResult>> ProjectAsync(
        DocumentKind kind, Stream file, string? name, IReadOnlyList<DevicesApi.KnownDevice> known, DocumentStore store, MediaStore media, DeviceStates states, CancellationToken cancellation)
    {
        switch (ProjectReader.Read(file, TextRules.Cleaned(name, TextRules.LongestName) is { Length: > 0 } title ? title : "Brought in", cancellation))
        {
            case FormatResult<ReadProject>.Refused refused:
                return Problems.Unreadable(refused.Code, refused.Sentence);
            case FormatResult<ReadProject>.Read { Value: var read }:
                foreach (var (soundTitle, sound) in read.Sounds)
                    await media.AddAsync(sound, soundTitle, cancellation);
                foreach (var (fileName, state) in read.States)
                    await states.AddAsync(state, fileName, cancellation);
                var template = read.IsOwn ? read.Template : KnownStandIns.In(read.Template, [.. known.Select(k => (k.Device, k.StandIn))]);
                return await BringInAsync(new(kind, template) { Brought = read.LeftOut.Count > 0 ? new(read.LeftOut, read.Held) : null }, store, media, cancellation);
            default:
                throw new InvalidOperationException("A project is read or refused.");
        }
    }

    internal static async Task<Created<BroughtIn>> BringInAsync(NewDocument wanted, DocumentStore store, MediaStore media, CancellationToken cancellation)
    {
        var absent = media.Around(wanted.Template).AbsentSounds;
        var document = await store.CreateAsync(wanted, cancellation);
        return TypedResults.Created($"/api/documents/{document.Id}",
            new BroughtIn(document.Id, [.. UsedSounds.Of(wanted.Template).Select(u => u.Sound).Where(s => absent.ContainsKey(s.Content)).DistinctBy(s => s.Content)], wanted.Brought?.LeftOut ?? []));
    }

    /// <summary>Songs of its category begin from it unless another is chosen.</summary>
    private static async Task<Results<NoContent, ProblemHttpResult>> LeadCategory(string id, SummaryShelf summaries, DocumentLists lists, CancellationToken cancellation)
    {
        var all = await summaries.AllAsync(DocumentKind.Template, cancellation);
        if (all.FirstOrDefault(l => l.Row.Id == id) is not { } leader)
            return Problems.NotFound("template");
        await lists.LeadCategoryAsync(id, [.. all.Where(l => l.Row.Id != id && l.Summary.Category == leader.Summary.Category).Select(l => l.Row.Id)], cancellation);
        return TypedResults.NoContent();
    }

    private static async Task<Results<NoContent, ProblemHttpResult>> OpenByDefault(string id, DocumentLists lists, CancellationToken cancellation) =>
        await lists.OpenByDefaultAsync(id, cancellation) ? TypedResults.NoContent() : Problems.NotFound("template");
}
