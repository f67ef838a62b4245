using HomeStage.Core.Sound.Tapes;
using HomeStage.Formats.Documents;
using HomeStage.Server.Api;
using HomeStage.Server.Api.Views;
using HomeStage.Server.Data;
using HomeStage.Server.Demo;
using HomeStage.Server.Jobs;
using Microsoft.EntityFrameworkCore;
using Serilog;
using Serilog.Events;

namespace HomeStage.Server.Hosting;

/// <summary>Puts the server together.</summary>
public static class StageApp
{
    private const long MostBytesOfTapes = 384 * 1024 * 1024;
    private const long MostRequestBytes = 64 * 1024 * 1024;

    public static WebApplication Build(ServerOptions options)
    {
        var builder = WebApplication.CreateSlimBuilder();
        builder.Services.AddSerilog(log => log
            .MinimumLevel.Information()
            .MinimumLevel.Override("Microsoft", LogEventLevel.Warning)
            .WriteTo.Console(outputTemplate: "{Timestamp:HH:mm:ss} {Level:u3} {Message:lj}{NewLine}{Exception}"));
        builder.WebHost.ConfigureKestrel(kestrel =>
        {
            kestrel.Limits.MaxRequestBodySize = MostRequestBytes;
            kestrel.Listen(System.Net.IPAddress.Loopback, options.Port);
        });
        AddServices(builder.Services, options);
        var app = builder.Build();
        app.UseExceptionHandler();
        app.UseMiddleware<Gate>();
        app.Use(AddSafetyHeaders);
        app.UseResponseCompression();
        MapApi(app);
        app.UseFrontEnd(options.WebFolder);
        return app;
    }

    /// <summary>Brings the database up to date and fills an empty library.</summary>
    public static async Task PrepareAsync(WebApplication app, ServerOptions options)
    {
        Directory.CreateDirectory(options.DataFolder);
        await using var scope = app.Services.CreateAsyncScope();
        await StageDbSetup.MigrateAsync(scope.ServiceProvider.GetRequiredService<StageDb>(), options.DataFolder);
        if (options.Demo)
            await scope.ServiceProvider.GetRequiredService<DemoSeed>().SeedAsync();
    }

    private static void AddServices(IServiceCollection services, ServerOptions options)
    {
        services.AddSingleton(TimeProvider.System);
        services.AddDbContextFactory<StageDb>(db => StageDbSetup.Configure(db, options.DataFolder));
        services.AddScoped(s => s.GetRequiredService<IDbContextFactory<StageDb>>().CreateDbContext());
        services.AddSingleton<DocumentStore>();
        services.AddSingleton<DocumentLists>();
        services.AddSingleton<RevisionLog>();
        services.AddSingleton<RowBook>();
        services.AddSingleton(s => new MediaStore(
            s.GetRequiredService<IDbContextFactory<StageDb>>(), s.GetRequiredService<TimeProvider>(), Path.Combine(options.DataFolder, "media")));
        services.AddSingleton<DemoSeed>();
        services.AddSingleton<JobQueue<RenderedAudio>>();
        services.AddSingleton(new TapeShelf(MostBytesOfTapes));
        services.AddSingleton<JobQueue<SongZip>>();
        services.ConfigureHttpJsonOptions(json => DocumentJson.Apply(json.SerializerOptions));
        services.Configure<RouteHandlerOptions>(routes => routes.ThrowOnBadRequest = true);
        services.AddProblemDetails();
        services.AddExceptionHandler<BadRequests>();
        services.AddResponseCompression();
        services.AddOpenApi(ApiDescription.Describe);
    }

    private static void MapApi(WebApplication app)
    {
        app.MapOpenApi();
        var api = app.MapGroup("/api");
        api.MapHealth();
        api.MapCatalogue();
        api.MapRoles();
        api.MapMedia();
        api.MapGrooves();
        api.MapTemplates();
        api.MapSongs();
        api.MapRenders();
        api.MapAuditions();
        api.MapOutputPlans();
        api.MapPackages();
        api.MapFallback(() => Problems.NotFound("address"));
    }

    private static Task AddSafetyHeaders(HttpContext context, RequestDelegate next)
    {
        context.Response.Headers.XContentTypeOptions = "nosniff";
        context.Response.Headers["Referrer-Policy"] = "no-referrer";
        context.Response.Headers["Cross-Origin-Resource-Policy"] = "same-origin";
        if (context.Request.Path.StartsWithSegments("/api", StringComparison.Ordinal))
            context.Response.Headers.CacheControl = "no-store";
        return next(context);
    }
}
