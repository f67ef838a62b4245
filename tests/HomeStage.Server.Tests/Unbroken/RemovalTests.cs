using System.Net;
using System.Net.Http.Json;
using HomeStage.Server.Data;
using HomeStage.Server.Data.Keeping;
using HomeStage.Server.Data.Sounds;
using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.DependencyInjection;

namespace HomeStage.Server.Tests.Unbroken;

/// <summary>What is removed is out of sight and comes back whole for thirty days, and then is gone for good.</summary>
public class RemovalTests(RunningServer server) : IClassFixture<RunningServer>
{
    [Fact]
    public async Task Template_ThatIsRemoved_IsInNoList_AndComesBackWithItsHistory()
    {
        var id = await server.NewTemplateAsync();
        await server.EditAsync(id, 0, new { type = "set-mute", channel = "mix-bus", muted = true });

        Assert.Equal(HttpStatusCode.NoContent, (await server.Client.DeleteAsync($"/api/documents/{id}")).StatusCode);

        Assert.DoesNotContain((await server.GetAsync("/api/templates")).AsArray(), t => t!["id"]!.ToString() == id);
        Assert.Equal(HttpStatusCode.NotFound, (await server.Client.GetAsync($"/api/documents/{id}")).StatusCode);
        Assert.Equal(HttpStatusCode.NotFound, (await server.EditAsync(id, 1, new { type = "set-mute", channel = "mix-bus", muted = false })).StatusCode);
        Assert.Equal(HttpStatusCode.NotFound, (await server.Client.DeleteAsync($"/api/documents/{id}")).StatusCode);

        Assert.Equal(HttpStatusCode.NoContent, (await server.Client.PostAsJsonAsync("/api/removed/back", new { kind = "template", id })).StatusCode);

        Assert.Equal(1, (int)(await server.GetAsync($"/api/documents/{id}"))["head"]!["revision"]!);
        Assert.True((await server.Client.PostAsJsonAsync($"/api/documents/{id}/undo", new { revision = 1 })).IsSuccessStatusCode);
    }

    [Fact]
    public async Task Song_ThatIsRemoved_ComesBack_AndItsTemplatesNameIsKnownAfterThatIsRemovedToo()
    {
        var id = await server.NewTemplateAsync();
        var name = await server.NameAsync(id);
        var song = (await RunningServer.JsonOf(await server.Client.PostAsJsonAsync("/api/songs", new { templateId = id, title = "Low water", tempoBpm = (double?)null, key = (object?)null })))["id"]!.ToString();
        await server.Client.DeleteAsync($"/api/documents/{id}");
        await server.Client.DeleteAsync($"/api/documents/{song}");
        Assert.DoesNotContain((await server.GetAsync("/api/songs")).AsArray(), s => s!["id"]!.ToString() == song);

        await server.Client.PostAsJsonAsync("/api/removed/back", new { kind = "song", id = song });

        var back = (await server.GetAsync("/api/songs")).AsArray().Single(s => s!["id"]!.ToString() == song)!;
        Assert.Equal(("Low water", name), (back["title"]!.ToString(), back["templateName"]!.ToString()));
    }

    [Fact]
    public async Task NameOfARevision_ThatIsTakenAway_ComesBack()
    {
        var id = await server.NewTemplateAsync();
        await server.Client.PutAsJsonAsync($"/api/documents/{id}/revisions/0/name", new { name = "As it began" });
        await server.Client.PutAsJsonAsync($"/api/documents/{id}/revisions/0/name", new { name = (string?)null });
        Assert.Null((await server.GetAsync($"/api/documents/{id}/revisions"))[0]!["name"]);

        var removed = (await server.GetAsync("/api/removed")).AsArray().Single(r => r!["kind"]!.ToString() == "revision-name" && r["id"]!.ToString() == $"{id}/0")!;
        Assert.Equal($"As it began, revision 0 of {await server.NameAsync(id)}", removed["name"]!.ToString());
        await server.Client.PostAsJsonAsync("/api/removed/back", new { kind = "revision-name", id = $"{id}/0" });

        Assert.Equal("As it began", (await server.GetAsync($"/api/documents/{id}/revisions"))[0]!["name"]!.ToString());
    }

    [Fact]
    public async Task ThirtyDaysLater_WhatWasRemovedIsGoneForGood_AndNothingElse()
    {
        var services = server.Services;
        var (kept, gone) = (await server.NewTemplateAsync(), await server.NewTemplateAsync());
        var (usedWave, freeWave) = (Waves.Numbered(301), Waves.Numbered(302));
        await Waves.UploadAsync(server.Client, usedWave);
        await Waves.UploadAsync(server.Client, freeWave);
        await server.Client.DeleteAsync($"/api/documents/{gone}");
        await server.Client.DeleteAsync($"/api/media/{MediaFiles.ContentOf(freeWave)}");

        await EndAsync(services, TimeSpan.FromDays(29));
        Assert.Contains((await server.GetAsync("/api/removed")).AsArray(), r => r!["id"]!.ToString() == gone);

        await EndAsync(services, TimeSpan.FromDays(31));

        Assert.Empty((await server.GetAsync("/api/removed")).AsArray());
        Assert.Equal(HttpStatusCode.NotFound, (await server.Client.PostAsJsonAsync("/api/removed/back", new { kind = "template", id = gone })).StatusCode);
        Assert.True((await server.Client.GetAsync($"/api/documents/{kept}")).IsSuccessStatusCode);
        var files = services.GetRequiredService<MediaFiles>();
        Assert.Equal((true, false), (files.Exists(MediaFiles.ContentOf(usedWave)), files.Exists(MediaFiles.ContentOf(freeWave))));
        await using var db = await services.GetRequiredService<IDbContextFactory<StageDb>>().CreateDbContextAsync();
        Assert.False(await db.Snapshots.AnyAsync(s => s.DocumentId == gone));
    }

    [Fact]
    public async Task Default_ThatIsRemovedAndComesBackAfterAnotherWasChosen_IsNoSecondDefault()
    {
        var (first, second) = (await server.NewTemplateAsync(), await server.NewTemplateAsync());
        await server.Client.PutAsync($"/api/templates/{first}/default", null);
        await server.Client.DeleteAsync($"/api/documents/{first}");
        await server.Client.PutAsync($"/api/templates/{second}/default", null);

        await server.Client.PostAsJsonAsync("/api/removed/back", new { kind = "template", id = first });

        Assert.Equal(second, Assert.Single((await server.GetAsync("/api/templates")).AsArray(), t => (bool)t!["opensByDefault"]!)!["id"]!.ToString());
    }

    private static Task EndAsync(IServiceProvider services, TimeSpan later) => new Removals(
        services.GetRequiredService<IDbContextFactory<StageDb>>(), new LaterClock(later), services.GetRequiredService<DocumentStore>(),
        services.GetRequiredService<MediaStore>(), services.GetRequiredService<MediaFiles>(), services.GetRequiredService<SoundUses>(), services.GetRequiredService<WriteGate>()).EndOldAsync(default);

    private sealed class LaterClock(TimeSpan by) : TimeProvider
    {
        public override DateTimeOffset GetUtcNow() => System.GetUtcNow() + by;
    }
}
