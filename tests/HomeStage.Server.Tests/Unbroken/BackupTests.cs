using HomeStage.Core.Templates;
using HomeStage.Server.Data;
using HomeStage.Server.Data.Keeping;
using HomeStage.Server.Starting;
using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.DependencyInjection;

namespace HomeStage.Server.Tests.Unbroken;

/// <summary>Copies that can be put back: dated ones that rotate, and one file with everything in it.</summary>
public sealed class BackupTests : IDisposable
{
    private readonly DataFolder _folder = new();
    private readonly DataFolder _elsewhere = new();

    public void Dispose()
    {
        _folder.Dispose();
        _elsewhere.Dispose();
    }

    [Fact]
    public async Task Backup_MadeBesideARunningServer_IsRestoredWithDocumentsAndSounds()
    {
        var file = Path.Combine(_elsewhere.Path, "everything.zip");
        var wave = Waves.Numbered(401);
        string id;
        await _folder.TakeDemoAsync();
        using (var server = ChildServer.Start(_folder.Path))
        {
            var template = (await RunningServer.JsonOf(await server.Client.GetAsync("/api/templates")))[0]!;
            id = template["id"]!.ToString();
            Assert.True((await Waves.UploadAsync(server.Client, wave, "Kept")).IsSuccessStatusCode);
            Assert.Equal(0, ChildServer.Refused(_folder.Path, "--backup", file).Code);
        }

        var target = Directory.CreateDirectory(Path.Combine(_elsewhere.Path, "another machine")).FullName;
        using var restored = ChildServer.Start(target, "--restore", file);

        Assert.True((await restored.Client.GetAsync($"/api/documents/{id}")).IsSuccessStatusCode);
        Assert.Equal("Kept", (await RunningServer.JsonOf(await restored.Client.GetAsync("/api/media")))[0]!["title"]!.ToString());
        Assert.Equal(wave, await File.ReadAllBytesAsync(Assert.Single(Directory.GetFiles(Path.Combine(target, "media"), "*.wav"))));
    }

    [Fact]
    public async Task DatedBackup_PutBack_IsTheDatabaseOfThatDay_AndTheNewerOneIsKeptBesideIt()
    {
        string backup;
        await using (var app = await _folder.PreparedAsync())
        {
            var store = app.Services.GetRequiredService<DocumentStore>();
            await store.CreateAsync(DocumentKind.Template, EmptyStage.Create("Before"));
            backup = (await app.Services.GetRequiredService<Backups>().RotateAsync(default))!;
            Assert.Null(await app.Services.GetRequiredService<Backups>().RotateAsync(default));
            await store.CreateAsync(DocumentKind.Template, EmptyStage.Create("After"));
        }

        await using (var app = StageHost.Of(_folder.Options with { Restore = backup }))
        {
            Assert.Null(await app.TryStartAsync());
            Assert.Equal(["Before"], await NamesAsync(app.Services));
        }

        var aside = Assert.Single(Directory.GetFiles(_folder.Path, "before-restore-*.db"));
        await using var back = StageHost.Of(_folder.Options with { Restore = aside });
        Assert.Null(await back.TryStartAsync());
        Assert.Equal(["After", "Before"], await NamesAsync(back.Services));
    }

    [Theory]
    [InlineData("not there.zip", null)]
    [InlineData("text.db", "only some text, and no database at all")]
    [InlineData("cut.zip", "PK and then nothing")]
    public async Task Restore_OfWhatIsNoBackup_IsRefused_AndLeavesEverythingAsItIs(string name, string? content)
    {
        await using (var app = await _folder.PreparedAsync())
            await app.Services.GetRequiredService<DocumentStore>().CreateAsync(DocumentKind.Template, EmptyStage.Create("Here"));
        var file = Path.Combine(_elsewhere.Path, name);
        if (content is not null)
            await File.WriteAllTextAsync(file, content);

        await using (var app = StageHost.Of(_folder.Options with { Restore = file }))
            Assert.Equal(ExitCode.BackupFailed, (await app.TryStartAsync())!.Code);

        await using var again = StageHost.Of(_folder.Options);
        Assert.Null(await again.TryStartAsync());
        Assert.Equal(["Here"], await NamesAsync(again.Services));
    }

    [Fact]
    public void Rotation_KeepsTheLastSevenDays_AndOneOfEachOfTheFourWeeksBefore()
    {
        // Every day of ten weeks that end on a Sunday.
        var last = new DateOnly(2026, 3, 8);
        var all = Enumerable.Range(0, 70).Select(back => (last.AddDays(-back), $"{last.AddDays(-back):yyyy-MM-dd}")).ToList();

        var kept = Backups.Kept(all).ToList();

        Assert.Equal(
        [
            "2026-03-08", "2026-03-07", "2026-03-06", "2026-03-05", "2026-03-04", "2026-03-03", "2026-03-02",
            "2026-03-01", "2026-02-22", "2026-02-15", "2026-02-08",
        ], kept);
    }

    private static async Task<IReadOnlyList<string>> NamesAsync(IServiceProvider services)
    {
        await using var db = await services.GetRequiredService<IDbContextFactory<StageDb>>().CreateDbContextAsync();
        return await db.Documents.Select(d => d.Name).Order().ToListAsync();
    }
}
