using System.Net;
using System.Net.Http.Json;
using System.Text.Json.Nodes;

namespace HomeStage.Server.Tests;

/// <summary>The shelf over HTTP: kept in one template, taken into others, replaced, and offered to those that hold a copy.</summary>
public class ShelfApiTests(RunningServer server) : IClassFixture<RunningServer>
{
    private static readonly object[] Lilt = [new { type = "put-groove", groove = Groove(0.6) }];

    [Fact]
    public async Task Groove_KeptHere_IsTakenThere_AndOfferedWhenItIsReplaced()
    {
        var (home, item) = await KeptAsync("Lilt of one");
        var (one, other) = (await server.NewTemplateAsync(), await server.NewTemplateAsync());
        await TakeAsync(one, 0, item);
        await TakeAsync(other, 0, item);
        Assert.All(await UsesAsync(item), u => Assert.False((bool)u!["isBehind"]!));

        Assert.Equal(HttpStatusCode.OK, (await server.EditAsync(home, 2, new { type = "put-groove", groove = Groove(0.66) })).StatusCode);
        var replaced = await RunningServer.JsonOf(await server.Client.PutAsJsonAsync($"/api/shelf/{item}", new { document = home, kind = "groove", place = "Lilt", name = (string?)null }));
        Assert.Equal(2, (int)replaced["revision"]!);

        var behind = (await UsesAsync(item)).Where(u => (bool)u!["isBehind"]!).ToList();
        Assert.Equal(new[] { home, one, other }.Order(), behind.Select(u => u!["document"]!.ToString()).Order());
        // Taken where it is wanted, and nowhere else.
        var offer = behind.Single(u => u!["document"]!.ToString() == one)!;
        Assert.Equal(HttpStatusCode.OK, (await server.EditAsync(one, (int)offer["revision"]!, [.. offer["edits"]!.AsArray().Select(e => (object)e!)])).StatusCode);
        Assert.Equal((0.66, 0.6), (Math.Round(await ShareAsync(one), 2), Math.Round(await ShareAsync(other), 2)));
    }

    [Fact]
    public async Task Item_IsRenamed_Removed_BroughtBack_AndTakenAwayAsAFile()
    {
        var (_, item) = await KeptAsync("Lilt of two");
        var (_, taken) = await KeptAsync("Another lilt");
        Assert.Equal(HttpStatusCode.UnprocessableEntity, (await server.Client.PutAsJsonAsync($"/api/shelf/{item}/name", new { name = "Another lilt" })).StatusCode);
        Assert.Equal("Slow lilt", (await RunningServer.JsonOf(await server.Client.PutAsJsonAsync($"/api/shelf/{item}/name", new { name = " Slow lilt " })))["name"]!.ToString());

        using var file = new ByteArrayContent(await server.Client.GetByteArrayAsync($"/api/shelf/{item}/document"));
        var again = await RunningServer.JsonOf(await server.Client.PostAsync("/api/shelf/from-document", file));
        Assert.Equal("Slow lilt 2", again["name"]!.ToString());

        Assert.Equal(HttpStatusCode.NoContent, (await server.Client.DeleteAsync($"/api/shelf/{item}")).StatusCode);
        Assert.Equal(HttpStatusCode.NotFound, (await server.Client.DeleteAsync($"/api/shelf/{item}")).StatusCode);
        Assert.DoesNotContain(await ItemsAsync(), i => i!["id"]!.ToString() == item);
        Assert.Contains((await server.GetAsync("/api/removed")).AsArray(), r => r!["kind"]!.ToString() == "shelf-item" && r["id"]!.ToString() == item);
        await server.Client.PostAsJsonAsync("/api/removed/back", new { kind = "shelf-item", id = item });
        Assert.Contains(await ItemsAsync(), i => i!["id"]!.ToString() == item);
        Assert.Contains(await ItemsAsync(), i => i!["id"]!.ToString() == taken);
    }

    [Fact]
    public async Task Item_BroughtBack_WhoseNameIsTakenSince_GetsTheNextNumber()
    {
        var (_, first) = await KeptAsync("Lilt of three");
        await server.Client.DeleteAsync($"/api/shelf/{first}");
        await KeptAsync("Lilt of three");

        await server.Client.PostAsJsonAsync("/api/removed/back", new { kind = "shelf-item", id = first });

        Assert.Equal("Lilt of three 2", (await ItemsAsync()).Single(i => i!["id"]!.ToString() == first)!["name"]!.ToString());
    }

    [Fact]
    public async Task Machine_OfTheShelf_GivesItsJacksToAListOfPieces_AndIsRemembered()
    {
        var (home, player) = await WithKitAsync("tidewater-kit");
        var kept = await RunningServer.JsonOf(await server.Client.PostAsJsonAsync("/api/shelf", new { document = home, kind = "machine", place = player, name = "Kept jacks" }));
        var item = kept["item"]!["id"]!.ToString();
        var empty = await server.NewTemplateAsync();
        var wish = new { name = "Tin", list = "Kick, Snare, Gong stereo", jacks = 1, inPairs = false };

        var made = await RunningServer.JsonOf(await server.Client.PostAsJsonAsync($"/api/documents/{empty}/machines?machine={item}", wish));
        Assert.Equal(HttpStatusCode.OK, (await server.EditAsync(empty, 0, [.. made["edits"]!.AsArray().Select(e => (object)e!)])).StatusCode);

        var theirs = await KitOfAsync(home, player);
        var ours = await KitOfAsync(empty, made["channel"]!.ToString());
        Assert.Equal(theirs["outputs"]!.AsArray().Select(o => o!["format"]!.ToString()), ours["outputs"]!.AsArray().Select(o => o!["format"]!.ToString()));
        Assert.Equal(["Kick", "Snare", "Gong"], ours["pieces"]!.AsArray().Select(p => p!["name"]!.ToString()));
        Assert.Contains(await UsesAsync(item), u => u!["document"]!.ToString() == empty);
        Assert.Equal(HttpStatusCode.NotFound, (await server.Client.PostAsJsonAsync($"/api/documents/{empty}/machines?machine=nothing", wish)).StatusCode);
    }

