using System.IO.Compression;
using System.Net;
using System.Text;
using HomeStage.Server.Jobs;
using Microsoft.Extensions.DependencyInjection;

namespace HomeStage.Server.Tests;

/// <summary>A finished song has its sound in its project file: it goes over the disk, and only what is read of it takes memory.</summary>
public sealed class LargeProjectTests(RunningServer server) : IClassFixture<RunningServer>
{
    private const int Sound = 24 * 1024 * 1024;

    [Theory]
    [InlineData("/api/songs/from-project")]
    [InlineData("/api/templates/from-project")]
    public async Task AProjectWithMuchSoundInIt_ComesIn_AndLeavesNothingBesides(string path)
    {
        using var file = new MemoryStream();
        using (var zip = new ZipArchive(file, ZipArchiveMode.Create, leaveOpen: true))
        {
            using (var xml = zip.CreateEntry("project.xml").Open())
                xml.Write(Encoding.UTF8.GetBytes("""<Project version="1.0"><Structure><Track id="a" name="Cittern" contentType="audio"><Channel id="c"/></Track></Structure></Project>"""));
            for (var n = 0; n < 4; n++)
                using (var sound = zip.CreateEntry($"audio/{n}.wav", CompressionLevel.NoCompression).Open())
                    sound.Write(new byte[Sound]);
        }

        var folder = Path.GetDirectoryName(server.Services.GetRequiredService<ScratchFolder>().Fresh())!;
        file.Position = 0;
        var answer = await server.Client.PostAsync(path, new StreamContent(file));

        Assert.Equal(HttpStatusCode.Created, answer.StatusCode);
        var id = (await RunningServer.JsonOf(answer))["id"]!.ToString();
        Assert.Contains((await server.GetAsync($"/api/documents/{id}"))["channels"]!.AsArray(), c => c!["channel"]!["name"]!.ToString() == "Cittern");
        Assert.Empty(Directory.GetFileSystemEntries(folder));
    }
}
