using HomeStage.Server.Starting;
using Microsoft.Data.Sqlite;
using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Design;

namespace HomeStage.Server.Data;

/// <summary>Where the database is and how it is brought up to date.</summary>
public static class StageDbSetup
{
    public const string FileName = "home-stage.db";

    public static void Configure(DbContextOptionsBuilder options, string dataFolder) =>
        options.UseSqlite(Connection(dataFolder)).AddInterceptors(new DurabilityInterceptor());

    public static string FileIn(string dataFolder) => Path.Combine(dataFolder, FileName);

    /// <summary>Closes the connections to a folder's database that wait to be used again. Nobody may be opening one meanwhile: it would
    /// be closed in his hands.</summary>
    public static void LetGo(string dataFolder)
    {
        using var connection = new SqliteConnection(Connection(dataFolder));
        SqliteConnection.ClearPool(connection);
    }

    private static string Connection(string dataFolder) => $"Data Source={FileIn(dataFolder)}";

    /// <summary>Makes the database where there is none, and applies what is missing of the schema after a copy was put aside.</summary>
    /// <remarks>Only whoever holds the data folder may call this: a lock that migrations have left behind has no holder then.
    /// Each migration is one transaction with its mark, so that a kill at any moment leaves what the next call goes on from.</remarks>
    /// <exception cref="StartFault">A newer version wrote it.</exception>
    public static async Task OpenAsync(StageDb db, string dataFolder, CancellationToken cancellation = default)
    {
        var file = FileIn(dataFolder);
        if (File.Exists(file))
            await RefuseNewerAsync(file, db.Database.GetMigrations(), dataFolder, cancellation);
        await WriteAheadAsync(file, cancellation);
        var pending = (await db.Database.GetPendingMigrationsAsync(cancellation)).ToList();
        if (pending.Count == 0)
            return;
        await db.Database.ExecuteSqlAsync($"DROP TABLE IF EXISTS \"__EFMigrationsLock\"", cancellation);
        if ((await db.Database.GetAppliedMigrationsAsync(cancellation)).Any())
            await PutAsideAsync(db, Path.Combine(dataFolder, $"before-{pending[0]}.db"), cancellation);
        await db.Database.MigrateAsync(cancellation);
    }

    /// <summary>A copy by the database itself, which holds what is still in the write-ahead log; whole or not there.</summary>
    public static async Task PutAsideAsync(StageDb db, string file, CancellationToken cancellation)
    {
        var unfinished = $"{file}.part";
        File.Delete(unfinished);
        await db.Database.ExecuteSqlAsync($"VACUUM INTO {unfinished}", cancellation);
        WholeFile.Put(unfinished, file);
    }

    /// <summary>Looks only; nothing is written.</summary>
    private static async Task RefuseNewerAsync(string file, IEnumerable<string> ours, string dataFolder, CancellationToken cancellation)
    {
        await using var connection = await ConnectAsync(file, SqliteOpenMode.ReadOnly, cancellation);
        await using var command = connection.CreateCommand();
        command.CommandText = "SELECT COUNT(*) FROM sqlite_master WHERE name = '__EFMigrationsHistory'";
        if ((long)(await command.ExecuteScalarAsync(cancellation))! == 0)
            return;
        command.CommandText = "SELECT MigrationId FROM __EFMigrationsHistory ORDER BY MigrationId";
        var known = ours.ToHashSet(StringComparer.Ordinal);
        await using var applied = await command.ExecuteReaderAsync(cancellation);
        while (await applied.ReadAsync(cancellation))
            if (applied.GetString(0) is var id && !known.Contains(id))
                throw new StartFault(ExitCode.DatabaseNewer, $"The database in {dataFolder} was written by a newer version of Home Stage ({id}). Nothing was touched; start it with that version.");
    }

    /// <summary>The mode stays with the file; a copy made by VACUUM comes without it.</summary>
    private static async Task WriteAheadAsync(string file, CancellationToken cancellation)
    {
        await using var connection = await ConnectAsync(file, SqliteOpenMode.ReadWriteCreate, cancellation);
        await using var command = connection.CreateCommand();
        command.CommandText = "PRAGMA journal_mode=WAL";
        if (await command.ExecuteScalarAsync(cancellation) is not "wal")
            throw new IOException("The database cannot keep a write-ahead log here.");
    }

    private static async Task<SqliteConnection> ConnectAsync(string file, SqliteOpenMode mode, CancellationToken cancellation)
    {
        var connection = new SqliteConnection(new SqliteConnectionStringBuilder { DataSource = file, Mode = mode, Pooling = false }.ToString());
        await connection.OpenAsync(cancellation);
        return connection;
    }
}

/// <summary>Lets the migration tool make a context without starting the server.</summary>
internal sealed class StageDbDesign : IDesignTimeDbContextFactory<StageDb>
{
    public StageDb CreateDbContext(string[] args)
    {
        var options = new DbContextOptionsBuilder<StageDb>();
        StageDbSetup.Configure(options, Path.GetTempPath());
        return new(options.Options);
    }
}
