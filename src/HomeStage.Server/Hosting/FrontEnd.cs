using System.Security.Cryptography;
using HomeStage.Server.Api;
using Microsoft.Extensions.FileProviders;

namespace HomeStage.Server.Hosting;

/// <summary>Serves the built front end, with a policy that lets nothing in from elsewhere.</summary>
internal static class FrontEnd
{
    private const string NoncePlace = "__NONCE__";
    private const string Page = "index.html";

    /// <summary>Files of the front end. The page itself goes by <see cref="AnswerRestAsync"/>, under whatever name it is asked for.</summary>
    public static void UseFrontEndFiles(this WebApplication app, string folder)
    {
        if (!File.Exists(Path.Combine(folder, Page)))
        {
            app.Logger.LogWarning("No built front end in {Folder}: only the API is served", folder);
            return;
        }

        app.UseWhen(
            context => !context.Request.Path.Equals($"/{Page}", StringComparison.OrdinalIgnoreCase),
            branch => branch.UseStaticFiles(new StaticFileOptions
            {
                FileProvider = new PhysicalFileProvider(folder),
                // Built files bear their content in their names.
                OnPrepareResponse = file => file.Context.Response.Headers.CacheControl = "public, max-age=31536000, immutable",
            }));
    }

    /// <summary>Answers what no file and no endpoint has: with the page, for addresses of the front end's own router.</summary>
    public static async Task AnswerRestAsync(HttpContext context, string folder)
    {
        if (SafetyHeaders.IsApi(context.Request.Path) || Path.HasExtension(context.Request.Path.Value) && !context.Request.Path.Equals($"/{Page}", StringComparison.OrdinalIgnoreCase))
            await Problems.NotFound("address").ExecuteAsync(context);
        else if (!HttpMethods.IsGet(context.Request.Method) && !HttpMethods.IsHead(context.Request.Method))
            await Problems.MethodNotAllowed(context, "GET, HEAD").ExecuteAsync(context);
        else if (!File.Exists(Path.Combine(folder, Page)))
            await Problems.NotFound("page").ExecuteAsync(context);
        else
            await SendPageAsync(context, folder);
    }

    private static async Task SendPageAsync(HttpContext context, string folder)
    {
        // The component library adds style elements while it runs; they carry this answer's nonce.
        var nonce = Convert.ToBase64String(RandomNumberGenerator.GetBytes(18));
        var page = await File.ReadAllTextAsync(Path.Combine(folder, Page), context.RequestAborted);
        // The decoder of FLAC is WebAssembly, which may be compiled; no text becomes a script.
        context.Response.Headers.ContentSecurityPolicy =
            $"default-src 'none'; script-src 'self' 'wasm-unsafe-eval'; style-src 'self' 'nonce-{nonce}'; img-src 'self' data:; font-src 'self'; "
            + "connect-src 'self'; media-src 'self' blob:; base-uri 'none'; form-action 'self'; frame-ancestors 'none'";
        context.Response.Headers.CacheControl = "no-store";
        context.Response.ContentType = "text/html; charset=utf-8";
        await context.Response.WriteAsync(page.Replace(NoncePlace, nonce, StringComparison.Ordinal), context.RequestAborted);
    }
}
