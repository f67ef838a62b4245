using System.Globalization;
using HomeStage.Core.Editing;
using HomeStage.Core.Media;
using HomeStage.Core.Sound;
using HomeStage.Core.Sound.Listening;
using HomeStage.Core.Sound.Meters;
using HomeStage.Core.Sound.Tapes;
using HomeStage.Formats.Wave;
using HomeStage.Server.Api.Views;
using HomeStage.Server.Data;
using HomeStage.Server.Data.Sounds;
using HomeStage.Server.Data.Studios;
using HomeStage.Server.Jobs;
using Microsoft.AspNetCore.Http.HttpResults;

namespace HomeStage.Server.Api;

/// <summary>Renders: asked for, watched, cancelled, heard.</summary>
internal static class RendersApi
{
    /// <param name="ListenTo">Id of the channel to be heard; null for the main.</param>
    /// <param name="Section">Id of the one section to be rendered; null for the whole timeline.</param>
    /// <param name="Point">Where on the channel one listens; after the fader where it is not said.</param>
    /// <param name="Insert">The insert whose key is heard, for that point alone.</param>
    /// <param name="MetersInFull">Whether loudness, range, true peak and spectrum are read on every channel on the way, too.</param>
    /// <param name="Lead">What comes before a section: nothing, or the song up to there.</param>
    /// <param name="CountedIn">Whether the count-in and the click are heard with the whole timeline.</param>
    /// <param name="Trying">Edits that are heard without being made; null for none.</param>
    public sealed record NewRender(
        string Document, string Act, ChannelId? ListenTo, string? Section, ListeningPoint Point = ListeningPoint.AfterFader, InsertId? Insert = null,
        bool MetersInFull = false, RenderLead Lead = RenderLead.FromRest, Sequence<Edit>? Trying = null, bool CountedIn = false);

    public static void MapRenders(this RouteGroupBuilder api)
    {
        var group = api.MapGroup("/renders").WithTags("Renders");
        group.MapPost("/", Start);
        group.MapGet("/{id}", Results<Ok<JobView>, ProblemHttpResult> (string id, JobQueue<RenderedAudio> jobs) =>
            jobs.Find(id) is { } job ? TypedResults.Ok(ViewOf(job)) : Problems.NotFound("render"));
        group.MapCancel(typeof(JobQueue<RenderedAudio>), "render");
        group.MapPost("/{id}/keep", Keep);
        group.MapGet("/{id}/match", Match);
        group.MapGet("/{id}/stream", Stream).Produces(StatusCodes.Status200OK, contentType: "application/octet-stream");
        group.MapGet("/{id}/audio", Audio).Produces(StatusCodes.Status200OK, contentType: "audio/wav");
    }

    private static async Task<Results<Accepted<JobView>, ProblemHttpResult>> Start(
        NewRender asked, DocumentStore store, StudioDesk desk, MediaStore media, TapeShelf tapes, JobQueue<RenderedAudio> jobs, CancellationToken cancellation)
    {
        if (await store.OpenAsync(asked.Document, cancellation) is not { } document)
            return Problems.NotFound("document");
        var request = new RenderRequest(asked.Act, asked.ListenTo, asked.Section) { Point = asked.Point, Insert = asked.Insert, MetersInFull = asked.MetersInFull, Lead = asked.Lead, CountedIn = asked.CountedIn };
        var template = document.Template;
        var compiled = document.Compiled.In((await desk.OnAsync(cancellation))?.Studio);
        if (asked.Trying is { Count: > 0 } trying)
        {
            if (Batch.Apply(compiled.Template, trying) is not BatchResult.Applied tried)
                return Problems.Refused(((BatchResult.Refused)Batch.Apply(compiled.Template, trying)).Why);
            template = tried.Template;
            compiled = new(template, compiled);
        }

        if (request.Check(template) is { } wrong)
            return Problems.Refused(wrong);
        var content = RenderContent.Of(compiled, request, media);
        var job = jobs.Start(content, work => RenderedAudio.Of(
            CountedRender.Render(compiled, request, new JobWatcher(work, work.Offer), media, tapes: tapes, cancellation: work.Cancellation)));
        return job is null ? Problems.Busy() : TypedResults.Accepted($"/api/renders/{job.Id}", ViewOf(job));
    }

