using System.IO.Compression;
using System.Net;
using System.Text;
using HomeStage.Formats.Midi;
using HomeStage.Formats.Sfz;
using HomeStage.Formats.Wave;

namespace HomeStage.Server.Tests;

public class UploadsApiTests(RunningServer server) : IClassFixture<RunningServer>
{
    // One drum hit on note 36 and one on 99, on channel 10, 96 ticks a quarter.
    private static readonly byte[] Drums =
    [
        .. "MThd"u8, 0, 0, 0, 6, 0, 0, 0, 1, 0, 96,
        .. "MTrk"u8, 0, 0, 0, 20, 0, 0x99, 36, 100, 0x60, 0x89, 36, 0, 0, 0x99, 99, 90, 0x60, 0x89, 99, 0, 0, 0xFF, 0x2F, 0,
    ];

    [Fact]
    public async Task Midi_OnAKit_SaysWhichPiecesItPlays_AndWhichNotesHaveNone()
    {
        var part = Assert.Single((await RunningServer.JsonOf(await SendAsync("midi", "tidewater", Drums)))["parts"]!.AsArray())!;

        Assert.Equal((10, 2, 1), ((int)part["channel"]!, (int)part["notes"]!, (int)part["piecesHit"]!));
        Assert.Equal([99], part["notesWithoutPiece"]!.AsArray().Select(n => (int)n!));
    }

    [Theory]
    [InlineData("tidewater", 1)]
    [InlineData("undertow", 0)]
    public async Task Midi_OfAMelodyAndDrums_SuggestsThePartThatSuitsTheInstrument(string channel, int suggested)
    {
        // Three notes on channel 1, of which one is a piece of the kit, and one hit on channel 10.
        byte[] events = [0, 0x90, 38, 90, 0x30, 0x80, 38, 0, 0, 0x90, 50, 90, 0x30, 0x80, 50, 0, 0, 0x90, 55, 90, 0x30, 0x80, 55, 0, 0, 0x99, 36, 100, 0x30, 0x89, 36, 0, 0, 0xFF, 0x2F, 0];
        byte[] file = [.. "MThd"u8, 0, 0, 0, 6, 0, 0, 0, 1, 0, 96, .. "MTrk"u8, 0, 0, 0, (byte)events.Length, .. events];

        Assert.Equal(suggested, (int)(await RunningServer.JsonOf(await SendAsync("midi", channel, file)))["suggested"]!);
    }

    [Fact]
    public async Task Midi_PatternOfTheAnswer_CanBePutInAsItIs()
    {
        var id = await server.TemplateAsync("Night Ferry");
        var pattern = (await RunningServer.JsonOf(await SendAsync("midi", "tidewater", Drums)))["parts"]![0]!["pattern"]!;
        var revision = (int)(await server.GetAsync($"/api/documents/{id}"))["head"]!["revision"]!;

        var answer = await server.EditAsync(id, revision, new { type = "put-pattern", channel = "tidewater", pattern });

        Assert.Equal(HttpStatusCode.OK, answer.StatusCode);
    }

    [Theory]
    [InlineData("midi", "not a midi file at all", "not-midi")]
    [InlineData("kit-file", "name,note\nKick,36", "columns")]
    public async Task File_ThatIsWrong_IsRefusedInWords(string what, string text, string code)
    {
        var answer = await SendAsync(what, "tidewater", Encoding.UTF8.GetBytes(text));

        Assert.Equal(HttpStatusCode.UnprocessableEntity, answer.StatusCode);
        Assert.Equal(code, (await RunningServer.JsonOf(answer))["code"]!.ToString());
    }

    [Fact]
    public async Task File_ThatIsHuge_IsRefused_AndChangesNothing()
    {
        var id = await server.TemplateAsync("Night Ferry");
        var before = (await server.GetAsync($"/api/documents/{id}")).ToJsonString();
        var huge = new byte[2 * MidiReader.MostBytes];
        Drums.CopyTo(huge, 0);

        var answer = await SendAsync("midi", "tidewater", huge);

        Assert.Equal(HttpStatusCode.RequestEntityTooLarge, answer.StatusCode);
        Assert.Equal("too-large", (await RunningServer.JsonOf(answer))["code"]!.ToString());
        Assert.Equal(before, (await server.GetAsync($"/api/documents/{id}")).ToJsonString());
    }

