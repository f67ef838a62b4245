using HomeStage.Server.Api.Views;
using HomeStage.Server.Jobs;
using Microsoft.AspNetCore.Http.HttpResults;

namespace HomeStage.Server.Api;

/// <summary>What every kind of job is asked for alike: how far it is, to be let go, the file that it has made.</summary>
internal static class JobRoutes
{
    /// <param name="queue">A <see cref="JobQueue{TResult}"/>.</param>
    /// <param name="what">"render".</param>
    public static void MapStanding(this RouteGroupBuilder group, Type queue, string what) =>
        group.MapGet("/{id}", Results<Ok<JobView>, ProblemHttpResult> (string id, HttpContext context) =>
            Queue(context, queue) is var jobs && jobs.StandingOf(id) is { } job ? TypedResults.Ok(JobView.Of(job, jobs.FinishedBy(id))) : Problems.NotFound(what));

    /// <param name="queue">A <see cref="JobQueue{TResult}"/>.</param>
    /// <param name="what">"render".</param>
    public static void MapCancel(this RouteGroupBuilder group, Type queue, string what) =>
        group.MapDelete("/{id}", Results<NoContent, ProblemHttpResult> (string id, HttpContext context) =>
            Queue(context, queue).Cancel(id) ? TypedResults.NoContent() : Problems.NotFound(what));

    /// <param name="queue">A <see cref="JobQueue{TResult}"/> of ZIPs.</param>
    /// <param name="what">"package".</param>
    public static void MapZip(this RouteGroupBuilder group, Type queue, string what) =>
        group.MapGet("/{id}/file", Results<PushStreamHttpResult, ProblemHttpResult> (string id, HttpContext context, CancellationToken cancellation) =>
            Queue(context, queue).FinishedBy(id) is ZipOnDisk zip
                ? TypedResults.Stream(stream => zip.CopyToAsync(stream, cancellation), "application/zip", zip.FileName)
                : Problems.NotFound($"finished {what}")).Produces(StatusCodes.Status200OK, contentType: "application/zip");

    /// <returns>That a job has begun, and where it is watched; or that too much is waiting.</returns>
    public static Results<Accepted<JobView>, ProblemHttpResult> Begun(JobStanding? job, string address) =>
        job is null ? Problems.Busy() : TypedResults.Accepted($"/api/{address}/{job.Id}", JobView.Of(job));

    private static IJobQueue Queue(HttpContext context, Type queue) => (IJobQueue)context.RequestServices.GetRequiredService(queue);
}