    /// <param name="bits">24 for integers with dither, 32 for floating point.</param>
    private static Results<FileContentHttpResult, ProblemHttpResult> Audio(string id, JobQueue<RenderedAudio> jobs, int bits = 32)
    {
        if (bits is not (24 or 32))
            return Problems.Refused(new Refusal.OutOfRange("The bits of a sample", bits, 24, 32, ""));
        if (jobs.Find(id) is not { State: JobState.Done, Result: { } audio })
            return Problems.NotFound("finished render");
        return TypedResults.Bytes(WaveWriter.Bytes(audio.Sound, bits == 24 ? WaveDepth.Int24 : WaveDepth.Float32), "audio/wav");
    }

    /// <summary>What brings two finished renders to the same loudness; the louder is turned down.</summary>
    /// <param name="other">Id of the other render.</param>
    private static Results<Ok<LoudnessMatch>, ProblemHttpResult> Match(string id, string other, JobQueue<RenderedAudio> jobs) =>
        jobs.Find(id) is not { State: JobState.Done, Result.Sound.Meters: { } first } || jobs.Find(other) is not { State: JobState.Done, Result.Sound.Meters: { } second }
            ? Problems.NotFound("finished render")
            : LoudnessMatch.Of(first, second) is { } match
                ? TypedResults.Ok(match)
                : Problems.Refused(new Refusal.WrongPlace("Silence, or less than 0.4 s of sound,", "has no loudness to be matched"));

    /// <summary>Puts what was rendered on the shelf as uploaded sound, 32-bit floating point, to be used by starters and kit pieces.</summary>
    private static async Task<Results<Ok<MediaRef>, ProblemHttpResult>> Keep(
        string id, string title, JobQueue<RenderedAudio> jobs, MediaStore media, CancellationToken cancellation)
    {
        if (jobs.Find(id) is not { State: JobState.Done, Result: { } audio })
            return Problems.NotFound("finished render");
        return await MediaApi.AddAsync(WaveWriter.Bytes(audio.Sound, WaveDepth.Float32), title, media, cancellation);
    }

    /// <summary>The samples as they become final: 32-bit floating point, little-endian, left and right in turn; the headers say how
    /// many frames there will be, and how many a second. Ends early where the render is cancelled or fails.</summary>
    private static async Task Stream(string id, HttpResponse response, JobQueue<RenderedAudio> jobs, IHostApplicationLifetime program, CancellationToken cancellation)
    {
        if (jobs.Find(id) is not { } job)
        {
            await Problems.NotFound("render").ExecuteAsync(response.HttpContext);
            return;
        }

        using var either = CancellationTokenSource.CreateLinkedTokenSource(cancellation, program.ApplicationStopping);
        response.ContentType = "application/octet-stream";
        try
        {
            if (await SoundStream.BeginningAsync(job, either.Token) is not { } sound)
                return;
            response.Headers["Sound-Frames"] = sound.Left.Length.ToString(CultureInfo.InvariantCulture);
            response.Headers["Sound-Rate"] = sound.SampleRateHz.ToString(CultureInfo.InvariantCulture);
            await SoundStream.WriteAsync(job, response.Body, either.Token);
        }
        catch (OperationCanceledException)
        {
            // Whoever listened is gone, or the program stops: the sound ends early, which a listener knows by its length.
            return;
        }
    }

    private static JobView ViewOf(Job<RenderedAudio> job)
    {
        var audio = job.Result;
        return new(job.Id, job.Work.Id, job.State, job.Progress, job.Seconds, audio?.Sound.SampleRateHz, audio?.Sound.Left.Length,
            job.State == JobState.Done && audio is not null ? MeterView.Of(audio) : null);
    }
}
