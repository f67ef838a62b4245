using HomeStage.Server.Data.Keeping;

namespace HomeStage.Server.Starting;

/// <summary>How the program ends, for scripts. 0 is a stop that was asked for.</summary>
public enum ExitCode
{
    Stopped = 0,

    /// <summary>Something that nobody foresaw.</summary>
    Broken = 1,

    /// <summary>A word of the command line is not known, or lacks its value.</summary>
    BadWords = 2,

    /// <summary>Another server works on this data folder.</summary>
    FolderHeld = 3,

    /// <summary>The data folder cannot be made, read or written.</summary>
    FolderUnusable = 4,

    PortTaken = 5,

    DatabaseDamaged = 6,

    /// <summary>A newer version wrote the database.</summary>
    DatabaseNewer = 7,

    DiskFull = 8,

    /// <summary>A backup could not be made or put back.</summary>
    BackupFailed = 9,
}

/// <summary>Why there is no start, in a sentence for whoever sits at the terminal.</summary>
/// <param name="sentence">What is wrong and what to do.</param>
public sealed class StartFault(ExitCode code, string sentence, Exception? cause = null) : Exception(sentence, cause)
{
    public ExitCode Code => code;

    /// <summary>What broke below, as a start says it; null where it is nothing that the disk or the database did.</summary>
    public static StartFault? Of(Exception exception, string folder) => StorageFaults.Of(exception) switch
    {
        null => null,
        StorageFault.Full => new(ExitCode.DiskFull, $"The disk that holds {folder} is full. Nothing was changed; make some room and start again.", exception),
        StorageFault.Damaged => new(ExitCode.DatabaseDamaged, $"The database in {folder} is damaged and cannot be opened. {Rescue(folder)}", exception),
        _ => new(ExitCode.FolderUnusable, $"The data folder {folder} cannot be written: {StorageFaults.Plain(exception)}", exception),
    };

    private static string Rescue(string folder) => Backups.Newest(folder) is { } backup
        ? $"The newest backup is {backup}: put it back with ./start --restore {backup} --data {folder}"
        : "There is no backup beside it.";
}
