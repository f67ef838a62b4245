using HomeStage.Server.Data;
using HomeStage.Server.Hosting;
using HomeStage.Server.Starting;
using Microsoft.Extensions.DependencyInjection;

namespace HomeStage.Server.Tests;

/// <summary>A data folder with the demo in it, made once in a run; whoever begins with the demo begins with a copy.</summary>
internal static class DemoFolder
{
    private static readonly Lazy<Task<string>> Made = new(MakeAsync);

    /// <param name="folder">is there already; what lies in it under the same names is written over</param>
    public static async Task CopyToAsync(string folder)
    {
        foreach (var file in Directory.GetFiles(await Made.Value))
            File.Copy(file, Path.Combine(folder, Path.GetFileName(file)), overwrite: true);
    }

    private static async Task<string> MakeAsync()
    {
        var folder = Directory.CreateTempSubdirectory("home-stage-demo-").FullName;
        AppDomain.CurrentDomain.ProcessExit += (_, _) => Directory.Delete(folder, recursive: true);
        await using (var app = StageApp.Build(new(0, folder, folder, Demo: true, WriteOpenApi: null)))
            await app.Services.GetRequiredService<Startup>().PrepareAsync();
        StageDbSetup.LetGo(folder);
        return folder;
    }
}
