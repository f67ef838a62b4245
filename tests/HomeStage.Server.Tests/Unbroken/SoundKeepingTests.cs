using System.Net;
using System.Net.Http.Json;
using System.Text.Json.Nodes;
using HomeStage.Server.Data.Keeping;
using HomeStage.Server.Data.Sounds;
using Microsoft.Extensions.DependencyInjection;

namespace HomeStage.Server.Tests.Unbroken;

/// <summary>A sound that is lost is missed, and whole again when its file comes back; one that nobody uses can go, and no other.</summary>
public class SoundKeepingTests(RunningServer server) : IClassFixture<RunningServer>
{
    private MediaFiles Files => server.Services.GetRequiredService<MediaFiles>();

    [Theory]
    [InlineData(false)]
    [InlineData(true)]
    public async Task Sound_ThatIsLostOrDamaged_IsABlocker_UntilTheSameFileIsUploadedAgain(bool isThere)
    {
        var wave = Waves.Numbered(isThere ? 101 : 102);
        var (id, content) = await WithLoopAsync(wave);
        Assert.DoesNotContain(await FindingsAsync(id), f => f!["rule"]!.ToString() == "sound-missing");

        var file = Path.Combine(Files.Folder, $"{content}.wav");
        File.Delete(file);
        if (isThere)
        {
            var damaged = wave.ToArray();
            damaged[^1] ^= 1;
            await File.WriteAllBytesAsync(file, damaged);
            await server.Services.GetRequiredService<Integrity>().CheckAsync(default);
        }

        var finding = Assert.Single(await FindingsAsync(id), f => f!["rule"]!.ToString() == "sound-missing")!;
        Assert.Equal(("blocker", content), (finding["severity"]!.ToString(), finding["sounds"]![0]!["content"]!.ToString()));
        Assert.Contains(isThere ? "damaged" : "not on the shelf", finding["sentence"]!.ToString(), StringComparison.Ordinal);

        Assert.True((await Waves.UploadAsync(server.Client, wave)).IsSuccessStatusCode);

        Assert.DoesNotContain(await FindingsAsync(id), f => f!["rule"]!.ToString() == "sound-missing");
        Assert.Equal(wave, await File.ReadAllBytesAsync(file));
    }

    [Fact]
    public async Task Render_OfADamagedSound_IsSilent_NotAnotherSound()
    {
        var wave = Waves.Numbered(50_000, 48000);
        var (id, content) = await WithLoopAsync(wave);
        var damaged = wave.ToArray();
        damaged[1000] ^= 0x40;
        await File.WriteAllBytesAsync(Path.Combine(Files.Folder, $"{content}.wav"), damaged);

        var job = await RunningServer.JsonOf(await server.Client.PostAsJsonAsync("/api/renders", new { document = id, act = "mix", listenTo = (string?)null, section = (string?)null }));
        var done = await server.WaitAsync($"/api/renders/{job["id"]}");

        Assert.Null(done["meters"]!["peakDbfs"]);
        Assert.Contains(await FindingsAsync(id), f => f!["rule"]!.ToString() == "sound-missing");
    }

    [Fact]
    public async Task Document_ThatNamesUnknownSound_SaysSoWhenItIsBroughtIn()
    {
        var (id, content) = await WithLoopAsync(Waves.Numbered(103));
        var document = (await server.Client.GetStringAsync($"/api/documents/{id}/document")).Replace(content, new string('a', 64), StringComparison.Ordinal);

        var answer = await RunningServer.JsonOf(await server.Client.PostAsync("/api/templates/from-document", new StringContent(document)));

        Assert.Equal([new string('a', 64)], answer["missingSounds"]!.AsArray().Select(m => m!["content"]!.ToString()));
    }

    [Fact]
    public async Task Sound_ThatADocumentCanGoBackTo_Stays_AndOneThatNobodyUsesGoesAndComesBack()
    {
        var (id, content) = await WithLoopAsync(Waves.Numbered(104));
        var taken = await server.EditAsync(id, 1, new { type = "remove-starter", channel = "loop", name = "Steady" });
        Assert.True(taken.IsSuccessStatusCode);
        await server.Client.DeleteAsync($"/api/documents/{id}");

        // Not in the document any more, and the document removed: both can come back.
        Assert.Equal(HttpStatusCode.Conflict, (await server.Client.DeleteAsync($"/api/media/{content}")).StatusCode);
        Assert.Contains(await ListedAsync(), m => m == content);

        var unused = MediaFiles.ContentOf(Waves.Numbered(105));
        await Waves.UploadAsync(server.Client, Waves.Numbered(105), "Nobody's");
        Assert.Equal(HttpStatusCode.NoContent, (await server.Client.DeleteAsync($"/api/media/{unused}")).StatusCode);
        Assert.DoesNotContain(await ListedAsync(), m => m == unused);
        Assert.Contains((await server.GetAsync("/api/removed")).AsArray(), r => r!["id"]!.ToString() == unused);
        await server.Client.PostAsJsonAsync("/api/removed/back", new { kind = "sound", id = unused });
        Assert.Contains(await ListedAsync(), m => m == unused);
    }

