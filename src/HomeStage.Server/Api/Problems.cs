using HomeStage.Core.Editing;
using HomeStage.Server.Data;
using Microsoft.AspNetCore.Http.HttpResults;

namespace HomeStage.Server.Api;

/// <summary>RFC 9457 problem details: a stable code, a sentence for people, names along the way where they help.</summary>
internal static class Problems
{
    public static ProblemHttpResult NotFound(string what) => Of(StatusCodes.Status404NotFound, "not-found", $"There is no such {what}.");

    /// <param name="mended">What would do what was meant; null where nothing is known.</param>
    public static ProblemHttpResult Refused(Refusal why, int? editIndex = null, MendedBatch? mended = null) =>
        Of(StatusCodes.Status422UnprocessableEntity, why.Code, why.Sentence, new()
        {
            ["path"] = why.Path.Count > 0 ? why.Path.ToArray() : null,
            ["editIndex"] = editIndex,
            ["mended"] = mended,
        });

    public static ProblemHttpResult Unreadable(string code, string sentence) =>
        Of(code == "too-large" ? StatusCodes.Status413PayloadTooLarge : StatusCodes.Status422UnprocessableEntity, code, sentence);

    /// <param name="allowed">The methods that the address takes.</param>
    public static ProblemHttpResult MethodNotAllowed(HttpContext context, string allowed)
    {
        context.Response.Headers.Allow = allowed;
        return Of(StatusCodes.Status405MethodNotAllowed, "wrong-method", $"This address takes {allowed}, and not {context.Request.Method}.");
    }

    public static ProblemHttpResult Busy() =>
        Of(StatusCodes.Status429TooManyRequests, "busy", "Too much is waiting to be rendered; try again in a moment.");

    public static ProblemHttpResult From(StoreAnswer answer) => answer switch
    {
        StoreAnswer.NotFound => NotFound("document"),
        StoreAnswer.Stale stale => Of(StatusCodes.Status409Conflict, "stale-revision",
            $"This was changed elsewhere in the meantime; the newest revision is {stale.Newest}.", new() { ["newest"] = stale.Newest }),
        StoreAnswer.Refused refused => Refused(refused.Why, refused.EditIndex),
        StoreAnswer.NameTaken taken => Of(StatusCodes.Status409Conflict, "name-taken", $"Another template is called {taken.Name} already."),
        StoreAnswer.NothingToDo nothing => Of(StatusCodes.Status409Conflict, "nothing-to-do", nothing.Sentence),
        _ => throw new ArgumentOutOfRangeException(nameof(answer), answer, "Not a refusal."),
    };

    public static ProblemHttpResult Of(int status, string code, string sentence, Dictionary<string, object?>? more = null)
    {
        var extensions = new Dictionary<string, object?>(StringComparer.Ordinal) { ["code"] = code };
        foreach (var (key, value) in more ?? [])
            if (value is not null)
                extensions[key] = value;
        return TypedResults.Problem(detail: sentence, statusCode: status, extensions: extensions);
    }
}
