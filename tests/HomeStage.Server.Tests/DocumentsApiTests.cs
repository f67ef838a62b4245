using System.Net;
using System.Net.Http.Json;
using HomeStage.Formats.Documents;

namespace HomeStage.Server.Tests;

public class DocumentsApiTests(RunningServer server) : IClassFixture<RunningServer>
{
    [Fact]
    public async Task Health_SaysVersionSchemaAndDatabase()
    {
        var health = await server.GetAsync("/api/health");

        Assert.Equal(("0.1.0", TemplateDocument.SchemaVersion, "ready"), (health["version"]!.ToString(), (int)health["schema"]!, health["database"]!["state"]!.ToString()));
    }

    [Theory]
    [InlineData("Kik In", "kick", "drums")]
    [InlineData("Ld Gtr DI", "electric-guitar", "guitars")]
    [InlineData("Thing", "unknown", "")]
    public async Task Role_OfAName_IsAnsweredWithItsFamily(string name, string role, string family)
    {
        var guess = await server.GetAsync($"/api/roles/of?name={Uri.EscapeDataString(name)}");

        Assert.Equal((role, family), (guess["role"]!.ToString(), guess["family"]!.ToString()));
    }

    [Fact]
    public async Task Library_HoldsTheDemo_WithTheDefaultFirst()
    {
        var bills = (await server.GetAsync("/api/templates")).AsArray();

        Assert.Equal("First Rehearsal", bills[0]!["name"]!.ToString());
        Assert.True((bool)bills[0]!["opensByDefault"]!);
        var ferry = bills.Single(b => b!["name"]!.ToString() == "Night Ferry")!;
        Assert.Equal(("6/8", 92), (ferry["meter"]!.ToString(), (double)ferry["tempoBpm"]!));
        Assert.Contains(ferry["families"]!.AsArray(), f => f!["name"]!.ToString() == "Drums" && (int)f["count"]! == 8);
    }

    [Fact]
    public async Task Document_TakenAwayAndBroughtBack_IsTheSame()
    {
        var id = await server.NewTemplateAsync();
        await server.EditAsync(id, 0, new { type = "set-level", channel = "mix-bus", level = (double?)null });
        var document = await server.Client.GetByteArrayAsync($"/api/documents/{id}/document");

        // Its name is free again; beside itself it would be numbered.
        await server.Client.DeleteAsync($"/api/documents/{id}");

        var made = await server.Client.PostAsync("/api/templates/from-document", new ByteArrayContent(document) { Headers = { ContentType = new("application/json") } });

        Assert.Equal(HttpStatusCode.Created, made.StatusCode);
        var again = (await RunningServer.JsonOf(made))["id"]!.ToString();
        Assert.Equal(document, await server.Client.GetByteArrayAsync($"/api/documents/{again}/document"));
    }

    [Fact]
    public async Task Templates_OfOneName_AreNumbered_WhetherMadeOrBroughtIn()
    {
        async Task<string> NameAsync(HttpResponseMessage made) => (await server.GetAsync($"/api/documents/{(await RunningServer.JsonOf(made))["id"]}"))["head"]!["name"]!.ToString();
        var first = await server.Client.PostAsJsonAsync("/api/templates", new { name = "Weir songs" });
        var document = await server.Client.GetByteArrayAsync($"/api/documents/{(await RunningServer.JsonOf(first))["id"]}/document");

        Assert.Equal("Weir songs 2", await NameAsync(await server.Client.PostAsJsonAsync("/api/templates", new { name = "weir songs " })), ignoreCase: true);
        Assert.Equal("Weir songs 3", await NameAsync(await server.Client.PostAsync("/api/templates/from-document", new ByteArrayContent(document))));
    }

    [Fact]
    public async Task Document_ThatIsNone_IsRefusedInWords_AndNothingIsAdded()
    {
        var before = (await server.GetAsync("/api/templates")).AsArray().Count;

        var answer = await server.Client.PostAsync("/api/templates/from-document", new StringContent("not a document"));

        Assert.Equal("not-a-document", (await RunningServer.JsonOf(answer))["code"]!.ToString());
        Assert.Equal(before, (await server.GetAsync("/api/templates")).AsArray().Count);
    }

