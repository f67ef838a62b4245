using System.Reflection;
using HomeStage.Formats.Documents;
using HomeStage.Server.Data;
using HomeStage.Server.Data.Keeping;
using HomeStage.Server.Data.Sounds;
using HomeStage.Server.Hosting;
using HomeStage.Server.Starting;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;

namespace HomeStage.Server.Api;

/// <summary>Whether everything is there and can be written.</summary>
internal static class HealthApi
{
    private const long LeastFreeBytes = 256L * 1024 * 1024;

    /// <summary>How one thing is.</summary>
    /// <param name="Sentence">Null where there is nothing to say.</param>
    public sealed record Part(PartState State, string? Sentence = null);

    public enum PartState
    {
        Ready,

        /// <summary>It works, and somebody should look.</summary>
        Warning,

        Failing,
    }

    /// <param name="State">The worst of the parts.</param>
    /// <param name="Schema">The document schema that this version writes.</param>
    /// <param name="NewestBackup">Name of the file; null for none.</param>
    public sealed record HealthView(
        string Version, int Schema, string? NewestMigration, PartState State, Part Writing, Part Space, Part Database, Part Media, string? NewestBackup, DateTime? CheckedUtc);

    public static void MapHealth(this RouteGroupBuilder api) => api.MapGet("/health", async Task<JsonHttpResult<HealthView>> (
        StageDb db, WriteGate gate, ServerOptions options, Integrity integrity, MediaStore media, DamageBook damages, CancellationToken cancellation) =>
    {
        var (writing, space) = (await WritingAsync(options.DataFolder, cancellation), SpaceOf(options.DataFolder));
        var (database, migration) = await DatabaseAsync(db, gate, integrity.Last, damages.Count, cancellation);
        var sounds = MediaOf(media);
        var worst = new[] { writing, space, database, sounds }.Max(p => p.State);
        var view = new HealthView(
            typeof(HealthApi).Assembly.GetCustomAttribute<AssemblyInformationalVersionAttribute>()!.InformationalVersion, TemplateDocument.SchemaVersion, migration,
            worst, writing, space, database, sounds, Path.GetFileName(Backups.Newest(options.DataFolder)), integrity.Last?.AtUtc);
        return TypedResults.Json(view, statusCode: worst == PartState.Failing ? StatusCodes.Status503ServiceUnavailable : StatusCodes.Status200OK);
    }).WithTags("Health").Produces<HealthView>().Produces<HealthView>(StatusCodes.Status503ServiceUnavailable);

    /// <summary>A few kilobytes are written, flushed and removed: what every edit needs.</summary>
    private static async Task<Part> WritingAsync(string folder, CancellationToken cancellation)
    {
        var probe = Path.Combine(folder, $"{Guid.NewGuid():N}.part");
        try
        {
            await using (var stream = new FileStream(probe, FileMode.CreateNew))
            {
                await stream.WriteAsync(new byte[16 * 1024], cancellation);
                stream.Flush(flushToDisk: true);
            }

            return new(PartState.Ready);
        }
        catch (Exception e) when (e is IOException or UnauthorizedAccessException)
        {
            return new(PartState.Failing, StorageFaults.Of(e) == StorageFault.Full ? "The disk is full." : $"The data folder cannot be written: {StorageFaults.Plain(e)}");
        }
        finally
        {
            File.Delete(probe);
        }
    }

    private static Part SpaceOf(string folder)
    {
        var free = new DriveInfo(folder).AvailableFreeSpace;
        return free >= LeastFreeBytes ? new(PartState.Ready) : new(PartState.Warning, $"Only {free / 1024 / 1024} MB are free on the disk.");
    }

    private static async Task<(Part Part, string? NewestMigration)> DatabaseAsync(StageDb db, WriteGate gate, IntegrityReport? report, int damaged, CancellationToken cancellation)
    {
        try
        {
            var applied = (await db.Database.GetAppliedMigrationsAsync(cancellation)).LastOrDefault();
            // A write that is taken back: it fails where the next edit would.
            await gate.OneAtATimeAsync(async () =>
            {
                await using var transaction = await db.Database.BeginTransactionAsync(cancellation);
                await db.Documents.Where(d => d.Id == "").ExecuteDeleteAsync(cancellation);
                await transaction.RollbackAsync(cancellation);
            }, cancellation);
            return (report?.Pages is { } pages ? new(PartState.Failing, $"The database is damaged: {pages}")
                : damaged > 0 ? new(PartState.Warning, $"{damaged} of the documents are damaged.")
                : new(PartState.Ready), applied);
        }
        catch (Exception e) when (StorageFaults.Of(e) is { } fault)
        {
            return (new(PartState.Failing, $"The database cannot be written: {(fault == StorageFault.Full ? "the disk is full" : StorageFaults.Plain(e))}."), null);
        }
    }

    private static Part MediaOf(MediaStore media) => media.Wrong is > 0 and var wrong
        ? new(PartState.Warning, $"{wrong} of the uploaded sounds are missing or damaged; the templates that use them say so.")
        : new(PartState.Ready);
}
