using HomeStage.Server.Api;

namespace HomeStage.Server.Hosting;

/// <summary>Says in problem details what routing found out: that an address takes other methods.</summary>
internal sealed class WrongMethods(RequestDelegate next)
{
    public async Task InvokeAsync(HttpContext context)
    {
        if (context.GetEndpoint() is { RequestDelegate: { } refuse, Metadata.Count: 0 } endpoint && endpoint.DisplayName?.StartsWith("405", StringComparison.Ordinal) == true)
        {
            // Its own answer knows which methods there are.
            await refuse(context);
            await Problems.MethodNotAllowed(context, context.Response.Headers.Allow.ToString()).ExecuteAsync(context);
            return;
        }

        await next(context);
    }
}
