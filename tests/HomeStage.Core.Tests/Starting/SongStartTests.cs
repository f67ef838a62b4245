using HomeStage.Core.Catalogue;
using HomeStage.Core.Editing;
using HomeStage.Core.Starting;
using HomeStage.Core.Studios;
using HomeStage.Core.Templates;
using static HomeStage.TestKit.Stages;

namespace HomeStage.Core.Tests.Starting;

/// <summary>What a song is when it begins, worked out by hand.</summary>
public class SongStartTests
{
    private static readonly Studio Room = new(new("Shed", ["Left wall", "Right wall", "", ""], ["L", "R"], 128));

    private static readonly Template From = OneBar(
        Sung("alto", new InputSource(11)), Sung("tenor", null), Sung("organ", new InputSource(3, 4)), new SetFormat(new("organ"), ChannelFormat.Stereo),
        Tone("keys", "mix-bus"), new PutPattern(new("keys"), new("Held", 1920, [new(0, 960, 60, 90)], ["song"])),
        Sung("keys-print", null), new PutStarter(new("keys-print"), new("Print", new(new('a', 64), "Keys", 48000, 2, 96000), false, new(0), []) { Through = true }),
        new AddInsert(new("alto"), Insert("tune", ProcessorCatalogue.PitchCorrection) with { WaitsFor = new(WaitReason.SongKey) }));

    [Fact]
    public void InputsThatTheStudioHasNot_TakeWhatIsFree_AndThoseThatItHasStay()
    {
        var song = Started(new("Gale"), Room);

        Assert.Equal((1, "Left wall"), InputOf(song, "alto") is var alto ? (alto.First, alto.FirstName) : default);
        Assert.Equal((3, (int?)4, null), InputOf(song, "organ") is var organ ? (organ.First, organ.Second, organ.FirstName) : default);
        Assert.Null(song.Channels[new ChannelId("tenor")].Source);
        Assert.Equal(["alto"], SongStart.InputsToSay(From, Room).Select(l => l.Channel.Value));
        Assert.Equal(["tenor"], SongStart.WithoutInput(From).Select(c => c.Id.Value));
        // Nobody knows of a studio: everything stays.
        Assert.Equal(11, InputOf(Started(new("Gale"), null), "alto").First);
    }

    [Fact]
    public void AnInputThatIsSaid_IsTaken_ByAStereoChannelWithTheNext()
    {
        var song = Started(new("Gale") { Inputs = [new(new("tenor"), 2), new(new("organ"), 1), new(new("alto"), 4)] }, Room);

        Assert.Equal(("Right wall", true), InputOf(song, "tenor") is var tenor ? (tenor.FirstName, tenor.Monitored) : default);
        Assert.Equal((1, (int?)2, "Right wall"), InputOf(song, "organ") is var organ ? (organ.First, organ.Second, organ.SecondName) : default);
        Assert.Equal(4, InputOf(song, "alto").First);
        Assert.Equal("unknown-channel", Refused(new("Gale") { Inputs = [new(new("gone"), 2)] }).Code);
        Assert.Equal("out-of-range", Refused(new("Gale") { Inputs = [new(new("tenor"), 0)] }).Code);
    }

    [Fact]
    public void WhatIsCounted_IsTheTemplates_OrTheSongsOwn()
    {
        Assert.Null(Started(new("Gale"), Room).Timeline.CountIn);
        Assert.Equal(new(1, true), Started(new("Gale") { CountIn = new(1, true) }, Room).Timeline.CountIn);
        Assert.Equal("out-of-range", Refused(new("Gale") { CountIn = new(-1) }).Code);
    }

    [Fact]
    public void PrintsStay_OrGo()
    {
        Assert.Single(Started(new("Gale"), Room).Channels[new ChannelId("keys-print")].Starters);
        Assert.Empty(Started(new("Gale") { WithoutPrints = [new("keys-print")] }, Room).Channels[new ChannelId("keys-print")].Starters);
        Assert.Equal(["keys-print"], SongStart.WithPrints(From).Select(c => c.Id.Value));
    }

    [Fact]
    public void TheKeyWakesWhatWaitedForIt_AndTitleTempoMeterAndSectionsAreTheSongsOwn()
    {
        var song = Started(new(" Gale ") { TempoBpm = 71.5, Meter = new(6, 8), Sections = "song 12, Storm 4; Calm", Key = new(-3, false) }, Room);

        Assert.Equal(("Gale", 71.5, new Core.Timing.Meter(6, 8)), (song.Name, song.Timeline.TempoBpm, song.Timeline.Meter));
        // The section that is called as one there is that one: what plays in it plays on.
        Assert.Equal([("song", "Song", 12), ("storm", "Storm", 4), ("calm", "Calm", 8)], song.Timeline.Sections.Select(s => (s.Id, s.Name, s.Bars)));
        Assert.Equal(["song"], song.Channels[new ChannelId("keys")].Patterns.Single(p => p.Notes[0].LengthTicks == 960).Sections);
        Assert.False(song.Channels[new ChannelId("alto")].Inserts[0].IsIdle(song));
        Assert.True(Started(new("Gale"), Room).Channels[new ChannelId("alto")].Inserts[0].IsIdle(From));
        Assert.Equal("missing", Refused(new("Gale") { Sections = " , " }).Code);
        var storm = Started(new("Gale") { Sections = "Song, Storm 4 5/8 140 BPM" }, Room).Timeline.Sections[1];
        Assert.Equal((4, 140.0, new Core.Timing.Meter(5, 8)), (storm.Bars, storm.TempoBpm, storm.Meter));
        Assert.NotNull(Refused(new("Gale") { Sections = "Storm 4 5/7" }));
        Assert.NotNull(Refused(new("  ")));
    }

    private static Template Started(SongWish wish, Studio? studio)
    {
        var (song, why) = SongStart.Of(From, wish, studio);
        Assert.True(song is not null, why?.Sentence);
        return song;
    }

    private static Refusal Refused(SongWish wish) => SongStart.Of(From, wish, Room).Why!;

    private static InputSource InputOf(Template song, string channel) => (InputSource)song.Channels[new ChannelId(channel)].Source!;

    private static AddChannel Sung(string id, InputSource? input) => new(new()
    {
        Id = new(id),
        Name = id,
        Kind = ChannelKind.Audio,
        Format = input?.Second is null ? ChannelFormat.Mono : ChannelFormat.Stereo,
        Destination = EmptyStage.MixBus,
        Source = input,
    });
}
