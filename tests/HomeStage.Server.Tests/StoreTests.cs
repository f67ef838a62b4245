using HomeStage.Core.Editing;
using HomeStage.Core.Templates;
using HomeStage.Server.Data;
using HomeStage.TestKit;
using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.DependencyInjection;

namespace HomeStage.Server.Tests;

public class StoreTests(RunningServer server) : IClassFixture<RunningServer>
{
    private IDbContextFactory<StageDb> Databases => server.Services.GetRequiredService<IDbContextFactory<StageDb>>();

    [Fact]
    public async Task Open_ByAFreshStore_GivesTheSameDocument_WithWhatCanBeUndone()
    {
        var store = Fresh();
        var chance = new RandomTemplates(12);
        var document = await store.CreateAsync(DocumentKind.Template, EmptyStage.Create("Long log"));
        var revision = 0;
        // Past two snapshots, with undo and redo among the edits.
        while (revision < 230)
        {
            var open = (await store.OpenAsync(document.Id))!;
            StoreAnswer answer = (revision % 7) switch
            {
                5 => await store.UndoAsync(document.Id, revision),
                6 => await store.RedoAsync(document.Id, revision),
                _ => await store.EditAsync(document.Id, revision, [chance.Next(open.Template)]),
            };
            if (answer is StoreAnswer.Stored stored)
                revision = stored.After.Revision;
        }

        var kept = (await store.OpenAsync(document.Id))!;
        var reread = (await Fresh().OpenAsync(document.Id))!;

        Assert.Equal(kept.Template, reread.Template);
        Assert.Equal(kept.Revision, reread.Revision);
        Assert.Equal(kept.Undoable, reread.Undoable);
        Assert.Equal(kept.Redoable, reread.Redoable);
    }

    [Fact]
    public async Task Edit_ByManyAtOnce_StoresOneOfEachRevision()
    {
        var store = Fresh();
        var document = await store.CreateAsync(DocumentKind.Template, EmptyStage.Create("Crowded"));

        var answers = await Task.WhenAll(Enumerable.Range(0, 24).Select(i =>
            Task.Run(() => store.EditAsync(document.Id, 0, [new RenameChannel(EmptyStage.MixBus, $"By {i}")]))));

        Assert.Single(answers.OfType<StoreAnswer.Stored>());
        Assert.Equal(23, answers.OfType<StoreAnswer.Stale>().Count(s => s.Newest == 1));
    }

    [Fact]
    public async Task Database_IsDurable_WriteAheadFullySynchronousWithForeignKeys()
    {
        await using var db = await Databases.CreateDbContextAsync();

        Assert.Equal(("wal", 2L, 1L), (await Pragma<string>(db, "journal_mode"), await Pragma<long>(db, "synchronous"), await Pragma<long>(db, "foreign_keys")));
    }

    [Fact]
    public async Task Database_HasEveryMigrationThatTheModelNeeds()
    {
        await using var db = await Databases.CreateDbContextAsync();

        Assert.Empty(await db.Database.GetPendingMigrationsAsync());
        Assert.False(db.Database.HasPendingModelChanges());
    }

    private DocumentStore Fresh() => new(Databases, TimeProvider.System, server.Services.GetRequiredService<WriteGate>());

    private static async Task<T> Pragma<T>(StageDb db, string name)
    {
        await db.Database.OpenConnectionAsync();
        await using var command = db.Database.GetDbConnection().CreateCommand();
        command.CommandText = $"PRAGMA {name}";
        return (T)(await command.ExecuteScalarAsync())!;
    }
}
