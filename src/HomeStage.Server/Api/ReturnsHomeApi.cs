using HomeStage.Core.Editing;
using HomeStage.Core.Inheriting;
using HomeStage.Core.Machines;
using HomeStage.Formats;
using HomeStage.Formats.DawProject;
using HomeStage.Formats.Folders;
using HomeStage.Formats.Midi;
using HomeStage.Server.Data;
using HomeStage.Server.Data.Shelf;
using HomeStage.Server.Data.Sounds;
using HomeStage.Server.Data.Studios;
using HomeStage.Server.Jobs;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.AspNetCore.Mvc;

namespace HomeStage.Server.Api;

/// <summary>Project files as songs: one from elsewhere is a new one; one of ours that was worked on is known again.</summary>
internal static class ReturnsHomeApi
{
    /// <summary>A song that is here, and what was done to it elsewhere.</summary>
    /// <param name="Revision">Of the song now, on which the edits are made.</param>
    public sealed record CameBack(string Song, string Title, int Revision, IReadOnlyList<DoneElsewhere> Changes);

    /// <param name="Why">What is in the way; null for nothing.</param>
    /// <param name="Edits">Take it over.</param>
    public sealed record DoneElsewhere(string Words, Standing Standing, string? Why, IReadOnlyList<Edit> Edits);

    /// <param name="Name">What the song is called: that of the folder.</param>
    /// <param name="Midi">A Standard MIDI File; null where there is none.</param>
    /// <param name="Sounds">In order; each was uploaded before, to wait or to stay.</param>
    public sealed record SongFolder(string Name, byte[]? Midi, Sequence<FolderSound> Sounds);

    public static void MapReturnsHome(this RouteGroupBuilder api)
    {
        api.MapPost("/songs/from-project", FromProject).WithTags("Songs").WithMetadata(new RequestSizeLimitAttribute(ProjectReader.MostBytes));
        api.MapPost("/songs/from-folder", FromFolder).WithTags("Songs");
    }

    /// <summary>A folder of a Standard MIDI File and sounds as a song.</summary>
    private static async Task<Results<Created<TemplatesApi.BroughtIn>, ProblemHttpResult>> FromFolder(
        SongFolder folder, DocumentStore store, StagedSounds staged, MediaStore media, CancellationToken cancellation)
    {
        if (folder.Midi?.Length > MidiReader.MostBytes)
            return Problems.Unreadable("too-large", $"A MIDI file may have {MidiReader.MostBytes / 1024 / 1024} MB.");
        if (folder.Sounds.FirstOrDefault(s => !staged.IsWaiting(s.Sound.Content) && !media.IsHere(s.Sound.Content)) is { } gone)
            return Problems.Refused(new Refusal.Missing("sound", gone.Path, "any more: bring the folder again"));
        var title = TextRules.Cleaned(folder.Name, TextRules.LongestName) is { Length: > 0 } said ? said : "Brought in";
        switch (FolderSong.Read(folder.Midi, [.. folder.Sounds.Select(s => (s.Path, s.Sound))], title, cancellation))
        {
            case FormatResult<ReadProject>.Refused refused:
                return Problems.Unreadable(refused.Code, refused.Sentence);
            case FormatResult<ReadProject>.Read { Value: var read }:
                if (await staged.KeepAsync([.. folder.Sounds.Select(s => s.Sound.Content)], cancellation) is { } noRoom)
                    return Problems.Unreadable("no-room", noRoom);
                return await TemplatesApi.BringInAsync(new(DocumentKind.Song, read.Template) { Brought = read.LeftOut.Count > 0 ? new(read.LeftOut, read.Held) : null }, store, media, cancellation);
            default:
                throw new InvalidOperationException("A folder is read or refused.");
        }
    }

    /// <param name="name">What it is called where the file does not say.</param>
    /// <param name="anew">Whether it becomes a song of its own though it is known.</param>
    private static async Task<Results<Ok<CameBack>, Created<TemplatesApi.BroughtIn>, ProblemHttpResult>> FromProject(
        HttpRequest request, string? name, DocumentStore store, DocumentLists lists, ShelfStore shelf, StudioDesk desk, MediaStore media, DeviceStates states, ScratchFolder zips, CancellationToken cancellation, bool anew = false)
    {
        await using var file = zips.NewFile();
        if (!await BoundedStream.SpoolAsync(request.Body, file, ProjectReader.MostBytes, cancellation))
            return TemplatesApi.ProjectTooLarge();
        if (!anew && ProjectReader.Returned(file, cancellation) is { } back && await lists.FindAsync(back.Origin.Document, cancellation) is { RemovedUtc: null } row
            && await store.OpenAsync(row.Id, cancellation) is { } open)
            return open.Kind == DocumentKind.Song
                ? TypedResults.Ok(new CameBack(open.Id, open.Template.Name, open.Revision, [.. WorkElsewhere.Of(back.Was, back.Now, open.Template).Select(c => new DoneElsewhere(c.Words, c.Standing, c.Why?.Sentence, c.Edits))]))
                : await OfTemplateAsync(back, open, name, store, media, cancellation);
        return (await TemplatesApi.ProjectAsync(DocumentKind.Song, file, name, await DevicesApi.KnownAsync(shelf, desk, cancellation), store, media, states, cancellation)).Result switch
        {
            Created<TemplatesApi.BroughtIn> made => made,
            ProblemHttpResult problem => problem,
            _ => throw new InvalidOperationException("A project is read or refused."),
        };
    }

    /// <summary>A song that was begun from a template's project in a workstation: one of that template, so that its reviews count it.</summary>
    private static async Task<Created<TemplatesApi.BroughtIn>> OfTemplateAsync(ReturnedProject back, OpenDocument template, string? name, DocumentStore store, MediaStore media, CancellationToken cancellation)
    {
        var song = WorkElsewhere.AsSong(back.Was, back.Now, back.Own);
        var title = TextRules.Cleaned(name, TextRules.LongestName) is { Length: > 0 } said ? said : song.Name;
        var from = (template.Id, Math.Min(back.Origin.Revision, template.Revision));
        return await TemplatesApi.BringInAsync(new(DocumentKind.Song, song with { Name = title }, from), store, media, cancellation);
    }
}
