using HomeStage.Core.Editing;
using HomeStage.Core.Templates;
using HomeStage.Server.Data;
using HomeStage.TestKit;
using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.DependencyInjection;

namespace HomeStage.Server.Tests.Unbroken;

/// <summary>Long pasts and large documents open without being worked through again.</summary>
public sealed class LargeDocumentTests : IDisposable
{
    private readonly DataFolder _folder = new();

    public void Dispose() => _folder.Dispose();

    [Fact]
    public async Task LongEntry_IsFollowedByASnapshot_SoThatItIsNotFollowedAgain()
    {
        await using var app = await _folder.PreparedAsync();
        var store = app.Services.GetRequiredService<DocumentStore>();
        var id = (await store.CreateAsync(DocumentKind.Template, EmptyStage.Create("Large"))).Id;
        Edit[] many = [.. Enumerable.Range(0, 2000).Select(i => new AddChannel(new() { Id = new($"c{i}"), Name = $"Channel {i}", Kind = ChannelKind.Bus, Destination = EmptyStage.MixBus, Note = new('x', 2000) }))];

        Assert.IsType<StoreAnswer.Stored>(await store.EditAsync(id, 0, many));
        Assert.IsType<StoreAnswer.Stored>(await store.EditAsync(id, 1, [new RenameChannel(new("c7"), "After it")]));

        await using var db = await app.Services.GetRequiredService<IDbContextFactory<StageDb>>().CreateDbContextAsync();
        Assert.Equal([0, 1], await db.Snapshots.Where(s => s.DocumentId == id).Select(s => s.Number).Order().ToListAsync());
        await store.CloseAsync(id);
        Assert.Equal("After it", (await store.OpenAsync(id))!.Template.Channels[new ChannelId("c7")].Name);
    }

    [Fact]
    public async Task ManySmallEdits_OnALargeDocument_AreSnapshotBeforeTheyCostMuch()
    {
        await using var app = await _folder.PreparedAsync();
        var store = app.Services.GetRequiredService<DocumentStore>();
        var id = (await store.CreateAsync(DocumentKind.Template, EmptyStage.Create("Long"))).Id;
        for (var revision = 0; revision < Runs.Of(250, 20_000); revision++)
            Assert.IsType<StoreAnswer.Stored>(await store.EditAsync(id, revision, [new RenameChannel(EmptyStage.MixBus, $"Edit {revision + 1}")]));
        await store.CloseAsync(id);

        var watch = System.Diagnostics.Stopwatch.StartNew();
        var open = (await store.OpenAsync(id))!;

        Assert.Equal((Runs.Of(250, 20_000), $"Edit {open.Revision}"), (open.Revision, open.Template.Channels[EmptyStage.MixBus].Name));
        Figures.Say($"{open.Revision} revisions open in {watch.ElapsedMilliseconds} ms");
        Assert.True(open.CanUndo);
    }
}
