using System.Net;
using HomeStage.Core.Editing;
using HomeStage.Core.Timing;
using HomeStage.Formats.Midi;
using HomeStage.TestKit;

namespace HomeStage.Server.Tests;

public class GroovesApiTests(RunningServer server) : IClassFixture<RunningServer>
{
    [Fact]
    public async Task Swing_AtATripletsShare_MovesTheSecondEighthByAThirdOfAnEighth()
    {
        var groove = await server.GetAsync("/api/grooves/swing?name=Triplet&pairTicks=960&percent=66.6667");

        Assert.Equal([0, 160], groove["steps"]!.AsArray().Select(s => (int)s!["offsetTicks"]!));
    }

    [Theory]
    [InlineData("/api/grooves/swing?name=Too+far&pairTicks=960&percent=100")]
    [InlineData("/api/grooves/swing?name=Too+long&pairTicks=99999999&percent=60")]
    [InlineData("/api/grooves/swing?name=%20&pairTicks=960&percent=60")]
    public async Task Swing_ThatCannotBe_IsRefused(string path)
    {
        Assert.Equal(HttpStatusCode.UnprocessableEntity, (await server.Client.GetAsync(path)).StatusCode);
    }

    [Fact]
    public async Task FromMidi_TakesTheFeelOfTheFile()
    {
        // Eighths at 120, each second one 48 ticks late.
        var notes = Enumerable.Range(0, 8).Select(i => new Note(480 * i + (i % 2) * 48, 200, 60, 100)).ToSequence();
        var played = Stages.OneBar(new AddChannel(Stages.Tone("t", "mix-bus").Channel with { Patterns = [new("Played", 4 * Ticks.PerQuarter, notes, [])] }));
        using var body = new ByteArrayContent(MidiWriter.Write(played));

        var groove = await RunningServer.JsonOf(await server.Client.PostAsync("/api/grooves/from-midi?name=Felt&gridTicks=480&cycleTicks=960", body));

        Assert.Equal([0, 48], groove["steps"]!.AsArray().Select(s => (int)s!["offsetTicks"]!));
    }

    [Theory]
    [InlineData(480, 1000, "bad-grid")]
    [InlineData(480, 960, "not-midi")]
    public async Task FromMidi_WhatIsNone_IsRefusedInWords(int grid, int cycle, string code)
    {
        using var body = new ByteArrayContent("no notes at all"u8.ToArray());

        var answer = await server.Client.PostAsync($"/api/grooves/from-midi?name=X&gridTicks={grid}&cycleTicks={cycle}", body);

        Assert.Equal(code, (await RunningServer.JsonOf(answer))["code"]!.ToString());
    }
}
