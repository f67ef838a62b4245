using System.IO.Compression;
using HomeStage.Server.Data.Sounds;
using HomeStage.Server.Starting;
using Microsoft.Data.Sqlite;

namespace HomeStage.Server.Data.Keeping;

/// <summary>Everything of a data folder in one file, and back: the database as the database itself copies it, and the sounds.</summary>
/// <remarks>A ZIP with home-stage.db and media/. Making one is safe beside a running server: sounds never change, and are
/// copied after the database that speaks of them.</remarks>
public static class BackupFile
{
    private const string MediaFolder = "media";

    /// <exception cref="StartFault">There is nothing to be kept, or it cannot be written.</exception>
    public static void Write(string dataFolder, string file)
    {
        var database = StageDbSetup.FileIn(dataFolder);
        if (!File.Exists(database))
            throw new StartFault(ExitCode.BackupFailed, $"There is no database in {dataFolder} to make a backup of.");
        var (copy, unfinished) = ($"{file}.db.part", $"{file}.part");
        Guarded("The backup cannot be made", () =>
        {
            File.Delete(copy);
            Run(database, SqliteOpenMode.ReadWrite, $"VACUUM INTO '{copy.Replace("'", "''", StringComparison.Ordinal)}'");
            using (var zip = new ZipArchive(new FileStream(unfinished, FileMode.Create), ZipArchiveMode.Create))
            {
                zip.CreateEntryFromFile(copy, StageDbSetup.FileName, CompressionLevel.Fastest);
                foreach (var sound in Sounds(dataFolder))
                    zip.CreateEntryFromFile(sound, $"{MediaFolder}/{Path.GetFileName(sound)}", CompressionLevel.Fastest);
            }

            WholeFile.Put(unfinished, file);
            File.Delete(copy);
        });
    }

    /// <summary>Puts a backup in the place of what is in a data folder, which is kept beside it. To be called by whoever holds the folder.</summary>
    /// <param name="file">A ZIP that <see cref="Write"/> made, or a copy of the database alone.</param>
    /// <param name="aside">What the database that was there is called from then on.</param>
    /// <exception cref="StartFault">It is no backup, it is damaged, or there is no room.</exception>
    public static void Restore(string file, string dataFolder, string aside)
    {
        if (!File.Exists(file))
            throw new StartFault(ExitCode.BackupFailed, $"There is no file {file}.");
        // Connections that wait to be used again would go on with the file that is replaced.
        StageDbSetup.LetGo(dataFolder);
        var unfinished = $"{StageDbSetup.FileIn(dataFolder)}.part";
        Guarded($"{file} cannot be put back", () =>
        {
            if (IsZip(file))
                Unpack(file, dataFolder, unfinished);
            else
                File.Copy(file, unfinished, overwrite: true);
            if (Run(unfinished, SqliteOpenMode.ReadWrite, "PRAGMA quick_check(1)") is not "ok" || Run(unfinished, SqliteOpenMode.ReadWrite, "SELECT COUNT(*) FROM Documents") is not long)
                throw new InvalidDataException("the database in it is damaged");
            Replace(unfinished, dataFolder, aside);
        });
    }

    private static void Replace(string unfinished, string dataFolder, string aside)
    {
        var database = StageDbSetup.FileIn(dataFolder);
        foreach (var end in (string[])["", "-wal"])
            if (File.Exists(database + end))
                File.Copy(database + end, aside + end, overwrite: true);
        foreach (var end in (string[])["-wal", "-shm"])
            File.Delete(database + end);
        WholeFile.Put(unfinished, database);
    }

    private static void Unpack(string file, string dataFolder, string database)
    {
        using var zip = ZipFile.OpenRead(file);
        var main = zip.GetEntry(StageDbSetup.FileName) ?? throw new InvalidDataException("it holds no database");
        main.ExtractToFile(database, overwrite: true);
        var media = Path.Combine(dataFolder, MediaFolder);
        Directory.CreateDirectory(media);
        foreach (var entry in zip.Entries.Where(e => e.FullName == $"{MediaFolder}/{e.Name}" && IsSoundName(e.Name)))
        {
            var unfinished = Path.Combine(media, $"{entry.Name}.part");
            entry.ExtractToFile(unfinished, overwrite: true);
            if (MediaFiles.ContentOf(File.ReadAllBytes(unfinished)) != Path.GetFileNameWithoutExtension(entry.Name))
                throw new InvalidDataException($"the sound {entry.Name} in it is damaged");
            WholeFile.Put(unfinished, Path.Combine(media, entry.Name));
        }
    }

    private static bool IsSoundName(string name) => name.EndsWith(".wav", StringComparison.Ordinal) && name.Length == 68 && name[..64].All(char.IsAsciiHexDigitLower);

    private static bool IsZip(string file)
    {
        using var stream = File.OpenRead(file);
        return stream.ReadByte() == 'P' && stream.ReadByte() == 'K';
    }

    private static IEnumerable<string> Sounds(string dataFolder) =>
        Path.Combine(dataFolder, MediaFolder) is var folder && Directory.Exists(folder) ? Directory.EnumerateFiles(folder, "*.wav").Where(f => IsSoundName(Path.GetFileName(f))) : [];

    private static object? Run(string file, SqliteOpenMode mode, string sql)
    {
        using var connection = new SqliteConnection(new SqliteConnectionStringBuilder { DataSource = file, Mode = mode, Pooling = false }.ToString());
        connection.Open();
        using var command = connection.CreateCommand();
        command.CommandText = sql;
        return command.ExecuteScalar();
    }

    private static void Guarded(string what, Action work)
    {
        try
        {
            work();
        }
        catch (Exception e) when (e is IOException or UnauthorizedAccessException or SqliteException or InvalidDataException)
        {
            throw new StartFault(StorageFaults.Of(e) == StorageFault.Full ? ExitCode.DiskFull : ExitCode.BackupFailed, $"{what}: {e.Message}", e);
        }
    }
}