    [Fact]
    public async Task Song_IsACopyThatRemembersItsTemplate_AndChangesApartFromIt()
    {
        var template = await server.TemplateAsync("Night Ferry");
        var song = await StartAsync(template, "The Lamp Goes Out", 96, new { fifths = -1, minor = true });

        var edited = await server.Client.PostAsJsonAsync($"/api/documents/{song}/edits", new { revision = 0, edits = new[] { new { type = "rename-channel", channel = "drums", name = "Deck" } } });

        Assert.Equal(HttpStatusCode.OK, edited.StatusCode);
        var about = await server.GetAsync($"/api/songs/{song}/about");
        Assert.Equal(("The Lamp Goes Out", 96.0, "D minor", "Night Ferry"),
            (about["title"]!.ToString(), (double)about["tempoBpm"]!, about["keyName"]!.ToString(), about["templateName"]!.ToString()));
        Assert.Equal((int)(await server.GetAsync($"/api/documents/{template}"))["head"]!["revision"]!, (int)about["templateRevision"]!);
        Assert.DoesNotContain((await server.GetAsync($"/api/documents/{template}"))["channels"]!.AsArray(), c => c!["channel"]!["name"]!.ToString() == "Deck");
    }

    [Theory]
    [InlineData("", 100.0, "bad-text")]
    [InlineData("Fine", 1000.0, "out-of-range")]
    public async Task Song_ThatCannotBe_IsRefusedInWords(string title, double tempo, string code)
    {
        var answer = await server.Client.PostAsJsonAsync("/api/songs", new { templateId = await server.TemplateAsync("First Rehearsal"), title, tempoBpm = tempo, key = (object?)null });

        Assert.Equal(HttpStatusCode.UnprocessableEntity, answer.StatusCode);
        Assert.Equal(code, (await RunningServer.JsonOf(answer))["code"]!.ToString());
    }

    [Fact]
    public async Task Package_MadeTwice_HasTheSameBytes()
    {
        // Fast, since all of it is rendered twice.
        var song = await StartAsync(await server.TemplateAsync("First Rehearsal"), "Gull Song", 300, null);
        var first = await PackageAsync(song, "mix");
        // Another act is another job; with nothing in the wings it sounds the same.
        var second = await PackageAsync(song, "record");

        Assert.Equal(first, second);
        Assert.Equal("PK"u8.ToArray(), first[..2]);
    }

    [Fact]
    public async Task Package_OfWhatPlaysNothing_SaysWhichSoundWouldBeSilent_AndWhy()
    {
        var template = await server.NewTemplateAsync();
        await server.EditAsync(template, 0, new { type = "make-channel", wish = new { kind = "instrument", name = "Gong", bare = true } });

        var parts = (await server.GetAsync($"/api/documents/{await StartAsync(template, "Quiet", null, null)}/package")).AsArray();

        foreach (var sound in parts.Where(p => p!["part"]!.ToString() is "main" or "stems"))
        {
            Assert.Equal(1, (int)sound!["silentFiles"]!);
            Assert.Equal(("Gong", "plays no notes"), (sound["silentBecause"]!.AsArray().Single()!["name"]!.ToString(), sound["silentBecause"]![0]!["why"]!.ToString()));
        }

        Assert.All(parts.Where(p => p!["part"]!.ToString() is not ("main" or "stems")), p => Assert.Empty(p!["silentBecause"]!.AsArray()));
    }

    [Fact]
    public async Task Song_IsReadAtTheSameAddressAsATemplate_AndNoSongStartsFromIt()
    {
        var song = await StartAsync(await server.TemplateAsync("First Rehearsal"), "Gull Song", null, null);

        Assert.Equal("song", (await server.GetAsync($"/api/documents/{song}"))["head"]!["kind"]!.ToString());
        var again = await server.Client.PostAsJsonAsync("/api/songs", new { templateId = song, title = "Of a song", tempoBpm = (double?)null, key = (object?)null });
        Assert.Equal(HttpStatusCode.NotFound, again.StatusCode);
        Assert.Equal(HttpStatusCode.NotFound, (await server.Client.PutAsync($"/api/templates/{song}/default", null)).StatusCode);
    }

    private async Task<string> StartAsync(string templateId, string title, double? tempoBpm, object? key)
    {
        var answer = await server.Client.PostAsJsonAsync("/api/songs", new { templateId, title, tempoBpm, key });
        Assert.Equal(HttpStatusCode.Created, answer.StatusCode);
        return (await RunningServer.JsonOf(answer))["id"]!.ToString();
    }

    private async Task<byte[]> PackageAsync(string song, string act)
    {
        var job = await RunningServer.JsonOf(await server.Client.PostAsJsonAsync("/api/packages", new { song, act }));
        await server.WaitAsync($"/api/packages/{job["id"]}");
        return await server.Client.GetByteArrayAsync($"/api/packages/{job["id"]}/file");
    }
}
