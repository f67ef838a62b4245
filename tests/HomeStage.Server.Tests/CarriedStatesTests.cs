using System.IO.Compression;
using System.Net;
using System.Text;

namespace HomeStage.Server.Tests;

/// <summary>The state of a plug-in goes through the application as it is: in with a project, out with the project and with the package.</summary>
public sealed class CarriedStatesTests(RunningServer server) : IClassFixture<RunningServer>
{
    private static readonly byte[] Patch = [.. Enumerable.Range(0, 3000).Select(i => (byte)(i * 7 % 256))];

    [Fact]
    public async Task AStateThatCameWithAProject_GoesOutWithIt_ByteForByte()
    {
        using var file = new MemoryStream();
        using (var zip = new ZipArchive(file, ZipArchiveMode.Create, leaveOpen: true))
        {
            using (var xml = zip.CreateEntry("project.xml").Open())
                xml.Write(Encoding.UTF8.GetBytes("""<Project version="1.0"><Structure><Track id="a" name="Shawm" contentType="audio"><Channel id="c"><Devices><ClapPlugin deviceName="Damp" deviceID="d" deviceRole="audioFX"><State path="states/damp.bin"/></ClapPlugin></Devices></Channel></Track></Structure></Project>"""));
            using var state = zip.CreateEntry("states/damp.bin").Open();
            state.Write(Patch);
        }

        file.Position = 0;
        var answer = await server.Client.PostAsync("/api/songs/from-project", new StreamContent(file));
        Assert.Equal(HttpStatusCode.Created, answer.StatusCode);
        var id = (await RunningServer.JsonOf(answer))["id"]!.ToString();

        using var project = new ZipArchive(await server.Client.GetStreamAsync($"/api/documents/{id}/project"));

        using var there = new MemoryStream();
        using (var entry = project.Entries.Single(e => e.FullName.StartsWith("plugins/", StringComparison.Ordinal)).Open())
            await entry.CopyToAsync(there, TestContext.Current.CancellationToken);
        Assert.Equal(Patch, there.ToArray());
    }
}
