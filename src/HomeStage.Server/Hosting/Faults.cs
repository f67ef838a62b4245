using System.Text.Json;
using System.Text.RegularExpressions;
using HomeStage.Server.Api;
using HomeStage.Server.Data;
using HomeStage.Server.Starting;
using Microsoft.AspNetCore.Diagnostics;
using Microsoft.AspNetCore.Http.HttpResults;

namespace HomeStage.Server.Hosting;

/// <summary>Answers with problem details where a request could not be understood, the disk or a document is damaged, or something
/// here broke.</summary>
internal sealed partial class Faults(ILogger<Faults> log) : IExceptionHandler
{
    public async ValueTask<bool> TryHandleAsync(HttpContext context, Exception exception, CancellationToken cancellationToken)
    {
        var problem = OfRequest(exception) ?? OfStorage(exception);
        if (problem is null)
        {
            log.LogError(exception, "{Method} {Path} broke", context.Request.Method, context.Request.Path);
            problem = Problems.Of(StatusCodes.Status500InternalServerError, "broken", "Something broke here; nothing was changed.");
        }

        await problem.ExecuteAsync(context);
        return true;
    }

    private static ProblemHttpResult? OfRequest(Exception exception) => exception switch
    {
        BadHttpRequestException { StatusCode: StatusCodes.Status413PayloadTooLarge } =>
            Problems.Of(StatusCodes.Status413PayloadTooLarge, "too-large", "The request is larger than this server takes."),
        BadHttpRequestException { InnerException: JsonException json } =>
            Problems.Of(StatusCodes.Status400BadRequest, "bad-json", $"The request cannot be read{Where(json)}."),
        // What the serialiser says where a case of a closed family does not name itself.
        NotSupportedException { Source: "System.Text.Json" } =>
            Problems.Of(StatusCodes.Status400BadRequest, "bad-json", "The request cannot be read: something in it does not say of which type it is."),
        BadHttpRequestException bad => Problems.Of(bad.StatusCode, "bad-request", SentenceOf(bad)),
        _ => null,
    };

    private ProblemHttpResult? OfStorage(Exception exception)
    {
        if (exception is DamagedDocumentException damaged)
            return Problems.Of(StatusCodes.Status422UnprocessableEntity, "damaged", damaged.Sentence, new() { ["lastWhole"] = damaged.LastWhole });
        if (StorageFaults.Of(exception) is not { } fault)
            return null;
        log.LogError("The disk or the database fails: {Message}", StorageFaults.Plain(exception));
        return fault switch
        {
            StorageFault.Full => Problems.Of(StatusCodes.Status507InsufficientStorage, "disk-full", "The disk is full; nothing was changed. Make some room and try again."),
            StorageFault.Damaged => Problems.Of(StatusCodes.Status503ServiceUnavailable, "database-damaged", "A part of the database is damaged on the disk. A backup may hold what was asked for."),
            _ => Problems.Of(StatusCodes.Status503ServiceUnavailable, "disk-fails", "The data folder cannot be read or written at the moment; nothing was changed."),
        };
    }

    private static string Where(JsonException json) =>
        json.Path is { Length: > 1 } path ? $": something is wrong at {path}" : ": it is not whole JSON";

    /// <summary>The framework knows which parameter it is, and says so in its own words alone.</summary>
    private static string SentenceOf(BadHttpRequestException bad) =>
        Missing().Match(bad.Message) is { Success: true } missing ? $"The request lacks {missing.Groups["name"].Value}."
        : Unreadable().Match(bad.Message) is { Success: true } unreadable ? $"What the request says of {unreadable.Groups["name"].Value} cannot be read."
        : bad.Message.Contains("body", StringComparison.OrdinalIgnoreCase) ? "The request lacks its body, or does not say that it is JSON."
        : "The request cannot be understood.";

    [GeneratedRegex("Required parameter \"\\S+ (?<name>\\w+)\" was not provided", RegexOptions.None, 1000)]
    private static partial Regex Missing();

    [GeneratedRegex("Failed to bind parameter \"\\S+ (?<name>\\w+)\"", RegexOptions.None, 1000)]
    private static partial Regex Unreadable();
}
