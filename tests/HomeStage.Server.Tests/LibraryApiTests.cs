using System.Net.Http.Json;
using System.Text.Json.Nodes;
using HomeStage.Core.Editing.Comparing;
using HomeStage.Core.Templates;

namespace HomeStage.Server.Tests;

/// <summary>The library: what is found in it, what it says of templates and songs, what is based on what.</summary>
public class LibraryApiTests(RunningServer server) : IClassFixture<RunningServer>
{
    [Fact]
    public async Task Search_LooksThroughChannelsInstrumentsDevicesAndNotes_ForEveryWord()
    {
        var id = await NewAsync("Oyster shed");
        await EditAsync(id, Bus("cellos", "Four cellos"), new { type = "set-note", channel = "cellos", note = "Bowed near the bridge" }, new { type = "set-level", channel = "cellos", level = -3 });

        Assert.Equal([("Oyster shed", "Four cellos")], await FoundAsync("CELLOS"));
        Assert.Equal([("Oyster shed", "Bowed near the bridge")], await FoundAsync("oyster bridge"));
        // What a bill shows is not said once more.
        Assert.Equal([("Oyster shed", null)], await FoundAsync("oyster"));
        Assert.Empty(await FoundAsync("cellos nowhere-at-all"));
        Assert.Contains(await FoundAsync("lantern keys"), f => f is ("Two Voices and a Reed Organ", "Lantern Keys"));
        Assert.Contains(await FoundAsync("undertow"), f => f.Name == "First Rehearsal");
    }

    [Fact]
    public async Task MovesSaved_CountsEachThingOnce()
    {
        await NewAsync("As new ones are");
        var id = await NewAsync("Counted");
        // A channel, its level, its mute, an insert; then the tempo.
        await EditAsync(id, Bus("one", "One"), new { type = "set-level", channel = "one", level = -3 }, new { type = "set-mute", channel = "one", muted = true }, new { type = "add-insert", channel = "one", insert = new { id = "gain", processor = "gain" } });

        Assert.Equal(4, (int)(await BillAsync("Counted"))["moves"]! - (int)(await BillAsync("As new ones are"))["moves"]!);
        Assert.Equal(0, MovesSaved.Of(EmptyStage.Create("Nothing")));
    }

    [Fact]
    public async Task Bill_SaysWhatIsOpen_WhatItWeighs_AndWhenItWasUsed()
    {
        var rehearsal = await BillAsync("First Rehearsal");
        Assert.Equal((0, null), ((int)rehearsal["songs"]!, rehearsal["lastUsedUtc"]));
        Assert.All(rehearsal["weights"]!.AsArray(), w => Assert.InRange((double)w!["percent"]!, 0.1, 100));
        var acts = (await server.GetAsync($"/api/documents/{rehearsal["id"]}"))["head"]!["acts"]!.AsArray().Select(a => a!["id"]!.ToString());
        var open = new HashSet<string>();
        foreach (var act in acts)
            open.UnionWith((await server.GetAsync($"/api/documents/{rehearsal["id"]}/findings?act={act}"))["open"]!.AsArray().Where(f => f!["severity"]!.ToString() == "hint").Select(f => f!["key"]!.ToString()));
        // The findings of the place count the studio that is on as well.
        Assert.InRange((int)rehearsal["findings"]!["hints"]!, 0, open.Count);
        var ferry = await BillAsync("Night Ferry");
        Assert.Equal(5, (int)ferry["songs"]!);
        Assert.NotNull(ferry["lastUsedUtc"]);
    }

    [Fact]
    public async Task Copy_OfASong_IsATemplate_AndTheSongIsNotTouched()
    {
        var song = (await server.GetAsync("/api/songs")).AsArray().Single(s => s!["title"]!.ToString() == "Cold Berth")!["id"]!.ToString();
        var before = await server.Client.GetByteArrayAsync($"/api/documents/{song}/document");

        var made = await RunningServer.JsonOf(await server.Client.PostAsJsonAsync($"/api/documents/{song}/copy", new { name = "After Cold Berth" }));

        Assert.Equal(before, await server.Client.GetByteArrayAsync($"/api/documents/{song}/document"));
        var (was, now) = (JsonNode.Parse(before)!, JsonNode.Parse(await server.Client.GetByteArrayAsync($"/api/documents/{made["id"]}/document"))!);
        Assert.Equal("After Cold Berth", now["template"]?["name"]?.ToString() ?? now["name"]!.ToString());
        (now["template"] ?? now)["name"] = "Cold Berth";
        Assert.True(JsonNode.DeepEquals(was, now));
        Assert.Equal("template", (await server.GetAsync($"/api/documents/{made["id"]}"))["head"]!["kind"]!.ToString());
    }