    [Fact]
    public async Task Sound_ThatWasRemovedAndIsUploadedOrUsedAgain_IsThereAgain()
    {
        var wave = Waves.Numbered(106);
        var content = MediaFiles.ContentOf(wave);
        await Waves.UploadAsync(server.Client, wave);
        await server.Client.DeleteAsync($"/api/media/{content}");

        await Waves.UploadAsync(server.Client, wave);
        Assert.Contains(await ListedAsync(), m => m == content);

        await server.Client.DeleteAsync($"/api/media/{content}");
        await WithLoopAsync(wave, upload: false);
        Assert.Contains(await ListedAsync(), m => m == content);
    }

    [Fact]
    public async Task Uses_OfDocumentsFromBeforeTheyWereCounted_AreFoundInSnapshotsAndLog()
    {
        var (id, content) = await WithLoopAsync(Waves.Numbered(107));
        var removed = await server.EditAsync(id, 1, new { type = "remove-starter", channel = "loop", name = "Steady" });
        Assert.True(removed.IsSuccessStatusCode);
        var databases = server.Services.GetRequiredService<Microsoft.EntityFrameworkCore.IDbContextFactory<Data.StageDb>>();
        await using var db = await databases.CreateDbContextAsync();
        await Microsoft.EntityFrameworkCore.RelationalDatabaseFacadeExtensions.ExecuteSqlAsync(db.Database, $"DELETE FROM MediaUses");
        await Microsoft.EntityFrameworkCore.RelationalDatabaseFacadeExtensions.ExecuteSqlAsync(db.Database, $"UPDATE Documents SET SoundsNoted = 0");
        var uses = server.Services.GetRequiredService<SoundUses>();

        await uses.NoteOldAsync(default);

        Assert.Equal([await server.NameAsync(id)], await uses.OfAsync(content, default));
    }

    [Fact]
    public void Staged_Sounds_AreBoundedTogether_AndTheOldestGo()
    {
        const long most = 8L * 1024 * 1024;
        var staged = new StagedSounds(server.Services.GetRequiredService<MediaStore>(), TimeProvider.System, Directory.CreateTempSubdirectory("home-stage-bounded-").FullName, most);
        var tray = staged.Tray(path => path);
        // A little over a hundredth of what may wait.
        var frames = (int)(most / 100 / 8);
        for (var i = 0; i < 104; i++)
            Assert.IsType<HomeStage.Formats.FormatResult<HomeStage.Core.Media.MediaRef>.Read>(tray.Take($"{i}.wav", Waves.Numbered(2000 + i, frames)));

        Assert.InRange(staged.Bytes, most * 9 / 10, most);
        staged.ClearAll();
    }

    private async Task<(string Id, string Content)> WithLoopAsync(byte[] wave, bool upload = true)
    {
        var content = MediaFiles.ContentOf(wave);
        if (upload)
            Assert.True((await Waves.UploadAsync(server.Client, wave)).IsSuccessStatusCode);
        var id = await server.NewTemplateAsync();
        var answer = await server.EditAsync(id, 0,
            new { type = "add-channel", channel = new { id = "loop", name = "Loop", kind = "audio", destination = "mix-bus" } },
            new { type = "put-starter", channel = "loop", starter = new { name = "Steady", sound = new { content, title = "Steady", sampleRateHz = 48000, lanes = 2, frames = 480 }, loops = true, level = 0, sections = Array.Empty<string>() } });
        Assert.True(answer.IsSuccessStatusCode, await answer.Content.ReadAsStringAsync());
        return (id, content);
    }

    private async Task<JsonArray> FindingsAsync(string id) => (await server.GetAsync($"/api/documents/{id}/findings?act=mix"))["open"]!.AsArray();

    private async Task<List<string>> ListedAsync() => [.. (await server.GetAsync("/api/media")).AsArray().Select(m => m!["content"]!.ToString())];
}
