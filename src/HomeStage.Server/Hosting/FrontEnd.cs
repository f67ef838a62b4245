using System.Security.Cryptography;
using Microsoft.Extensions.FileProviders;

namespace HomeStage.Server.Hosting;

/// <summary>Serves the built front end, with a policy that lets nothing in from elsewhere.</summary>
internal static class FrontEnd
{
    private const string NoncePlace = "__NONCE__";

    public static void UseFrontEnd(this WebApplication app, string folder)
    {
        if (!File.Exists(Path.Combine(folder, "index.html")))
        {
            app.Logger.LogWarning("No built front end in {Folder}: only the API is served", folder);
            return;
        }

        app.UseStaticFiles(new StaticFileOptions
        {
            FileProvider = new PhysicalFileProvider(folder),
            // Built files bear their content in their names.
            OnPrepareResponse = file => file.Context.Response.Headers.CacheControl = "public, max-age=31536000, immutable",
        });
        // Addresses of the front end's own router; names of files that are not there stay unknown.
        app.MapFallback(context => SendPage(context, folder));
    }

    private static async Task SendPage(HttpContext context, string folder)
    {
        // The component library adds style elements while it runs; they carry this answer's nonce.
        var nonce = Convert.ToBase64String(RandomNumberGenerator.GetBytes(18));
        var page = await File.ReadAllTextAsync(Path.Combine(folder, "index.html"), context.RequestAborted);
        context.Response.Headers.ContentSecurityPolicy =
            $"default-src 'none'; script-src 'self'; style-src 'self' 'nonce-{nonce}'; img-src 'self' data:; font-src 'self'; "
            + "connect-src 'self'; media-src 'self' blob:; base-uri 'none'; form-action 'self'; frame-ancestors 'none'";
        context.Response.Headers.CacheControl = "no-store";
        context.Response.ContentType = "text/html; charset=utf-8";
        await context.Response.WriteAsync(page.Replace(NoncePlace, nonce, StringComparison.Ordinal), context.RequestAborted);
    }
}
