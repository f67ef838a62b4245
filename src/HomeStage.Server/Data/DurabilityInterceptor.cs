using System.Data.Common;
using Microsoft.EntityFrameworkCore.Diagnostics;

namespace HomeStage.Server.Data;

/// <summary>Sets each connection so that what was answered is on the disk.</summary>
/// <remarks>Write-ahead mode belongs to the file and is set where it is opened: a connection that only reads could not set it.</remarks>
internal sealed class DurabilityInterceptor : DbConnectionInterceptor
{
    private const string Pragmas = "PRAGMA synchronous=FULL; PRAGMA foreign_keys=ON; PRAGMA busy_timeout=5000;";

    public override void ConnectionOpened(DbConnection connection, ConnectionEndEventData eventData)
    {
        using var command = connection.CreateCommand();
        command.CommandText = Pragmas;
        command.ExecuteNonQuery();
    }

    public override async Task ConnectionOpenedAsync(
        DbConnection connection, ConnectionEndEventData eventData, CancellationToken cancellationToken = default)
    {
        await using var command = connection.CreateCommand();
        command.CommandText = Pragmas;
        await command.ExecuteNonQueryAsync(cancellationToken);
    }
}
