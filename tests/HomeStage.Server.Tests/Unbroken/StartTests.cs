using HomeStage.Server.Data;
using HomeStage.Server.Starting;
using Microsoft.Data.Sqlite;
using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Infrastructure;
using Microsoft.EntityFrameworkCore.Migrations;
using Microsoft.Extensions.DependencyInjection;

namespace HomeStage.Server.Tests.Unbroken;

/// <summary>What an earlier start or another program has left in the data folder does not end later starts.</summary>
public sealed class StartTests : IDisposable
{
    private readonly DataFolder _folder = new();

    public void Dispose() => _folder.Dispose();

    [Theory]
    [InlineData(0)]
    [InlineData(1)]
    [InlineData(2)]
    public async Task Start_AfterMigrationsThatWereKilled_GoesOn(int applied)
    {
        await MigratedAsync(applied);
        // The row that the migrations of a killed start leave behind: whoever waits for it waits for ever.
        _folder.Sql("CREATE TABLE IF NOT EXISTS __EFMigrationsLock (Id INTEGER PRIMARY KEY, Timestamp TEXT NOT NULL); INSERT OR REPLACE INTO __EFMigrationsLock VALUES (1, '2026-01-01')");

        await using var app = await Soon(_folder.PreparedAsync());

        await using var db = await app.Services.GetRequiredService<IDbContextFactory<StageDb>>().CreateDbContextAsync();
        Assert.Empty(await db.Database.GetPendingMigrationsAsync());
    }

    [Fact]
    public async Task Start_OnTheDatabaseOfTheFirstVersion_KeepsWhatIsInIt_AndPutsACopyAside()
    {
        await MigratedAsync(1);
        _folder.Sql("INSERT INTO Documents (Id, Kind, Name, Revision, CreatedUtc, ChangedUtc, OpensByDefault) VALUES ('old', 'Template', 'From before', 0, '2026-01-01', '2026-01-01', 0)");

        await using (await Soon(_folder.PreparedAsync()))
        {
        }

        Assert.Equal("From before", _folder.Sql("SELECT Name FROM Documents WHERE Id = 'old'"));
        var aside = Assert.Single(Directory.GetFiles(_folder.Path, "before-*.db"));
        using var copy = new SqliteConnection($"Data Source={aside};Pooling=False");
        copy.Open();
        using var command = new SqliteCommand("SELECT Name FROM Documents", copy);
        Assert.Equal("From before", command.ExecuteScalar());
    }

    [Fact]
    public async Task Start_WithTheSafetyCopyInTheDatabasesPlace_Starts()
    {
        await using (await _folder.PreparedAsync())
        {
        }

        // A copy made by VACUUM is not in write-ahead mode.
        _folder.Sql($"VACUUM INTO '{_folder.Path}/copy.db'");
        _folder.LetGo();
        foreach (var file in Directory.GetFiles(_folder.Path, "home-stage.db*"))
            File.Delete(file);
        File.Move($"{_folder.Path}/copy.db", _folder.Database);
        Assert.Equal("delete", _folder.Sql("PRAGMA journal_mode"));

        await using (await Soon(_folder.PreparedAsync()))
        {
        }

        Assert.Equal("wal", _folder.Sql("PRAGMA journal_mode"));
    }

    [Fact]
    public async Task Start_OnAFileOfNoBytes_MakesTheDatabase()
    {
        await File.WriteAllBytesAsync(_folder.Database, []);

        await using var app = await Soon(_folder.PreparedAsync());

        Assert.Equal(0L, _folder.Sql("SELECT COUNT(*) FROM Documents"));
    }

    [Fact]
    public async Task Start_OverHalfASafetyCopyOfAKilledStart_MakesAWholeOne()
    {
        await MigratedAsync(1);
        foreach (var migration in Migrations)
            await File.WriteAllTextAsync($"{_folder.Path}/before-{migration}.db.part", "half a copy");

        await using (await Soon(_folder.PreparedAsync()))
        {
        }

        Assert.Empty(Directory.GetFiles(_folder.Path, "*.part"));
        Assert.Single(Directory.GetFiles(_folder.Path, "before-*.db"));
    }

    [Fact]
    public async Task Start_OnTheDatabaseOfANewerVersion_SaysSo_AndTouchesNothing()
    {
        await using (await _folder.PreparedAsync())
        {
        }

        _folder.Sql("INSERT INTO __EFMigrationsHistory VALUES ('29990101000000_FromTheFuture', '99.0'); PRAGMA wal_checkpoint(TRUNCATE)");
        var before = await File.ReadAllBytesAsync(_folder.Database);

        var fault = await Assert.ThrowsAsync<StartFault>(() => _folder.PreparedAsync());

        Assert.Equal(ExitCode.DatabaseNewer, fault.Code);
        Assert.Contains("newer version", fault.Message, StringComparison.Ordinal);
        Assert.Equal(before, await File.ReadAllBytesAsync(_folder.Database));
    }

    [Fact]
    public async Task Start_OnADatabaseThatIsNone_SaysSo_AndNamesTheBackup()
    {
        await File.WriteAllTextAsync(_folder.Database, string.Concat(Enumerable.Repeat("no database at all ", 400)));
        var backup = Path.Combine(Directory.CreateDirectory(Path.Combine(_folder.Path, "backups")).FullName, "home-stage-2026-02-03.db");
        await File.WriteAllTextAsync(backup, "a backup");

        var fault = await Assert.ThrowsAsync<StartFault>(() => _folder.PreparedAsync());

        Assert.Equal(ExitCode.DatabaseDamaged, fault.Code);
        Assert.Contains(backup, fault.Message, StringComparison.Ordinal);
    }

    [Fact]
    public async Task Start_WithTheDemo_FillsALibraryInWhichNothingEverWas_AndNoOther()
    {
        await using (await _folder.PreparedAsync(demo: true))
        {
        }

        Assert.Equal(11L, _folder.Sql("SELECT COUNT(*) FROM Documents"));
        _folder.Sql("UPDATE Documents SET RemovedUtc = '2026-01-01'");
        await using (await _folder.PreparedAsync(demo: true))
        {
        }

        Assert.Equal(11L, _folder.Sql("SELECT COUNT(*) FROM Documents"));
    }

    private IReadOnlyList<string> Migrations
    {
        get
        {
            using var db = Context();
            return [.. db.Database.GetMigrations()];
        }
    }

    private StageDb Context()
    {
        var options = new DbContextOptionsBuilder<StageDb>();
        StageDbSetup.Configure(options, _folder.Path);
        return new(options.Options);
    }

    private async Task MigratedAsync(int steps)
    {
        await using var db = Context();
        if (steps > 0)
            await db.GetService<IMigrator>().MigrateAsync(Migrations[steps - 1]);
        _folder.LetGo();
    }

    private static Task<T> Soon<T>(Task<T> start) => start.WaitAsync(TimeSpan.FromSeconds(20));
}
