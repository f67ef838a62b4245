using HomeStage.Core.Editing;
using HomeStage.Core.Fitting;
using HomeStage.Core.Starting;
using HomeStage.Core.Studios;
using HomeStage.Core.Templates;
using HomeStage.Core.Timing;
using HomeStage.Server.Api.Views;
using HomeStage.Server.Data;
using HomeStage.Server.Data.Studios;
using HomeStage.Server.Data.Summaries;
using Microsoft.AspNetCore.Http.HttpResults;

namespace HomeStage.Server.Api;

/// <summary>Songs: editable copies of templates that remember where they came from.</summary>
internal static class SongsApi
{
    /// <summary>As a <see cref="SongWish"/> has it.</summary>
    public sealed record NewSong(
        string TemplateId, string Title, double? TempoBpm, MusicalKey? Key, Sequence<ReadyInsert>? Ready = null, Meter? Meter = null, string? Sections = null, Sequence<SaidInput>? Inputs = null, Sequence<ChannelId>? WithoutPrints = null, CountIn? CountIn = null)
    {
        public SongWish Wish => new(Title) { TempoBpm = TempoBpm, Key = Key, Ready = Ready ?? [], Meter = Meter, Sections = Sections, Inputs = Inputs ?? [], WithoutPrints = WithoutPrints ?? [], CountIn = CountIn };
    }

    /// <summary>What is to be said when a song is started.</summary>
    /// <param name="Sections">In one line: "Intro 4, Verse 8".</param>
    /// <param name="Inputs">Channels that wait for an input, and those whose input the studio that is on gives elsewhere or has not.</param>
    /// <param name="Prints">Channels that hold the prints of others.</param>
    public sealed record StartView(double TempoBpm, Meter Meter, MusicalKey? Key, string Sections, IReadOnlyList<WaitingApi.WaitingView> Waiting, IReadOnlyList<InputLine> Inputs, IReadOnlyList<PrintLine> Prints, IReadOnlyList<string> StudioInputs, CountIn? CountIn);

    /// <param name="Was">The input that the template names; null for none.</param>
    /// <param name="Here">What it takes in the studio unless somebody says otherwise; null for none.</param>
    /// <param name="First">Its number; null for none.</param>
    /// <param name="Note">What there is to know of it; null for nothing.</param>
    public sealed record InputLine(ChannelId Channel, string Name, bool IsWide, string? Was, string? Here, int? First, string? Note);

    public sealed record PrintLine(ChannelId Channel, string Name, IReadOnlyList<string> Prints);

    public static void MapSongs(this RouteGroupBuilder api)
    {
        var group = api.MapGroup("/songs").WithTags("Songs");
        group.MapGet("/", List);
        group.MapPost("/", Start);
        group.MapGet("/{id}/about", About);
        api.MapGet("/templates/{id}/start", Asks).WithTags("Songs");
    }

    private static async Task<Ok<IReadOnlyList<SongView>>> List(DocumentLists lists, SummaryShelf summaries, CancellationToken cancellation)
    {
        var names = await lists.NamesAsync(cancellation);
        return TypedResults.Ok<IReadOnlyList<SongView>>([.. (await summaries.AllAsync(DocumentKind.Song, cancellation)).Select(s => SongView.Of(s, names))]);
    }

    private static async Task<Results<Ok<SongView>, ProblemHttpResult>> About(string id, DocumentLists lists, SummaryShelf summaries, CancellationToken cancellation) =>
        await lists.FindAsync(id, cancellation) is { Kind: DocumentKind.Song, RemovedUtc: null } row
            ? TypedResults.Ok(SongView.Of(await summaries.OfAsync(row, cancellation), await lists.NamesAsync(cancellation)))
            : Problems.NotFound("song");

    private static async Task<Results<Created<TemplatesApi.Created>, ProblemHttpResult>> Start(NewSong asked, DocumentStore store, StudioDesk desk, CancellationToken cancellation)
    {
        if (await store.OpenAsync(asked.TemplateId, cancellation) is not { Kind: DocumentKind.Template } from)
            return Problems.NotFound("template");
        var (song, why) = SongStart.Of(from.Template, asked.Wish, (await desk.OnAsync(cancellation))?.Studio);
        if (song is null)
            return Problems.Refused(why!);
        var document = await store.CreateAsync(DocumentKind.Song, song, (from.Id, from.Revision), cancellation);
        return TypedResults.Created($"/api/documents/{document.Id}", new TemplatesApi.Created(document.Id));
    }

    private static async Task<Results<Ok<StartView>, ProblemHttpResult>> Asks(string id, DocumentStore store, StudioDesk desk, CancellationToken cancellation) =>
        await store.OpenAsync(id, cancellation) is { Kind: DocumentKind.Template, Template: var template } ? TypedResults.Ok(Of(template, (await desk.OnAsync(cancellation))?.Studio)) : Problems.NotFound("template");

    private static StartView Of(Template template, Studio? studio)
    {
        var inputs = SongStart.WithoutInput(template).Select(c => new InputLine(c.Id, c.Name, c.Format == ChannelFormat.Stereo, null, null, null, "waits for an input"));
        if (studio is not null)
            inputs = inputs.Concat(SongStart.InputsToSay(template, studio).Select(l => LineOf(template.Channels[l.Channel], l)));
        return new(
            template.Timeline.TempoBpm, template.Timeline.Meter, template.Key, SectionsText.Of(template.Timeline), [.. Waiting.In(template).Select(w => WaitingApi.ViewOf(template, w))], [.. inputs],
            [.. SongStart.WithPrints(template).Select(c => new PrintLine(c.Id, c.Name, [.. c.Starters.Where(s => s.Through).Select(s => s.Name)]))],
            studio is null ? [] : [.. Enumerable.Range(1, studio.Interface.Inputs.Count).Select(n => studio.Interface.InputName(n) is { } name ? $"{n} · {name}" : $"{n}")],
            template.Timeline.CountIn);
    }

    private static InputLine LineOf(Channel channel, FitLine line) => new(
        channel.Id, channel.Name, channel.Format == ChannelFormat.Stereo, line.MadeFor, line.Here,
        line.Here is null ? null : line.ProposedEdits.OfType<SetSource>().Select(e => e.Source).OfType<InputSource>().FirstOrDefault()?.First ?? ((InputSource)channel.Source!).First, line.Note);
}
