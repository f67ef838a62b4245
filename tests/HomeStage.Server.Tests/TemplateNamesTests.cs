using HomeStage.Core.Editing;
using HomeStage.Core.Templates;
using HomeStage.Server.Data;
using HomeStage.Server.Data.Keeping;
using Microsoft.Extensions.DependencyInjection;

namespace HomeStage.Server.Tests;

/// <summary>No two templates bear one name, by whatever way it would come about.</summary>
public class TemplateNamesTests(RunningServer server) : IClassFixture<RunningServer>
{
    private DocumentStore Store => server.Services.GetRequiredService<DocumentStore>();

    [Fact]
    public async Task Create_ByManyAtOnceWithOneName_NumbersThem()
    {
        var made = await Task.WhenAll(Enumerable.Range(0, 12).Select(_ => Task.Run(() => MadeAsync("Slipway"))));

        Assert.Equal(12, made.Select(m => m.Template.Name).Distinct(StringComparer.OrdinalIgnoreCase).Count());
        Assert.Contains("Slipway", made.Select(m => m.Template.Name));
        foreach (var one in made)
        {
            await Store.CloseAsync(one.Id);
            Assert.Equal(one.Template.Name, (await Store.OpenAsync(one.Id))!.Template.Name);
        }
    }

    [Fact]
    public async Task Rename_ToATakenName_IsRefused_AndTheNextEditStandsOnTheSameRevision()
    {
        await MadeAsync("Kelp bed");
        var other = await MadeAsync("Oyster bed");

        Assert.Equal(new StoreAnswer.NameTaken("KELP BED"), await Store.EditAsync(other.Id, 0, [Called("KELP BED")]));
        Assert.IsType<StoreAnswer.Stored>(await Store.EditAsync(other.Id, 0, [Called("Mussel bed")]));
        Assert.IsType<StoreAnswer.Stored>(await Store.EditAsync(other.Id, 1, [Called("MUSSEL bed")]));
    }

    [Fact]
    public async Task Undo_OfARename_WhenTheOldNameIsTakenSince_IsRefused()
    {
        var first = await MadeAsync("Fog horn");
        await Store.EditAsync(first.Id, 0, [Called("Fog bell")]);
        await MadeAsync("Fog horn");

        Assert.Equal(new StoreAnswer.NameTaken("Fog horn"), await Store.UndoAsync(first.Id, 1));
    }

    [Fact]
    public async Task BringBack_WhenTheNameIsTakenSince_NumbersIt()
    {
        var removals = server.Services.GetRequiredService<Removals>();
        var first = await MadeAsync("Lantern room");
        await removals.RemoveAsync(first.Id, default);
        var second = await MadeAsync("Lantern room");

        Assert.True(await removals.BringBackAsync(RemovedKind.Template, first.Id, default));

        Assert.Equal(("Lantern room", "Lantern room 2"), (second.Template.Name, (await Store.OpenAsync(first.Id))!.Template.Name));
    }

    [Fact]
    public async Task Songs_MayBearOneName()
    {
        var (one, other) = (await Store.CreateAsync(DocumentKind.Song, EmptyStage.Create("Low water")), await Store.CreateAsync(DocumentKind.Song, EmptyStage.Create("Low water")));

        Assert.Equal(one.Template.Name, other.Template.Name);
    }

    private Task<OpenDocument> MadeAsync(string name) => Store.CreateAsync(DocumentKind.Template, EmptyStage.Create(name));

    private static Describe Called(string name) => new(name, "", [], "");
}