    private async Task<JsonNode> KitOfAsync(string document, string player) =>
        (await server.GetAsync($"/api/documents/{document}"))["channels"]!.AsArray().Single(c => c!["channel"]!["id"]!.ToString() == player)!["channel"]!["source"]!["kit"]!;

    [Fact]
    public async Task Kit_OfTheShelf_OfAnotherTemplate_AndOfAFile_IsSwappedTo()
    {
        var (home, player) = await WithKitAsync("breakwater-kit");
        var (other, theirs) = await WithKitAsync("tidewater-kit");
        var kept = await RunningServer.JsonOf(await server.Client.PostAsJsonAsync("/api/shelf", new { document = other, kind = "kit", place = theirs, name = "Kept bells" }));
        var kit = (await server.GetAsync($"/api/shelf/{kept["item"]!["id"]}/document"))["content"]!["kit"]!.DeepClone();

        var elsewhere = (await server.GetAsync($"/api/documents/{home}/kits-elsewhere")).AsArray();
        Assert.Contains(elsewhere, k => k!["document"]!.ToString() == other && k["channel"]!.ToString() == theirs);
        foreach (var asked in new JsonObject[] { new() { ["item"] = kept["item"]!["id"]!.DeepClone() }, new() { ["other"] = new JsonObject { ["document"] = other, ["channel"] = theirs } }, new() { ["kit"] = kit } })
        {
            asked["channel"] = player;
            var swap = await RunningServer.JsonOf(await server.Client.PostAsJsonAsync($"/api/documents/{home}/kit-swaps", asked));
            Assert.Equal(14, swap["pieces"]!.AsArray().Count);
        }

        var nothing = await server.Client.PostAsJsonAsync($"/api/documents/{home}/kit-swaps", new { channel = player, item = "no-such-item" });
        Assert.Equal(HttpStatusCode.UnprocessableEntity, nothing.StatusCode);
    }

    [Fact]
    public async Task Sound_OfAKitOnTheShelf_IsNotRemoved()
    {
        var sound = await RunningServer.JsonOf(await Unbroken.Waves.UploadAsync(server.Client, Unbroken.Waves.Numbered(4242)));
        var (home, player) = await WithKitAsync("breakwater-kit");
        await server.EditAsync(home, 1, new { type = "set-piece-sound", channel = player, piece = "Kick", sound });
        await server.Client.PostAsJsonAsync("/api/shelf", new { document = home, kind = "kit", place = player, name = "With a sound" });
        await server.Client.DeleteAsync($"/api/documents/{home}");

        var answer = await server.Client.DeleteAsync($"/api/media/{sound["content"]}");

        Assert.Equal(HttpStatusCode.Conflict, answer.StatusCode);
        Assert.Contains((await RunningServer.JsonOf(answer))["path"]!.AsArray(), p => p!.ToString() == "With a sound");
    }

    private static object Groove(double share) => new { name = "Lilt", cycleTicks = 960, steps = new object[] { new { tick = 0, offsetTicks = 0, velocityPercent = 100 }, new { tick = 480, offsetTicks = (int)Math.Round(960 * (share - 0.5)), velocityPercent = 100 } } };

    private async Task<(string Home, string Item)> KeptAsync(string name)
    {
        var home = await server.NewTemplateAsync();
        Assert.Equal(HttpStatusCode.OK, (await server.EditAsync(home, 0, Lilt)).StatusCode);
        var kept = await RunningServer.JsonOf(await server.Client.PostAsJsonAsync("/api/shelf", new { document = home, kind = "groove", place = "Lilt", name }));
        await server.EditAsync(home, 1, [.. kept["edits"]!.AsArray().Select(e => (object)e!)]);
        return (home, kept["item"]!["id"]!.ToString());
    }

    private async Task<(string Id, string Player)> WithKitAsync(string instrument)
    {
        var id = await server.NewTemplateAsync();
        var answer = await server.EditAsync(id, 0, new { type = "make-channel", wish = new { kind = "instrument", name = "Set", instrument } });
        Assert.Equal(HttpStatusCode.OK, answer.StatusCode);
        return (id, (await server.GetAsync($"/api/documents/{id}"))["channels"]!.AsArray().Select(c => c!["channel"]!).Single(c => c["kind"]!.ToString() == "instrument")["id"]!.ToString());
    }

    private async Task TakeAsync(string document, int revision, string item)
    {
        var take = await RunningServer.JsonOf(await server.Client.PostAsJsonAsync($"/api/documents/{document}/shelf/{item}", new { onto = (string?)null }));
        Assert.Equal(HttpStatusCode.OK, (await server.EditAsync(document, revision, [.. take["edits"]!.AsArray().Select(e => (object)e!)])).StatusCode);
    }

    private async Task<JsonArray> UsesAsync(string item) => (await server.GetAsync($"/api/shelf/{item}/uses")).AsArray();

    private async Task<JsonArray> ItemsAsync() => (await server.GetAsync("/api/shelf")).AsArray();

    private async Task<double> ShareAsync(string document) =>
        0.5 + (int)(await server.GetAsync($"/api/documents/{document}"))["head"]!["grooves"]![0]!["steps"]![1]!["offsetTicks"]! / 960.0;
}
