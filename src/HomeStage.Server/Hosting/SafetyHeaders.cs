namespace HomeStage.Server.Hosting;

/// <summary>The headers that every answer carries, whoever gives it: pages, refusals and faults alike.</summary>
internal sealed class SafetyHeaders(RequestDelegate next)
{
    /// <summary>For answers that are no page: nothing in them may run or load anything.</summary>
    private const string NothingRuns = "default-src 'none'; frame-ancestors 'none'";

    public Task InvokeAsync(HttpContext context)
    {
        // Set last, since a handler of faults clears what was set before.
        context.Response.OnStarting(() =>
        {
            var headers = context.Response.Headers;
            headers.XContentTypeOptions = "nosniff";
            headers["Referrer-Policy"] = "no-referrer";
            headers["Cross-Origin-Resource-Policy"] = "same-origin";
            headers["Cross-Origin-Opener-Policy"] = "same-origin";
            if (headers.ContentSecurityPolicy.Count == 0)
                headers.ContentSecurityPolicy = NothingRuns;
            if (headers.CacheControl.Count == 0 || IsApi(context.Request.Path))
                headers.CacheControl = "no-store";
            return Task.CompletedTask;
        });
        return next(context);
    }

    /// <summary>The framework finds an address in whatever case it is written, so it is judged in any.</summary>
    public static bool IsApi(PathString path) => path.StartsWithSegments("/api", StringComparison.OrdinalIgnoreCase) || path.StartsWithSegments("/openapi", StringComparison.OrdinalIgnoreCase);
}