    [Fact]
    public async Task File_BeyondWhatTheServerTakes_IsRefused()
    {
        using var request = new HttpRequestMessage(HttpMethod.Post, "/api/templates/from-document") { Content = new ByteArrayContent(new byte[70 * 1024 * 1024]) };
        // The client asks before it sends, so that the answer is not lost in a broken connection.
        request.Headers.ExpectContinue = true;

        var answer = await server.Client.SendAsync(request);

        Assert.Equal(HttpStatusCode.RequestEntityTooLarge, answer.StatusCode);
    }

    [Fact]
    public async Task KitTable_GivesPiecesForTheKit()
    {
        var kit = (await RunningServer.JsonOf(await SendAsync("kit-file", "tidewater", "name,note,family,output\nKick,36,drums/kick,2\n"u8.ToArray())))["kit"]!;

        Assert.Equal(("Kick", 36, 8), (kit["pieces"]![0]!["name"]!.ToString(), (int)kit["pieces"]![0]!["note"]!, kit["outputs"]!.AsArray().Count));
    }

    [Fact]
    public async Task KitNames_AreReadAndWritten_AndATableIsReadBackAsItWas()
    {
        var path = $"/api/documents/{await server.TemplateAsync("Night Ferry")}/channels/tidewater";
        var names = await server.Client.GetByteArrayAsync($"{path}/kit.midnam");
        var table = await server.Client.GetByteArrayAsync($"{path}/kit.csv");

        var byNames = (await RunningServer.JsonOf(await SendAsync("kit-file", "tidewater", names)))["kit"]!["pieces"]!;
        var byTable = (await RunningServer.JsonOf(await SendAsync("kit-file", "tidewater", table)))["kit"]!["pieces"]!;

        var now = (await server.GetAsync($"/api/documents/{await server.TemplateAsync("Night Ferry")}"))["channels"]!.AsArray().Single(c => c!["channel"]!["id"]!.ToString() == "tidewater")!["channel"]!["source"]!["kit"]!["pieces"]!;
        Assert.Equal(now.ToJsonString(), byNames.ToJsonString());
        Assert.Equal(now.ToJsonString(), byTable.ToJsonString());
    }

    [Fact]
    public async Task ASampledKit_IsPutOnTheShelfWhenItIsApplied_NotWhenItIsLookedAt()
    {
        using var upload = new MemoryStream();
        using (var zip = new ZipArchive(upload, ZipArchiveMode.Create, leaveOpen: true))
        {
            void Add(string name, byte[] bytes)
            {
                using var entry = zip.CreateEntry(name).Open();
                entry.Write(bytes);
            }

            Add("kit.sfz", "<region> key=36 region_label=Thud sample=thud.wav output=0"u8.ToArray());
            using var wave = new MemoryStream();
            WaveWriter.Write(new([.. Enumerable.Range(0, 4800).Select(i => 0.5f)], [.. Enumerable.Range(0, 4800).Select(i => 0.5f)], 48000, 0), WaveDepth.Int24, wave);
            Add("thud.wav", wave.ToArray());
        }

        var answer = await RunningServer.JsonOf(await SendAsync("kit-file", "tidewater", upload.ToArray()));

        var piece = Assert.Single(answer["kit"]!["pieces"]!.AsArray())!;
        Assert.Equal(("Thud", 36, 1, "drums/kick"), (piece["name"]!.ToString(), (int)piece["note"]!, (int)piece["microphones"]![0]!["output"]!, piece["family"]!.ToString()));
        var content = piece["sample"]!["content"]!.ToString();
        // A look keeps nothing; the edit that puts the kit in does.
        Assert.DoesNotContain((await server.GetAsync("/api/media")).AsArray(), m => m!["content"]!.ToString() == content);
        var id = await server.TemplateAsync("Night Ferry");
        var head = (await server.GetAsync($"/api/documents/{id}"))["head"]!;
        var put = await server.EditAsync(id, (int)head["revision"]!, new { type = "set-source", channel = "tidewater", source = new { type = "instrument", instrument = "tidewater", kit = answer["kit"] } });
        Assert.Equal(HttpStatusCode.UnprocessableEntity, put.StatusCode);
        var fresh = await server.NewTemplateAsync();
        var added = await server.EditAsync(fresh, 0, new { type = "add-channel", channel = new { id = "kit", name = "Kit", kind = "instrument", destination = "mix-bus", source = new { type = "instrument", instrument = "tidewater-kit", kit = answer["kit"] } } });
        Assert.True(added.IsSuccessStatusCode, await added.Content.ReadAsStringAsync());
        Assert.Contains((await server.GetAsync("/api/media")).AsArray(), m => m!["content"]!.ToString() == content);
    }

