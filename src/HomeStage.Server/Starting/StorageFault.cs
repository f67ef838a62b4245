using System.Net.Sockets;
using Microsoft.Data.Sqlite;

namespace HomeStage.Server.Starting;

/// <summary>What a disk or a database can do to us.</summary>
public enum StorageFault
{
    /// <summary>There is no room left.</summary>
    Full,

    /// <summary>What is there is not what was written.</summary>
    Damaged,

    /// <summary>It cannot be read or written at all.</summary>
    Unusable,
}

/// <summary>Tells storage faults from the exceptions that they come as.</summary>
public static class StorageFaults
{
    // Results of SQLite (sqlite.org/rescode.html).
    private const int SqlitePerm = 3;
    private const int SqliteReadOnly = 8;
    private const int SqliteIoError = 10;
    private const int SqliteCorrupt = 11;
    private const int SqliteFull = 13;
    private const int SqliteCannotOpen = 14;
    private const int SqliteNotADatabase = 26;

    // Errors of POSIX, which the runtime hands on as they are.
    private const int FileTooLarge = 27;
    private const int NoSpaceLeft = 28;
    private const int QuotaExceeded = 122;

    /// <returns>Null for everything that storage has no part in.</returns>
    public static StorageFault? Of(Exception exception)
    {
        for (var e = exception; e is not null; e = e.InnerException)
        {
            StorageFault? found = e switch
            {
                SqliteException sqlite => OfSqlite(sqlite.SqliteErrorCode),
                UnauthorizedAccessException => StorageFault.Unusable,
                // A file that is cut and a request that breaks off are no fault of the disk.
                EndOfStreamException or Microsoft.AspNetCore.Http.BadHttpRequestException or { InnerException: SocketException } => null,
                IOException io => OfSystem(io),
                _ => null,
            };
            if (found is not null)
                return found;
        }

        return null;
    }

    /// <summary>The innermost message: what the system itself says.</summary>
    public static string Plain(Exception exception)
    {
        while (exception.InnerException is { } inner)
            exception = inner;
        return exception.Message;
    }

    private static StorageFault? OfSqlite(int code) => code switch
    {
        SqliteFull => StorageFault.Full,
        SqliteCorrupt or SqliteNotADatabase => StorageFault.Damaged,
        SqlitePerm or SqliteReadOnly or SqliteIoError or SqliteCannotOpen => StorageFault.Unusable,
        _ => null,
    };

    private static StorageFault OfSystem(IOException e) =>
        (e.HResult & 0xFFFF) is FileTooLarge or NoSpaceLeft or QuotaExceeded || e.Message.Contains("No space left", StringComparison.Ordinal) ? StorageFault.Full : StorageFault.Unusable;
}
