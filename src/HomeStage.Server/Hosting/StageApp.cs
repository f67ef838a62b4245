using HomeStage.Core.Sound.Tapes;
using HomeStage.Formats.Documents;
using HomeStage.Server.Api;
using HomeStage.Server.Api.Views;
using HomeStage.Server.Data;
using HomeStage.Server.Data.Keeping;
using HomeStage.Server.Data.Shelf;
using HomeStage.Server.Data.Sounds;
using HomeStage.Server.Data.Studios;
using HomeStage.Server.Data.Summaries;
using HomeStage.Server.Demo;
using HomeStage.Server.Jobs;
using HomeStage.Server.Memory;
using HomeStage.Server.Starting;
using Microsoft.EntityFrameworkCore;
using Serilog;
using Serilog.Events;

namespace HomeStage.Server.Hosting;

/// <summary>Puts the server together.</summary>
public static class StageApp
{
    private const long MostRequestBytes = 64 * 1024 * 1024;

    public static WebApplication Build(ServerOptions options)
    {
        var builder = WebApplication.CreateSlimBuilder();
        builder.Services.AddSerilog(log => log
            .MinimumLevel.Information()
            .MinimumLevel.Override("Microsoft", LogEventLevel.Warning)
            // What fails there is said once, where it is answered or ends the start.
            .MinimumLevel.Override("Microsoft.EntityFrameworkCore", LogEventLevel.Fatal)
            .MinimumLevel.Override("Microsoft.Extensions.Hosting", LogEventLevel.Fatal)
            .WriteTo.Console(outputTemplate: "{Timestamp:HH:mm:ss} {Level:u3} {Message:lj}{NewLine}{Exception}"));
        builder.WebHost.ConfigureKestrel(kestrel =>
        {
            kestrel.AddServerHeader = false;
            kestrel.Limits.MaxRequestBodySize = MostRequestBytes;
            kestrel.Listen(System.Net.IPAddress.Loopback, options.Port);
        });
        AddServices(builder.Services, options);
        var app = builder.Build();
        app.UseMiddleware<SafetyHeaders>();
        app.UseExceptionHandler();
        app.UseMiddleware<Gate>();
        // What the API says goes over the loopback address, where packing takes longer than sending.
        app.UseWhen(context => !SafetyHeaders.IsApi(context.Request.Path), branch => branch.UseResponseCompression());
        app.UseFrontEndFiles(options.WebFolder);
        app.UseRouting();
        app.UseMiddleware<WrongMethods>();
        app.Use((context, next) => context.GetEndpoint() is null ? FrontEnd.AnswerRestAsync(context, options.WebFolder) : next(context));
        MapApi(app);
        return app;
    }

    private static void AddServices(IServiceCollection services, ServerOptions options)
    {
        services.Configure<HostOptions>(host => host.ShutdownTimeout = TimeSpan.FromMilliseconds(700));
        services.AddSingleton(TimeProvider.System);
        services.AddSingleton(options);
        services.AddSingleton(options.Memory);
        services.AddSingleton<Startup>();
        AddData(services, options.DataFolder);
        services.AddSingleton<RowBook>();
        services.AddSingleton<DemoSeed>();
        services.AddSingleton<Activity>();
        services.AddSingleton<MemoryKeeper>();
        services.AddSingleton(new TapeShelf(options.Memory.Tapes));
        AddJobs<RenderedAudio>(services, options.Memory.Renders);
        AddJobs<SongZip>(services, ZipOnDisk.MostBytesOnDisk);
        AddJobs<StemZip>(services, ZipOnDisk.MostBytesOnDisk);
        AddJobs<Printed>(services, 0);
        AddJobs<TestBench>(services, ZipOnDisk.MostBytesOnDisk);
        services.AddSingleton(new ScratchFolder(Path.Combine(options.DataFolder, "stems")));
        if (options.WriteOpenApi is null)
            services.AddHostedService<Housekeeping>();
        services.ConfigureHttpJsonOptions(json => DocumentJson.Apply(json.SerializerOptions));
        services.Configure<RouteHandlerOptions>(routes => routes.ThrowOnBadRequest = true);
        services.AddProblemDetails();
        services.AddExceptionHandler<Faults>();
        services.AddResponseCompression();
        services.AddOpenApi(ApiDescription.Describe);
    }

    private static void AddData(IServiceCollection services, string dataFolder)
    {
        services.AddDbContextFactory<StageDb>(db => StageDbSetup.Configure(db, dataFolder));
        services.AddScoped(s => s.GetRequiredService<IDbContextFactory<StageDb>>().CreateDbContext());
        services.AddSingleton<WriteGate>();
        services.AddSingleton<DamageBook>();
        services.AddSingleton<DocumentStore>();
        services.AddSingleton<DocumentLists>();
        services.AddSingleton<SummaryShelf>();
        services.AddSingleton<RevisionLog>();
        services.AddSingleton(new MediaFiles(Path.Combine(dataFolder, "media")));
        services.AddSingleton<MediaStore>();
        services.AddSingleton(s => new StagedSounds(s.GetRequiredService<MediaStore>(), s.GetRequiredService<TimeProvider>(), Path.Combine(dataFolder, "media", "staged")));
        services.AddSingleton<SidesJoined>();
        services.AddSingleton<ShelfStore>();
        services.AddSingleton<StudioDesk>();
        services.AddSingleton<Carried>();
        services.AddSingleton<StageAround>();
        services.AddSingleton<DeviceStates>();
        services.AddSingleton<SoundUses>();
        services.AddSingleton<Removals>();
        services.AddSingleton<Recovery>();
        services.AddSingleton<Integrity>();
        services.AddSingleton(s => new Backups(s.GetRequiredService<IDbContextFactory<StageDb>>(), s.GetRequiredService<TimeProvider>(), dataFolder));
    }

    private static void AddJobs<TResult>(IServiceCollection services, long mostBytes)
        where TResult : class =>
        services.AddSingleton(s => new JobQueue<TResult>(s.GetRequiredService<TimeProvider>(), s.GetRequiredService<ILogger<JobQueue<TResult>>>(), mostBytes));

    private static void MapApi(WebApplication app)
    {
        app.MapOpenApi();
        var api = app.MapGroup("/api").AddEndpointFilter(CountAsync);
        api.MapHealth();
        api.MapCatalogue();
        api.MapValues();
        api.MapRoles();
        api.MapMedia();
        api.MapGrooves();
        api.MapBrief();
        api.MapDocuments();
        api.MapTemplates();
        api.MapSongs();
        api.MapReturnsHome();
        api.MapBeginnings();
        api.MapReviews();
        api.MapIdeas();
        api.MapRenders();
        api.MapAuditions();
        api.MapOutputPlans();
        api.MapCabledMachines();
        api.MapPackages();
        api.MapStems();
        api.MapPrints();
        api.MapOutsideChecks();
        api.MapRemoved();
        api.MapShelf();
        api.MapStudios();
        api.MapDeviceStates();
        api.MapKnownDevices();
    }

    /// <summary>A stream is open, not busy.</summary>
    private static async ValueTask<object?> CountAsync(EndpointFilterInvocationContext context, EndpointFilterDelegate next)
    {
        object? answer = null;
        await context.HttpContext.RequestServices.GetRequiredService<Activity>().DuringAsync(async () => answer = await next(context));
        return answer;
    }
}
