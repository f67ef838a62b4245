using System.Net;
using HomeStage.Core.Editing;
using HomeStage.Core.Templates;
using HomeStage.Server.Data;
using HomeStage.Server.Data.Keeping;
using HomeStage.Server.Data.Summaries;
using HomeStage.TestKit;
using Microsoft.AspNetCore.Builder;
using Microsoft.Extensions.DependencyInjection;

namespace HomeStage.Server.Tests.Unbroken;

/// <summary>What is whole opens, what is not is listed with what can be recovered, and everything else works.</summary>
public sealed class DamageTests : IAsyncLifetime
{
    private readonly DataFolder _folder = new();
    private WebApplication? _app;
    private string _id = null!;

    private IServiceProvider Services => _app!.Services;

    private DocumentStore Store => Services.GetRequiredService<DocumentStore>();

    public async ValueTask InitializeAsync()
    {
        _app = await _folder.PreparedAsync();
        _id = (await Store.CreateAsync(DocumentKind.Template, EmptyStage.Create("Tide tables"))).Id;
        // A snapshot stands at 0 and at 100.
        for (var revision = 0; revision < 120; revision++)
            Assert.IsType<StoreAnswer.Stored>(await Store.EditAsync(_id, revision, [new RenameChannel(EmptyStage.MixBus, $"Edit {revision + 1}")]));
        await Store.CloseAsync(_id);
    }

    public async ValueTask DisposeAsync()
    {
        await StopAsync();
        _folder.Dispose();
    }

    private async Task StopAsync()
    {
        if (_app is not null)
            await _app.DisposeAsync();
        _app = null;
        _folder.LetGo();
    }

    [Theory]
    [InlineData("UPDATE Snapshots SET Content = zeroblob(40) WHERE Number = 100")]
    [InlineData("UPDATE Snapshots SET Content = substr(Content, 1, length(Content) / 2) WHERE Number = 100")]
    [InlineData("DELETE FROM Snapshots WHERE Number = 100")]
    [InlineData("UPDATE Snapshots SET Content = (SELECT Content FROM Snapshots WHERE Number = 0) WHERE Number = 100")]
    public async Task Open_WithADamagedSnapshot_ReadsAnOlderOneAndTheLog(string damage)
    {
        _folder.Sql(damage);

        var open = (await Store.OpenAsync(_id))!;

        Assert.Equal((120, "Edit 120"), (open.Revision, open.Template.Channels[EmptyStage.MixBus].Name));
        // The damaged one itself: what follows it would hide what was lost.
        var then = await Services.GetRequiredService<RevisionLog>().TemplateAtAsync(_id, 100, TestContext.Current.CancellationToken);
        Assert.Equal("Edit 100", then!.Channels[EmptyStage.MixBus].Name);
    }

    [Theory]
    [InlineData("UPDATE Revisions SET Done = 'garbage' WHERE Number = 110", 109)]
    [InlineData("UPDATE Revisions SET Done = replace(Done, 'Edit 110', 'Edit 011') WHERE Number = 110", 109)]
    [InlineData("UPDATE Revisions SET Done = NULL, Back = x'ff' WHERE Number = 115", 114)]
    [InlineData("DELETE FROM Revisions WHERE Number = 119", 118)]
    [InlineData("UPDATE Revisions SET Done = '[]' WHERE Number = 105; UPDATE Snapshots SET Content = x'00' WHERE Number = 100", 104)]
    public async Task Open_WithADamagedEntryOfTheLog_SaysHowFarItCanBeRead_AndRecoveryMakesThat(string damage, int whole)
    {
        _folder.Sql("PRAGMA writable_schema = ON; UPDATE sqlite_master SET sql = replace(sql, '\"Done\" TEXT NOT NULL', '\"Done\" TEXT') WHERE name = 'Revisions'");
        _folder.Sql(damage);

        var damaged = await Assert.ThrowsAsync<DamagedDocumentException>(() => Store.OpenAsync(_id));
        Assert.Equal(whole, damaged.LastWhole);

        var (made, revision) = (await Services.GetRequiredService<Recovery>().RecoverAsync(_id, default))!.Value;
        Assert.Equal((whole, $"Edit {whole}", "Tide tables, recovered"), (revision, made.Template.Channels[EmptyStage.MixBus].Name, made.Template.Name));
    }

    [Fact]
    public async Task Open_WithADamagedEntryBeforeASnapshot_ReadsTheSnapshot()
    {
        _folder.Sql("UPDATE Revisions SET Done = 'garbage' WHERE Number = 50");

        Assert.Equal(120, (await Store.OpenAsync(_id))!.Revision);
        await Assert.ThrowsAsync<DamagedDocumentException>(() => Services.GetRequiredService<RevisionLog>().TemplateAtAsync(_id, 60));
    }

    [Fact]
    public async Task Undo_OfADamagedEntry_IsRefused_AndTheDocumentGoesOn()
    {
        await Store.OpenAsync(_id);
        _folder.Sql("UPDATE Revisions SET Back = replace(Back, 'Edit 119', 'Edit 000') WHERE Number = 120");

        Assert.IsType<StoreAnswer.NothingToDo>(await Store.UndoAsync(_id, 120));
        Assert.IsType<StoreAnswer.Stored>(await Store.EditAsync(_id, 120, [new RenameChannel(EmptyStage.MixBus, "On")]));
    }

