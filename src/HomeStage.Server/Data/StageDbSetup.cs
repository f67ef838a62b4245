using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Design;

namespace HomeStage.Server.Data;

/// <summary>Where the database is and how it is brought up to date.</summary>
public static class StageDbSetup
{
    public const string FileName = "home-stage.db";

    public static void Configure(DbContextOptionsBuilder options, string dataFolder) =>
        options.UseSqlite($"Data Source={Path.Combine(dataFolder, FileName)}").AddInterceptors(new DurabilityInterceptor());

    /// <summary>Applies what is missing of the schema, after putting a copy of an existing file aside.</summary>
    public static async Task MigrateAsync(StageDb db, string dataFolder, CancellationToken cancellation = default)
    {
        var pending = (await db.Database.GetPendingMigrationsAsync(cancellation)).ToList();
        var file = Path.Combine(dataFolder, FileName);
        if (pending.Count > 0 && File.Exists(file) && (await db.Database.GetAppliedMigrationsAsync(cancellation)).Any())
        {
            // A copy by the database itself holds what is still in the write-ahead log.
            var aside = Path.Combine(dataFolder, $"before-{pending[0]}.db");
            await db.Database.ExecuteSqlAsync($"VACUUM INTO {aside}", cancellation);
        }

        await db.Database.MigrateAsync(cancellation);
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
