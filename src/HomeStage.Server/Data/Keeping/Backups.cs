using System.Globalization;
using Microsoft.EntityFrameworkCore;

namespace HomeStage.Server.Data.Keeping;

/// <summary>Dated copies of the database beside it: one a day, the last seven days and one for each of the four weeks before.</summary>
public sealed class Backups(IDbContextFactory<StageDb> databases, TimeProvider clock, string dataFolder)
{
    public const string FolderName = "backups";
    public const int Days = 7;
    public const int Weeks = 4;
    private const string DateForm = "yyyy-MM-dd";

    private string Folder => Path.Combine(dataFolder, FolderName);

    /// <returns>The newest backup of a data folder; null for none.</returns>
    public static string? Newest(string dataFolder) => Dated(Path.Combine(dataFolder, FolderName)).OrderBy(b => b.Date).LastOrDefault().File;

    /// <returns>What is there, the newest first.</returns>
    public IReadOnlyList<string> All() => [.. Dated(Folder).OrderByDescending(b => b.Date).Select(b => b.File)];

    /// <summary>Makes today's copy where there is none yet, and lets old ones go. To be called on a database that is known to be whole.</summary>
    /// <returns>The copy, or null where today's is there already.</returns>
    public async Task<string?> RotateAsync(CancellationToken cancellation)
    {
        var today = DateOnly.FromDateTime(clock.GetUtcNow().UtcDateTime);
        var file = Path.Combine(Folder, $"home-stage-{today.ToString(DateForm, CultureInfo.InvariantCulture)}.db");
        if (File.Exists(file))
            return null;
        Directory.CreateDirectory(Folder);
        await using var db = await databases.CreateDbContextAsync(cancellation);
        await StageDbSetup.PutAsideAsync(db, file, cancellation);
        foreach (var old in Dated(Folder).Select(b => b.File).Except(Kept(Dated(Folder)), StringComparer.Ordinal))
            File.Delete(old);
        return file;
    }

    /// <summary>The newest of each of the last days there are copies of, and of each of the weeks before.</summary>
    internal static IEnumerable<string> Kept(IEnumerable<(DateOnly Date, string File)> all)
    {
        var sorted = all.OrderByDescending(b => b.Date).ToList();
        var weekly = sorted.Skip(Days).GroupBy(b => (ISOWeek.GetYear(b.Date.ToDateTime(default)), ISOWeek.GetWeekOfYear(b.Date.ToDateTime(default)))).Take(Weeks).Select(g => g.First());
        return sorted.Take(Days).Concat(weekly).Select(b => b.File);
    }

    private static IEnumerable<(DateOnly Date, string File)> Dated(string folder) => Directory.Exists(folder)
        ? from file in Directory.EnumerateFiles(folder, "home-stage-*.db")
          let parsed = DateOnly.TryParseExact(Path.GetFileNameWithoutExtension(file)["home-stage-".Length..], DateForm, CultureInfo.InvariantCulture, DateTimeStyles.None, out var date) ? date : (DateOnly?)null
          where parsed is not null
          select (parsed.Value, file)
        : [];
}
