using System.Net;
using System.Net.Http.Json;
using HomeStage.Core.Media;
using HomeStage.Formats.Wave;
using HomeStage.Server.Jobs;
using Microsoft.Extensions.DependencyInjection;
using NAudio.Midi;

namespace HomeStage.Server.Tests;

/// <summary>The line check from outside by its addresses: what goes out, what is refused, what is left on the disk. What it finds is tested in the core and in the browser.</summary>
public sealed class OutsideApiTests(RunningServer server) : IClassFixture<RunningServer>
{
    [Fact]
    public async Task TheTest_IsAMidiFile_WithATrackForEachPlayer_AndAMarkerForEachSlot()
    {
        var id = await server.TemplateAsync("First Rehearsal");
        var plan = await server.GetAsync($"/api/documents/{id}/outside-test");

        using var bytes = new MemoryStream(await server.Client.GetByteArrayAsync($"/api/documents/{id}/outside-test/midi"));
        var file = new MidiFile(bytes, strictChecking: true);

        var sources = (int)plan["sources"]!;
        var events = Enumerable.Range(0, file.Tracks).SelectMany(t => file.Events[t]).ToList();
        // An empty bar comes first; each source is struck twice.
        Assert.Equal(sources + 1, events.OfType<TextEvent>().Count(e => e.MetaEventType == MetaEventType.Marker));
        Assert.Equal(2 * sources, events.OfType<NoteOnEvent>().Count(e => e.Velocity > 0));
        var names = events.OfType<TextEvent>().Where(e => e.MetaEventType == MetaEventType.SequenceTrackName).Select(e => e.Text).ToList();
        Assert.All((await server.GetAsync($"/api/documents/{id}"))["channels"]!.AsArray().Select(c => c!["channel"]!).Where(c => c["kind"]!.ToString() == "instrument").Select(c => c["name"]!.ToString()), n => Assert.Contains(n, names));
    }

    [Fact]
    public async Task ACheck_TakesRecordingsByName_AndAnswersOfThem()
    {
        var (check, _) = await ReadyAsync("Two Voices and a Reed Organ");
        Assert.Equal(HttpStatusCode.UnprocessableEntity, (await AnswerAsync(check)).StatusCode);

        var silent = PlainWave.Of(new MediaSound([new float[44100 * 12]], 44100));
        Assert.Equal(0, (int)(await RunningServer.JsonOf(await TakeAsync(check, "Main.wav", silent)))["place"]!);
        Assert.Equal(1, (int)(await RunningServer.JsonOf(await TakeAsync(check, "Noise.wav", silent)))["place"]!);
        // The same file again takes its own place.
        Assert.Equal(0, (int)(await RunningServer.JsonOf(await TakeAsync(check, "Main.wav", silent)))["place"]!);

        var answer = await RunningServer.JsonOf(await AnswerAsync(check));
        Assert.Equal("main", answer["recordings"]![0]!["channel"]!.ToString());
        Assert.Null(answer["recordings"]![1]!["channel"]);
        Assert.Equal((int)(await server.GetAsync($"/api/documents/{await server.TemplateAsync("Two Voices and a Reed Organ")}"))["head"]!["revision"]!, (int)answer["revision"]!);
        Assert.All(answer["findings"]!.AsArray(), f => Assert.Equal("missing", f!["kind"]!.ToString()));
        Assert.NotEmpty(answer["findings"]!.AsArray());
        Assert.Equal(HttpStatusCode.UnprocessableEntity, (await AnswerAsync(check, new { recording = 7, channel = "main" })).StatusCode);
        Assert.Equal(HttpStatusCode.UnprocessableEntity, (await AnswerAsync(check, new { recording = 0, channel = "nobody" })).StatusCode);
        Assert.Equal(HttpStatusCode.UnprocessableEntity, (await AnswerAsync(check, new { recording = 0, channel = "main" }, new { recording = 1, channel = "main" })).StatusCode);
    }

