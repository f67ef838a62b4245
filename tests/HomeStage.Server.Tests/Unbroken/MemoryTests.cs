using HomeStage.Core.Sound.Tapes;
using HomeStage.Core.Templates;
using HomeStage.Server.Data;
using HomeStage.Server.Jobs;
using HomeStage.Server.Memory;
using Microsoft.Extensions.DependencyInjection;

namespace HomeStage.Server.Tests.Unbroken;

/// <summary>What is held in memory is bounded by bytes, one thing is given up at a time, and all of it comes back.</summary>
public sealed class MemoryTests : IDisposable
{
    private readonly DataFolder _folder = new();

    public void Dispose() => _folder.Dispose();

    [Fact]
    public void Cache_ThatIsFull_GivesUpWhatWasNotAskedForLongest_AndNothingElse()
    {
        var cache = new ByteCache<string, string>(100);
        cache.Put("a", "A", 40);
        cache.Put("b", "B", 40);
        Assert.True(cache.TryGet("a", out _));

        cache.Put("c", "C", 40);

        Assert.Equal((true, false, true, 80L), (cache.TryGet("a", out _), cache.TryGet("b", out _), cache.TryGet("c", out _), cache.Bytes));
        cache.Put("too large", "D", 101);
        Assert.Equal((2, 80L), (cache.Count, cache.Bytes));
        cache.Put("a", "A", 10);
        Assert.Equal(50, cache.Bytes);
        cache.Trim(0);
        Assert.Equal((0, 0L), (cache.Count, cache.Bytes));
    }

    [Fact]
    public void Budget_SharesOutNoMoreThanThereIs()
    {
        var budget = new MemoryBudget(1024);

        Assert.Equal(1024L * 1024 * 1024, budget.Tapes + budget.Renders + budget.Sounds + budget.Documents);
    }

    [Fact]
    public async Task Documents_BeyondTheBudget_AreClosedFromTheOneNotUsedLongest_AndOpenAgain()
    {
        await using var app = await _folder.PreparedAsync();
        // Room for about 8 MB of documents, each about 80 kB.
        var store = new DocumentStore(app.Services.GetRequiredService<Microsoft.EntityFrameworkCore.IDbContextFactory<StageDb>>(), TimeProvider.System, app.Services.GetRequiredService<WriteGate>(), memory: new(MemoryBudget.Least));
        var ids = new List<string>();
        for (var i = 0; i < 160; i++)
        {
            ids.Add((await store.CreateAsync(DocumentKind.Template, EmptyStage.Create($"Number {i}"))).Id);
            await store.OpenAsync(ids[^1]);
        }

        Assert.InRange(store.Open, 50, 110);
        Assert.Equal("Number 0", (await store.OpenAsync(ids[0]))!.Template.Name);
    }

    [Fact]
    public async Task Edits_OfADocumentThatIsClosedMeanwhileAgainAndAgain_AreAllStoredInOrder()
    {
        await using var app = await _folder.PreparedAsync();
        var store = app.Services.GetRequiredService<DocumentStore>();
        var id = (await store.CreateAsync(DocumentKind.Template, EmptyStage.Create("Closed"))).Id;
        using var enough = new CancellationTokenSource();
        var closing = Task.Run(async () =>
        {
            while (!enough.IsCancellationRequested)
            {
                store.CloseUnused(TimeSpan.Zero);
                await Task.Yield();
            }
        });

        await Task.WhenAll(Enumerable.Range(0, 4).Select(async _ =>
        {
            for (var stored = 0; stored < 25;)
            {
                var now = (await store.OpenAsync(id))!;
                if (await store.EditAsync(id, now.Revision, [new Core.Editing.RenameChannel(EmptyStage.MixBus, $"After {now.Revision}")]) is StoreAnswer.Stored)
                    stored++;
            }
        }));
        await enough.CancelAsync();
        await closing;

        var last = (await store.OpenAsync(id))!;
        Assert.Equal((100, "After 99"), (last.Revision, last.Template.Channels[EmptyStage.MixBus].Name));
    }

    [Fact]
    public async Task Slot_ThatIsClosedWhileSomebodyWaitsForIt_IsNotTheOneThatTheyGet()
    {
        var slots = new DocumentSlots(TimeProvider.System, long.MaxValue);
        var first = await slots.EnterAsync("a", default);
        var waiting = slots.EnterAsync("a", default);

        slots.Close("a", first);
        slots.Leave("a", first);

        var second = await waiting;
        Assert.NotSame(first, second);
        slots.Leave("a", second);
    }

    [Fact]
    public async Task Rest_LetsGoOfWhatCanBeWorkedOutAgain_AndAllIsThereAgain()
    {
        await using var app = await _folder.PreparedAsync(demo: true);
        var store = app.Services.GetRequiredService<DocumentStore>();
        var id = (await app.Services.GetRequiredService<DocumentLists>().AllAsync(DocumentKind.Template, default))[0].Id;
        await store.OpenAsync(id);
        Assert.True(store.Open > 0);

        app.Services.GetRequiredService<MemoryKeeper>().Rest();

        Assert.Equal(0, store.Open);
        Assert.InRange(app.Services.GetRequiredService<TapeShelf>().Bytes, 0, 32L * 1024 * 1024);
        Assert.InRange(app.Services.GetRequiredService<JobQueue<RenderedAudio>>().Bytes, 0, 32L * 1024 * 1024);
        Assert.NotNull(await store.OpenAsync(id));
    }
}
