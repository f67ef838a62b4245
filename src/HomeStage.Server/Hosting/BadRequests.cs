using System.Text.Json;
using HomeStage.Server.Api;
using Microsoft.AspNetCore.Diagnostics;

namespace HomeStage.Server.Hosting;

/// <summary>Answers with problem details where a request could not be understood, or something here broke.</summary>
internal sealed class BadRequests(ILogger<BadRequests> log) : IExceptionHandler
{
    public async ValueTask<bool> TryHandleAsync(HttpContext context, Exception exception, CancellationToken cancellationToken)
    {
        var problem = exception switch
        {
            BadHttpRequestException { StatusCode: StatusCodes.Status413PayloadTooLarge } =>
                Problems.Of(StatusCodes.Status413PayloadTooLarge, "too-large", "The request is larger than this server takes."),
            BadHttpRequestException { InnerException: JsonException json } =>
                Problems.Of(StatusCodes.Status400BadRequest, "bad-json", $"The request cannot be read{Where(json)}."),
            // What the serialiser says where a case of a closed family does not name itself.
            NotSupportedException { Source: "System.Text.Json" } =>
                Problems.Of(StatusCodes.Status400BadRequest, "bad-json", "The request cannot be read: something in it does not say of which type it is."),
            BadHttpRequestException bad => Problems.Of(bad.StatusCode, "bad-request", "The request cannot be understood."),
            _ => null,
        };
        if (problem is null)
        {
            log.LogError(exception, "{Method} {Path} broke", context.Request.Method, context.Request.Path);
            problem = Problems.Of(StatusCodes.Status500InternalServerError, "broken", "Something broke here; nothing was changed.");
        }

        await problem.ExecuteAsync(context);
        return true;
    }

    private static string Where(JsonException json) =>
        json.Path is { Length: > 1 } path ? $": something is wrong at {path}" : ": it is not whole JSON";
}
