using HomeStage.Core.Sound;
using HomeStage.Core.Sound.Listening;
using HomeStage.Core.Soundcheck;
using HomeStage.Formats.Packages;
using HomeStage.Server.Api.Views;
using HomeStage.Server.Data;
using HomeStage.Server.Data.Sounds;
using HomeStage.Server.Data.Studios;
using HomeStage.Server.Jobs;
using Microsoft.AspNetCore.Http.HttpResults;

namespace HomeStage.Server.Api;

/// <summary>A song's package: made as a job, then taken away.</summary>
internal static class PackagesApi
{
    /// <param name="Act">The act in which the song is rendered; null for the one in which it is heard at last.</param>
    /// <param name="CountedIn">Whether what the song counts is in its files.</param>
    public sealed record NewPackage(string Song, string? Act = null, bool CountedIn = false);

    public static void MapPackages(this RouteGroupBuilder api)
    {
        var group = api.MapGroup("/packages").WithTags("Packages");
        group.MapPost("/", Start);
        group.MapGet("/{id}", Results<Ok<JobView>, ProblemHttpResult> (string id, JobQueue<SongZip> jobs) =>
            jobs.Find(id) is { } job ? TypedResults.Ok(ViewOf(job)) : Problems.NotFound("package"));
        group.MapDelete("/{id}", Results<NoContent, ProblemHttpResult> (string id, JobQueue<SongZip> jobs) =>
        {
            if (jobs.Find(id) is not { } job)
                return Problems.NotFound("package");
            jobs.Cancel(job);
            return TypedResults.NoContent();
        });
        group.MapGet("/{id}/file", Results<FileContentHttpResult, ProblemHttpResult> (string id, JobQueue<SongZip> jobs) =>
            jobs.Find(id)?.Result is { } zip
                ? TypedResults.File(zip.Content, "application/zip", zip.FileName)
                : Problems.NotFound("finished package")).Produces(StatusCodes.Status200OK, contentType: "application/zip");
    }

    private static async Task<Results<Accepted<JobView>, ProblemHttpResult>> Start(
        NewPackage asked, DocumentStore store, StudioDesk desk, MediaStore media, MediaFiles files, JobQueue<SongZip> jobs, CancellationToken cancellation)
    {
        if (await store.OpenAsync(asked.Song, cancellation) is not { Kind: DocumentKind.Song } song)
            return Problems.NotFound("song");
        var request = new RenderRequest(asked.Act ?? song.Template.FinalAct.Id) { CountedIn = asked.CountedIn };
        if (request.Check(song.Template) is { } wrong)
            return Problems.Refused(wrong);
        var compiled = song.Compiled.In((await desk.OnAsync(cancellation))?.Studio);
        var job = jobs.Start($"{song.Id}/{song.Revision}/{request}", work =>
        {
            var sound = CountedRender.Render(compiled, request, new JobWatcher(work), media, cancellation: work.Cancellation);
            using var zip = new MemoryStream();
            SongPackage.Write(song.Template, sound, zip, asked.CountedIn, files.Whole);
            var why = sound.PeakDbfs is null ? WhySilent.At(compiled.In(request.Act), song.Template.Main.Id) : null;
            return new($"{SongPackage.FileName(song.Template.Name)}.zip", zip.ToArray(), why);
        });
        return job is null ? Problems.Busy() : TypedResults.Accepted($"/api/packages/{job.Id}", ViewOf(job));
    }

    private static JobView ViewOf(Job<SongZip> job) => new(job.Id, job.Work.Id, job.State, job.Progress, job.Seconds) { SilentBecause = job.Result?.SilentBecause };
}
