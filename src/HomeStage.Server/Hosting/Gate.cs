using HomeStage.Server.Api;

namespace HomeStage.Server.Hosting;

/// <summary>Lets in what comes from this machine's own pages, and nothing else.</summary>
/// <remarks>A page elsewhere can make a browser call a loopback address; its Origin gives it away. A name elsewhere can
/// be made to point here; its Host gives it away.</remarks>
internal sealed class Gate(RequestDelegate next)
{
    private static readonly HashSet<string> Hosts = new(StringComparer.OrdinalIgnoreCase) { "127.0.0.1", "localhost", "[::1]" };

    public Task InvokeAsync(HttpContext context)
    {
        var request = context.Request;
        if (!Hosts.Contains(request.Host.Host))
            return Refuse(context, "unknown-host", "This server answers to the loopback address only.");
        var origin = request.Headers.Origin.ToString();
        if (origin.Length > 0 && !string.Equals(origin, $"{request.Scheme}://{request.Host}", StringComparison.OrdinalIgnoreCase))
            return Refuse(context, "cross-site", "Requests from other sites are refused.");
        return request.Headers["Sec-Fetch-Site"] == "cross-site" && SafetyHeaders.IsApi(request.Path)
            ? Refuse(context, "cross-site", "Requests from other sites are refused.")
            : next(context);
    }

    private static Task Refuse(HttpContext context, string code, string sentence) =>
        Problems.Of(StatusCodes.Status403Forbidden, code, sentence).ExecuteAsync(context);
}
