using System.Text.Json;
using HomeStage.Core.Templates;
using HomeStage.Formats;
using HomeStage.Formats.Documents;
using HomeStage.Server.Data;
using HomeStage.Server.Hosting;
using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Infrastructure;
using Microsoft.EntityFrameworkCore.Migrations;
using Microsoft.Extensions.DependencyInjection;

namespace HomeStage.Server.Tests.Unbroken;

/// <summary>Versions before this one logged edits, not what they did. What they left opens, can be undone, and goes on.</summary>
public sealed class OldLogTests : IDisposable
{
    private const string LastThatLoggedEdits = "Unbroken";
    private readonly DataFolder _folder = new();

    public void Dispose() => _folder.Dispose();

    [Theory]
    [InlineData(1)]
    [InlineData(2)]
    [InlineData(3)]
    public async Task Open_OfADocumentWithALogOfEdits_GivesItsEnd_AndUndoLeadsToItsBeginning_AndRedoBack(int schema)
    {
        var entries = await LeaveAsync(schema);
        await using var app = await _folder.PreparedAsync();
        var store = app.Services.GetRequiredService<DocumentStore>();

        var open = (await store.OpenAsync("old"))!;
        Assert.Equal((entries, Stored(schema, "end")), (open.Revision, open.Template));

        await store.EditAsync("old", open.Revision, [new Core.Editing.RenameChannel(EmptyStage.MixBus, "After the storm")]);
        var revision = entries + 1;
        for (var i = 0; i <= entries; i++)
            revision = Assert.IsType<StoreAnswer.Stored>(await store.UndoAsync("old", revision)).After.Revision;
        Assert.Equal(Stored(schema, "beginning"), (await store.OpenAsync("old"))!.Template);

        for (var i = 0; i < entries; i++)
            revision = Assert.IsType<StoreAnswer.Stored>(await store.RedoAsync("old", revision)).After.Revision;
        await store.CloseAsync("old");
        Assert.Equal(Stored(schema, "end"), (await store.OpenAsync("old"))!.Template);
    }

    /// <summary>A database as the last such version left it.</summary>
    private async Task<int> LeaveAsync(int schema)
    {
        await using var app = StageApp.Build(_folder.Options);
        await using var db = await app.Services.GetRequiredService<IDbContextFactory<StageDb>>().CreateDbContextAsync();
        var before = db.Database.GetMigrations().Single(m => m.EndsWith(LastThatLoggedEdits, StringComparison.Ordinal));
        await db.GetService<IMigrator>().MigrateAsync(before);
        using var log = JsonDocument.Parse(await File.ReadAllBytesAsync(PathOf(schema, "log.json")));
        var number = 0;
        await db.Database.ExecuteSqlAsync($"INSERT INTO Documents (Id, Kind, Name, Revision, CreatedUtc, ChangedUtc, OpensByDefault, SoundsNoted, SummaryRevision) VALUES ('old', 'Template', 'Old', {log.RootElement.GetArrayLength()}, '2026-01-01', '2026-01-01', 0, 0, -1)");
        var content = Snapshot.Pack(Stored(schema, "beginning"));
        await db.Database.ExecuteSqlAsync($"INSERT INTO Snapshots (DocumentId, Number, Content) VALUES ('old', 0, {content})");
        foreach (var entry in log.RootElement.EnumerateArray())
        {
            var (edits, inverse) = (entry.GetProperty("edits").GetRawText(), entry.GetProperty("inverse").GetRawText());
            number++;
            await db.Database.ExecuteSqlAsync($"INSERT INTO Revisions (DocumentId, Number, Kind, Edits, Inverse, Words, AtUtc) VALUES ('old', {number}, 'Edit', {edits}, {inverse}, '[]', '2026-01-01')");
        }

        return number;
    }

    private static Template Stored(int schema, string name) =>
        Assert.IsType<FormatResult<Template>.Read>(TemplateDocument.Read(File.ReadAllBytes(PathOf(schema, $"{name}.template.json")))).Value;

    private static string PathOf(int schema, string file) => Path.Combine(AppContext.BaseDirectory, "Stored", $"schema-{schema}", file);
}