    [Theory]
    [InlineData("no sound at all", "")]
    [InlineData("fLaC and more", "FLAC")]
    public async Task AFileThatIsNoRecording_IsRefusedInWords(string content, string words)
    {
        var (check, _) = await ReadyAsync("Two Voices and a Reed Organ");

        var answer = await TakeAsync(check, "x.wav", System.Text.Encoding.ASCII.GetBytes(content));

        Assert.Equal(HttpStatusCode.UnprocessableEntity, answer.StatusCode);
        Assert.Contains(words, (await RunningServer.JsonOf(answer))["detail"]!.ToString(), StringComparison.Ordinal);
    }

    [Fact]
    public async Task ARecordingOfHours_IsRefused()
    {
        var (check, _) = await ReadyAsync("Two Voices and a Reed Organ");

        var answer = await TakeAsync(check, "long.wav", PlainWave.Of(1, 8000, 16, isFloat: false, new byte[8000 * 2 * 31 * 60], swaps: false));

        Assert.Contains("30 minutes", (await RunningServer.JsonOf(answer))["detail"]!.ToString(), StringComparison.Ordinal);
    }

    [Fact]
    public async Task ARecordingOfHighRate_IsTaken_ThoughItIsLargerThanOtherSounds()
    {
        var (check, _) = await ReadyAsync("Two Voices and a Reed Organ");

        var answer = await TakeAsync(check, "high.wav", PlainWave.Of(2, 192000, 32, isFloat: true, new byte[192000 * 8 * 50], swaps: false));

        Assert.Equal(50.0, (double)(await RunningServer.JsonOf(answer))["seconds"]!, 0.1);
    }

    [Fact]
    public async Task AStageWithNothingToFire_IsRefused_AndWhatIsNotThereIsNotFound()
    {
        var empty = await server.NewTemplateAsync();

        Assert.Equal(HttpStatusCode.UnprocessableEntity, (await server.Client.PostAsJsonAsync("/api/outside-checks", new { document = empty })).StatusCode);
        Assert.Equal(HttpStatusCode.NotFound, (await server.Client.PostAsJsonAsync("/api/outside-checks", new { document = "nobody" })).StatusCode);
        Assert.Equal(HttpStatusCode.NotFound, (await server.Client.GetAsync("/api/outside-checks/nobody")).StatusCode);
        Assert.Equal(HttpStatusCode.NotFound, (await server.Client.GetAsync($"/api/documents/{empty}/outside-test?act=nowhere")).StatusCode);
        Assert.Equal(HttpStatusCode.NotFound, (await TakeAsync("nobody", "x.wav", [1])).StatusCode);
    }

    [Fact]
    public async Task ACheckThatIsLetGoBeforeItIsReady_LeavesNothingOnTheDisk()
    {
        var id = await server.TemplateAsync("Night Ferry");
        var folder = Path.GetDirectoryName(server.Services.GetRequiredService<ScratchFolder>().Fresh())!;
        var before = Directory.GetFileSystemEntries(folder).Length;

        var check = (await RunningServer.JsonOf(await server.Client.PostAsJsonAsync("/api/outside-checks", new { document = id })))["id"]!.ToString();
        for (var i = 0; i < 200 && Directory.GetFileSystemEntries(folder).Length == before; i++)
            await Task.Delay(20, TestContext.Current.CancellationToken);
        await server.Client.DeleteAsync($"/api/outside-checks/{check}");

        for (var i = 0; i < 200 && Directory.GetFileSystemEntries(folder).Length != before; i++)
            await Task.Delay(50, TestContext.Current.CancellationToken);
        Assert.Equal(before, Directory.GetFileSystemEntries(folder).Length);
    }

    private async Task<(string Check, string Document)> ReadyAsync(string template)
    {
        var id = await server.TemplateAsync(template);
        var check = (await RunningServer.JsonOf(await server.Client.PostAsJsonAsync("/api/outside-checks", new { document = id })))["id"]!.ToString();
        await server.WaitAsync($"/api/outside-checks/{check}");
        return (check, id);
    }

    private Task<HttpResponseMessage> TakeAsync(string check, string name, byte[] file) => server.Client.PostAsync($"/api/outside-checks/{check}/recordings?name={name}", new ByteArrayContent(file));

    private Task<HttpResponseMessage> AnswerAsync(string check, params object[] said) => server.Client.PostAsJsonAsync($"/api/outside-checks/{check}/answer", new { said });
}