    [Fact]
    public async Task Library_WithADamagedDocument_ListsItAsDamaged_AndOpensTheOthers()
    {
        var other = await Store.CreateAsync(DocumentKind.Template, EmptyStage.Create("Whole"));
        _folder.Sql($"UPDATE Revisions SET Done = 'garbage' WHERE Number = 120 AND DocumentId = '{_id}'");

        var listed = await Services.GetRequiredService<SummaryShelf>().AllAsync(DocumentKind.Template, default);

        Assert.Equal(["Tide tables", "Whole"], listed.Select(l => l.Summary.Name).Order());
        Assert.Equal(119, listed.Single(l => l.Row.Id == _id).Damage!.LastWhole);
        Assert.Null(listed.Single(l => l.Row.Id == other.Id).Damage);
        Assert.NotNull(await Store.OpenAsync(other.Id));
    }

    [Fact]
    public async Task Library_OfManyDocuments_OpensNone()
    {
        for (var i = 0; i < 40; i++)
            await Store.CreateAsync(DocumentKind.Template, EmptyStage.Create($"Number {i}"));
        var shelf = Services.GetRequiredService<SummaryShelf>();
        // What is new is opened once, to be summed up.
        foreach (var made in await shelf.AllAsync(DocumentKind.Template, default))
            await Store.CloseAsync(made.Row.Id);

        var listed = await shelf.AllAsync(DocumentKind.Template, default);

        Assert.Equal((41, 0), (listed.Count, Store.Open));
    }

    [Fact]
    public async Task Summary_AfterAnEdit_IsThatOfTheNewestRevision()
    {
        var shelf = Services.GetRequiredService<SummaryShelf>();
        await shelf.AllAsync(DocumentKind.Template, default);
        await Store.EditAsync(_id, 120, [new Describe("Tide tables, new", "Plays", ["sea"], "")]);

        var summary = (await shelf.AllAsync(DocumentKind.Template, default)).Single().Summary;

        Assert.Equal(DocumentSummary.Of((await Store.OpenAsync(_id))!, null), summary);
        Assert.Equal(("Tide tables, new", "Plays"), (summary.Name, summary.Category));
    }

    [Fact]
    public async Task Integrity_FindsWhatIsDamaged_AndNothingWhereAllIsWhole()
    {
        var integrity = Services.GetRequiredService<Integrity>();
        Assert.True((await integrity.CheckAsync(default)).IsWhole);

        _folder.Sql("UPDATE Revisions SET Done = replace(Done, 'Edit 120', 'Edit 021') WHERE Number = 120");
        var report = await integrity.CheckAsync(default);

        Assert.Equal((null, 1, 0), (report.Pages, report.DamagedDocuments, report.WrongSounds));
        Assert.Equal(119, Services.GetRequiredService<DamageBook>().Of(_id)!.LastWhole);
    }

    [Fact]
    public async Task Garbage_InPagesOfTheDatabase_IsAnsweredInSentences_NeverAs500()
    {
        await StopAsync();
        _folder.Sql("PRAGMA wal_checkpoint(TRUNCATE)");
        var whole = await File.ReadAllBytesAsync(_folder.Database);
        var chance = new Random(9);
        for (var round = 0; round < Runs.Of(6, 60); round++)
        {
            var bytes = whole.ToArray();
            // Pages of 4,096 bytes; the first holds what makes it a database.
            var page = 4096 * chance.Next(1, bytes.Length / 4096);
            chance.NextBytes(bytes.AsSpan(page, 4096));
            foreach (var end in (string[])["-wal", "-shm"])
                File.Delete(_folder.Database + end);
            await File.WriteAllBytesAsync(_folder.Database, bytes);

            await using var app = StageHost.Of(_folder.Options);
            if (await app.TryStartAsync() is { } fault)
            {
                Assert.Equal(Starting.ExitCode.DatabaseDamaged, fault.Code);
                continue;
            }

            foreach (var path in (string[])["/api/templates", $"/api/documents/{_id}", $"/api/documents/{_id}/revisions", "/api/health"])
                Assert.NotEqual(HttpStatusCode.InternalServerError, (await app.Client.GetAsync(path)).StatusCode);
        }
    }

    [Fact]
    public async Task Document_ThatIsDamaged_IsAnsweredWithASentence_AndRecoveredOverHttp()
    {
        await StopAsync();
        _folder.Sql("UPDATE Revisions SET Done = 'garbage' WHERE Number = 118");
        await using var app = StageHost.Of(_folder.Options);
        Assert.Null(await app.TryStartAsync());

        var answer = await app.Client.GetAsync($"/api/documents/{_id}");
        var made = await app.Client.PostAsync($"/api/documents/{_id}/recovered", null);

        Assert.Equal(HttpStatusCode.UnprocessableEntity, answer.StatusCode);
        var problem = await RunningServer.JsonOf(answer);
        Assert.Equal(("damaged", 117), (problem["code"]!.ToString(), (int)problem["lastWhole"]!));
        var recovered = await RunningServer.JsonOf(await app.Client.GetAsync($"/api/documents/{(await RunningServer.JsonOf(made))["id"]}"));
        Assert.Contains(recovered["channels"]!.AsArray(), c => c!["channel"]!["name"]!.ToString() == "Edit 117");
    }
}