    /// <summary>By hand: the bass of the demo's songs went from −2 to −4.5, −5, −6, −4 and −1; three took the high keys out and three added a
    /// tambourine; four are slower than 92; three are in D minor.</summary>
    [Fact]
    public async Task Reviews_OfTheDemosSongs_SayWhatTheyAgreeIn()
    {
        var ferry = await server.TemplateAsync("Night Ferry");

        var said = await server.GetAsync($"/api/templates/{ferry}/reviews");

        Assert.Equal(5, (int)said["songs"]!);
        Assert.Equal(
            ["3 of 5 songs are in D minor.", "4 of 5 songs are slower: 78 to 86 BPM, 82 in the middle.", "Bass was turned down in 4 of 5 songs, by 2.8 dB in the middle (2 to 4).",
                "Bellbuoy, high was taken out of 3 of 5 songs.", "Tambourine was added under Drums in 3 of 5 songs."],
            said["reviews"]!.AsArray().Select(r => r!["sentence"]!.ToString()).Order(StringComparer.Ordinal));
        var songs = (await server.GetAsync("/api/songs")).AsArray().Where(s => s!["templateName"]?.ToString() == "Night Ferry").ToList();
        // Beside tempo, sections and key.
        Assert.All(songs, s => Assert.InRange((int)s!["changes"]!, 1, 12));

        // Meant so: it is not said again, and the songs are as they were.
        var bass = said["reviews"]!.AsArray().Single(r => r!["key"]!.ToString() == "review/level/bass")!;
        await server.EditAsync(ferry, (int)(await server.GetAsync($"/api/documents/{ferry}"))["head"]!["revision"]!, bass["leave"]!);
        Assert.DoesNotContain((await server.GetAsync($"/api/templates/{ferry}/reviews"))["reviews"]!.AsArray(), r => r!["key"]!.ToString() == "review/level/bass");
        Assert.All((await server.GetAsync("/api/songs")).AsArray().Where(s => s!["templateName"]?.ToString() == "Night Ferry"), s => Assert.Equal(0, (int)s!["revision"]!));
    }

    [Fact]
    public async Task Parent_OfATemplateThatIsBasedOnNone_OrOnOneThatIsGone_IsSaid()
    {
        var parent = await NewAsync("Breakwater plan");
        Assert.Equal(System.Net.HttpStatusCode.NotFound, (await server.Client.GetAsync($"/api/documents/{parent}/parent")).StatusCode);
        var child = (await RunningServer.JsonOf(await server.Client.PostAsJsonAsync($"/api/templates/{parent}/based", new { name = "Breakwater, my way" })))["id"]!.ToString();
        Assert.True((bool)(await server.GetAsync($"/api/documents/{child}/parent"))["isHere"]!);

        await server.Client.DeleteAsync($"/api/documents/{parent}");

        var gone = await server.GetAsync($"/api/documents/{child}/parent");
        Assert.Equal((false, "Breakwater plan", 0), ((bool)gone["isHere"]!, gone["name"]!.ToString(), gone["changes"]!.AsArray().Count));
    }

    private static object Bus(string id, string name) => new { type = "add-channel", channel = new { id, name, kind = "bus", destination = "mix-bus" } };

    private async Task<string> NewAsync(string name) => (await RunningServer.JsonOf(await server.Client.PostAsJsonAsync("/api/templates", new { name })))["id"]!.ToString();

    private async Task EditAsync(string id, params object[] edits) => (await server.EditAsync(id, 0, edits)).EnsureSuccessStatusCode();

    private async Task<JsonNode> BillAsync(string name) => (await server.GetAsync("/api/templates")).AsArray().Single(t => t!["name"]!.ToString() == name)!;

    private async Task<IReadOnlyList<(string Name, string? Found)>> FoundAsync(string words) =>
        [.. (await server.GetAsync($"/api/templates?find={Uri.EscapeDataString(words)}")).AsArray().Select(t => (t!["name"]!.ToString(), t["found"]?.ToString()))];
}
