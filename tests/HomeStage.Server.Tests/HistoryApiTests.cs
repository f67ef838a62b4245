using System.Net;
using System.Net.Http.Json;

namespace HomeStage.Server.Tests;

public class HistoryApiTests(RunningServer server) : IClassFixture<RunningServer>
{
    [Fact]
    public async Task Revisions_AreListedNewestFirst_InWords_WithUndoSpeakingOfItsTarget()
    {
        var id = await EditedAsync();
        await server.Client.PostAsJsonAsync($"/api/documents/{id}/undo", new { revision = 2 });

        var lines = (await server.GetAsync($"/api/documents/{id}/revisions")).AsArray();

        Assert.Equal([3, 2, 1, 0], lines.Select(l => (int)l!["number"]!));
        Assert.Equal(["undo", "edit", "edit", "origin"], lines.Select(l => l!["kind"]!.ToString()));
        Assert.Equal("Mix bus is muted", lines[0]!["words"]![0]!.ToString());
        Assert.Equal("Mix bus: level 0.0 dB → −6.0 dB", lines[2]!["words"]![0]!.ToString());
    }

    [Fact]
    public async Task Name_OfARevision_IsKept_AndTakenAwayByNull()
    {
        var id = await EditedAsync();

        var named = await server.Client.PutAsJsonAsync($"/api/documents/{id}/revisions/1/name", new { name = " Before the mute " });
        Assert.Equal(HttpStatusCode.NoContent, named.StatusCode);
        Assert.Equal("Before the mute", await NameOfAsync(id, 1));

        await server.Client.PutAsJsonAsync($"/api/documents/{id}/revisions/1/name", new { name = (string?)null });
        Assert.Null(await NameOfAsync(id, 1));
    }

    [Theory]
    [InlineData(9, "Later", HttpStatusCode.NotFound)]
    [InlineData(1, "  ", HttpStatusCode.UnprocessableEntity)]
    public async Task Name_ThatCannotBe_IsRefused(int number, string name, HttpStatusCode status)
    {
        var id = await EditedAsync();

        Assert.Equal(status, (await server.Client.PutAsJsonAsync($"/api/documents/{id}/revisions/{number}/name", new { name })).StatusCode);
    }

    [Fact]
    public async Task Difference_BetweenTwoRevisions_SaysWhatSeparatesThem_BothWays()
    {
        var id = await EditedAsync();

        Assert.Equal(["Mix bus: level 0.0 dB → −6.0 dB", "Mix bus is muted"], await WordsAsync(id, 0, 2));
        Assert.Equal(["Mix bus: level −6.0 dB → 0.0 dB", "Mix bus is open again"], await WordsAsync(id, 2, 0));
        Assert.Empty(await WordsAsync(id, 2, 2));
    }

    [Fact]
    public async Task Return_ToARevision_MakesTheDocumentAsItWas_AndCanBeUndone()
    {
        var id = await EditedAsync();
        var original = (await server.GetAsync($"/api/documents/{id}/document")).ToJsonString();

        var change = await RunningServer.JsonOf(await server.Client.PostAsJsonAsync($"/api/documents/{id}/return", new { revision = 2, to = 0 }));
        Assert.Equal(3, (int)change["head"]!["revision"]!);
        Assert.Equal(0, (double)change["changed"]![0]!["channel"]!["level"]!);
        await server.Client.PostAsJsonAsync($"/api/documents/{id}/undo", new { revision = 3 });

        Assert.Equal(original, (await server.GetAsync($"/api/documents/{id}/document")).ToJsonString());
    }

    [Fact]
    public async Task Return_ToWhatIsThereAlready_OrToNoRevision_IsRefused()
    {
        var id = await EditedAsync();

        Assert.Equal(HttpStatusCode.Conflict, (await server.Client.PostAsJsonAsync($"/api/documents/{id}/return", new { revision = 2, to = 2 })).StatusCode);
        Assert.Equal(HttpStatusCode.Conflict, (await server.Client.PostAsJsonAsync($"/api/documents/{id}/return", new { revision = 2, to = 77 })).StatusCode);
    }

    /// <summary>A level, then a mute.</summary>
    private async Task<string> EditedAsync()
    {
        var id = await server.NewTemplateAsync();
        await server.EditAsync(id, 0, new { type = "set-level", channel = "mix-bus", level = -6 });
        await server.EditAsync(id, 1, new { type = "set-mute", channel = "mix-bus", muted = true });
        return id;
    }

    private async Task<string?> NameOfAsync(string id, int number) =>
        (string?)(await server.GetAsync($"/api/documents/{id}/revisions")).AsArray().Single(l => (int)l!["number"]! == number)!["name"];

    private async Task<IEnumerable<string>> WordsAsync(string id, int from, int to) =>
        (await server.GetAsync($"/api/documents/{id}/difference?from={from}&to={to}"))["words"]!.AsArray().Select(w => w!.ToString());
}
