using HomeStage.Server.Hosting;
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
    return 2;
}

await using var app = StageApp.Build(options);
if (options.WriteOpenApi is { } file)
{
    await app.StartAsync();
    var description = await app.Services.GetRequiredKeyedService<IOpenApiDocumentProvider>("v1").GetOpenApiDocumentAsync();
    await File.WriteAllTextAsync(file, await description.SerializeAsJsonAsync(OpenApiSpecVersion.OpenApi3_1) + "\n");
    return 0;
}

await StageApp.PrepareAsync(app, options);
await app.StartAsync();
Console.WriteLine($"Home Stage is at {app.Urls.First()}");
await app.WaitForShutdownAsync();
return 0;
