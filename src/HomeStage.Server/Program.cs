using HomeStage.Formats.Documents;
using HomeStage.Server.Data.Keeping;
using HomeStage.Server.Hosting;
using HomeStage.Server.Starting;
using Microsoft.AspNetCore.OpenApi;
using Microsoft.OpenApi;

ServerOptions options;
try
{
    options = ServerOptions.Parse(args);
}
catch (FormatException e)
{
    await Console.Error.WriteLineAsync(e.Message);
    return (int)ExitCode.BadWords;
}

try
{
    if (options.Backup is { } backup)
    {
        BackupFile.Write(options.DataFolder, backup);
        Console.WriteLine($"Everything in {options.DataFolder} is in {backup}");
        return (int)ExitCode.Stopped;
    }

    if (options.WriteSchema is { } schema)
    {
        await File.WriteAllBytesAsync(schema, DocumentSchema.Write());
        return (int)ExitCode.Stopped;
    }

    WarmUp.Begin();
    await using var app = StageApp.Build(options);
    if (options.WriteOpenApi is { } file)
    {
        await app.StartAsync();
        var description = await app.Services.GetRequiredKeyedService<IOpenApiDocumentProvider>("v1").GetOpenApiDocumentAsync();
        await File.WriteAllTextAsync(file, await description.SerializeAsJsonAsync(OpenApiSpecVersion.OpenApi3_1) + "\n");
        return (int)ExitCode.Stopped;
    }

    var startup = app.Services.GetRequiredService<Startup>();
    await startup.PrepareAsync();
    await startup.ListenAsync(app);
    Console.WriteLine($"Home Stage is at {app.Urls.First()}");
    await app.WaitForShutdownAsync();
    return (int)ExitCode.Stopped;
}
catch (StartFault fault)
{
    await Console.Error.WriteLineAsync(fault.Message);
    return (int)fault.Code;
}
