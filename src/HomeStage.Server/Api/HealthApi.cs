using System.Reflection;
using HomeStage.Formats.Documents;
using HomeStage.Server.Data;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;

namespace HomeStage.Server.Api;

/// <summary>Whether everything is there.</summary>
internal static class HealthApi
{
    /// <param name="Schema">The document schema that this version writes.</param>
    /// <param name="Database">"ready", or "behind" where migrations are missing.</param>
    public sealed record HealthView(string Version, int Schema, string Database, string? NewestMigration);

    public static void MapHealth(this RouteGroupBuilder api) => api.MapGet("/health", async Task<Ok<HealthView>> (StageDb db, CancellationToken cancellation) =>
    {
        var applied = await db.Database.GetAppliedMigrationsAsync(cancellation);
        var pending = await db.Database.GetPendingMigrationsAsync(cancellation);
        return TypedResults.Ok(new HealthView(
            typeof(HealthApi).Assembly.GetCustomAttribute<AssemblyInformationalVersionAttribute>()!.InformationalVersion,
            TemplateDocument.SchemaVersion, pending.Any() ? "behind" : "ready", applied.LastOrDefault()));
    }).WithTags("Health");
}