    [Fact]
    public async Task AnSfzAndItsSamples_ComeAsThePartsOfAForm_UnderTheirPaths()
    {
        using var wave = new MemoryStream();
        WaveWriter.Write(new([.. Enumerable.Repeat(0.25f, 3000)], [.. Enumerable.Repeat(-0.25f, 3000)], 44100, 0), WaveDepth.Int24, wave);
        using var form = new MultipartFormDataContent
        {
            { new ByteArrayContent("<control> default_path=../taps/ <region> key=41 region_label=Cistern sample=cistern.wav"u8.ToArray()), "file", "Pipes/maps/pipes.sfz" },
            { new ByteArrayContent(wave.ToArray()), "file", "Pipes/taps/cistern.wav" },
        };

        var answer = await RunningServer.JsonOf(await server.Client.PostAsync($"/api/documents/{await server.TemplateAsync("Night Ferry")}/channels/tidewater/kit-file", form));

        Assert.Empty(answer["leftOut"]!.AsArray());
        var piece = Assert.Single(answer["kit"]!["pieces"]!.AsArray())!;
        Assert.Equal(("Cistern", 41, 44100), (piece["name"]!.ToString(), (int)piece["note"]!, (int)piece["sample"]!["sampleRateHz"]!));
    }

    /// <summary>The opcode "output" counts pairs from 0 (SFZ 2, as it is in common use).</summary>
    [Fact]
    public async Task TheOutputsOfAnSfz_ArePairs_AndAMachineLeavesByThem()
    {
        using var form = new MultipartFormDataContent
        {
            { new ByteArrayContent("<region> key=41 region_label=Cistern sample=a.wav <region> key=45 region_label=Ladle sample=b.wav output=2"u8.ToArray()), "file", "pipes.sfz" },
        };

        var answer = await RunningServer.JsonOf(await server.Client.PostAsync($"/api/documents/{await server.NewTemplateAsync()}/machines/kit-file", form));

        var kit = answer["kit"]!;
        Assert.Equal((2, 1, 3), ((int)answer["outputsSaid"]!, (int)kit["pieces"]![0]!["microphones"]![0]!["output"]!, (int)kit["pieces"]![1]!["microphones"]![0]!["output"]!));
        Assert.Equal(["stereo", "stereo", "stereo"], kit["outputs"]!.AsArray().Select(o => o!["format"]!.ToString()));
    }

    [Fact]
    public async Task AnSfzWithMoreSoundThanIsTaken_IsRefused_AndSaysHowMuchIs()
    {
        using var form = new MultipartFormDataContent
        {
            { new ByteArrayContent("<region> key=41 sample=long.wav"u8.ToArray()), "file", "long.sfz" },
            { new ByteArrayContent(new byte[SfzReader.MostBytes]), "file", "long.wav" },
        };

        var answer = await server.Client.PostAsync($"/api/documents/{await server.TemplateAsync("Night Ferry")}/channels/tidewater/kit-file", form);

        Assert.Contains("48 MB", (await RunningServer.JsonOf(answer))["detail"]!.ToString(), StringComparison.Ordinal);
    }

    [Theory]
    [InlineData("bass")]
    [InlineData("nobody")]
    [InlineData("NOT-AN-ID")]
    public async Task File_ForAChannelThatPlaysNoKit_IsNotFound(string channel)
    {
        Assert.Equal(HttpStatusCode.NotFound, (await SendAsync("kit-file", channel, [])).StatusCode);
    }

    private async Task<HttpResponseMessage> SendAsync(string what, string channel, byte[] bytes) =>
        await server.Client.PostAsync($"/api/documents/{await server.TemplateAsync("Night Ferry")}/channels/{channel}/{what}", new ByteArrayContent(bytes));
}
