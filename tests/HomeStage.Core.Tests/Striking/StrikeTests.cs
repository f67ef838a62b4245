using HomeStage.Core.Automation;
using HomeStage.Core.Catalogue;
using HomeStage.Core.Editing;
using HomeStage.Core.Media;
using HomeStage.Core.Soundcheck;
using HomeStage.Core.Soundcheck.Findings;
using HomeStage.Core.Striking;
using HomeStage.Core.Templates;
using HomeStage.TestKit;
using static HomeStage.TestKit.Stages;

namespace HomeStage.Core.Tests.Striking;

/// <summary>A finished song by hand, and what is left of it.</summary>
public class StrikeTests
{
    private static readonly MediaRef Tape = new(new('c', 64), "Tape", 44100, 2, 400_000);

    private static readonly Template Song = OneBar(
        Bus("strings", "mix-bus"), Return("barn", "mix-bus"), Return("tin", "mix-bus"), Bus("press", "mix-bus", Insert("squash", ProcessorCatalogue.Compressor) with { Key = new(true) }),
        Take("f1", "Fiddle close tk1", "strings"), Take("f2", "Fiddle close tk2 keep", "strings"), Take("f3", "Fiddle close tk3", "strings"),
        new PutSend(new("f1"), new(new("barn"), new(-9), TapPoint.Post, Open: false)), new PutFeed(new("f3"), new(new("press"), new("squash"), new(-2))),
        new AddInsert(new("f3"), Insert("eq", ProcessorCatalogue.Equaliser)),
        Take("c", "Choir_01", "mix-bus"), Take("c2", "Choir_02", "mix-bus"),
        Tone("pump", "mix-bus"), new RenameChannel(new("pump"), "Pump organ"), new SetMute(new("pump"), true), Take("pp", "Pump organ PRINT", "mix-bus"),
        Take("lost", "Zither bounce", "mix-bus"),
        Tone("key", "mix-bus"), new AddPrintTwin(new("key")), new PutStarter(new("key-print"), new("Print", Tape, false, new(0), ["song"]) { Through = true }),
        new SetLevel(new("c"), new(-7.5)), new SetPan(new("c2"), 0.3),
        new PutShape(new("c"), new(new LevelTarget(), "song", [new(0, -20), new(1, -3)])),
        new AddInsert(new("c"), Insert("a", ProcessorCatalogue.Saturator)), new AddInsert(new("c"), Insert("b", ProcessorCatalogue.Saturator)), new AddInsert(new("c"), Insert("d", ProcessorCatalogue.Saturator) with { Off = true }),
        Trigger("pulse"), new PutFeed(new("pulse"), new(new("press"), new("squash"), new(0))),
        new SetMusicalKey(new(2, false))) with
    { Name = "Low water" };

    [Fact]
    public void OfTakesOneStays_CalledAfterWhatItIs_WithWhatTheOthersWereJoinedTo()
    {
        var struck = Struck(new("Bare"));
        var fiddle = struck.Channels.Single(c => c.Destination == new ChannelId("strings"));

        Assert.Equal(("f2", "Fiddle close"), (fiddle.Id.Value, fiddle.Name));
        Assert.Equal([new Send(new("barn"), new(-9), TapPoint.Post, Open: false)], fiddle.Sends);
        Assert.Equal([new SidechainFeed(new("press"), new("squash"), new(-2))], fiddle.Feeds);
        Assert.Equal([ProcessorCatalogue.Equaliser], fiddle.Inserts.Select(i => i.Processor));
        Assert.Empty(struck.Accepted);
        // Numbers alone are parts, not takes.
        Assert.Equal(["Choir_01", "Choir_02"], struck.Channels.Where(c => c.Name.StartsWith("Choir", StringComparison.Ordinal)).Select(c => c.Name));
    }

    [Fact]
    public void PrintsGo_WhatTheyStoodForComesBack_AndTheOnlyTraceOfAChannelStays()
    {
        var struck = Struck(new("Bare"));

        Assert.False(struck.Channels.Contains(new("pp")));
        Assert.False(struck.Channels[new ChannelId("pump")].Muted);
        Assert.Equal("Zither", struck.Channels[new ChannelId("lost")].Name);
        // One that was made in the song goes with what it holds, unless somebody says otherwise.
        Assert.False(struck.Channels.Contains(new("key-print")));
        Assert.Null(struck.Channels[new ChannelId("key")].PrintTwin);
        Assert.Empty(Struck(new("Bare") { Otherwise = ["prints/key-print"] }).Channels[new ChannelId("key-print")].Starters);
    }

    /// <summary>A channel for prints that the template had, or to which nothing was printed, is a channel of the template; what it holds is not.</summary>
    [Fact]
    public void AChannelForPrintsThatWasSetUp_Stays_AndWhatRestedForItComesBackAsItWas()
    {
        var begun = OneBar(Tone("key", "mix-bus"), new AddPrintTwin(new("key")), Tone("idle", "mix-bus"), new AddPrintTwin(new("idle")));
        var write = begun.Acts[0].Id;
        var song = begun.With(
            new PutStarter(new("key-print"), new("Print", Tape, false, new(0), ["song"]) { Through = true }),
            new SetStage(new("key-print"), write, StageState.OnStage), new SetStage(new("key"), write, StageState.InTheWings), new SetStage(new("idle"), write, StageState.InTheWings));

        var struck = Struck(new("Bare"), song, begun);

        StageState In(Template t, string id) => t.Channels[new ChannelId(id)].StageIn(write);
        Assert.Equal(new ChannelId("key-print"), struck.Channels[new ChannelId("key")].PrintTwin);
        Assert.Empty(struck.Channels[new ChannelId("key-print")].Starters);
        Assert.Equal((StageState.OnStage, In(begun, "key-print")), (In(struck, "key"), In(struck, "key-print")));
        // Nothing was printed of this one, so it rests because somebody wanted it to.
        Assert.Equal(StageState.InTheWings, In(struck, "idle"));
        Assert.True(Struck(new("Bare"), song with { Name = "Elsewhere" }).Channels.Contains(new("idle-print")));
    }

    [Fact]
    public void AtRest_AChannelIsAsTheTemplateHadIt_ThatTheSongBeganFrom()
    {
        var begun = OneBar(Tone("a", "mix-bus"), Tone("b", "mix-bus"), new SetLevel(new("a"), new(-4)), new SetPan(new("a"), -0.5), new SetMute(new("b"), true));
        var song = begun.With(new SetLevel(new("a"), new(-11)), new SetPan(new("a"), 0), new SetMute(new("b"), false), Tone("c", "mix-bus"), new SetLevel(new("c"), new(3)));

        var struck = Struck(new("Bare"), song, begun);
        (double, double, bool) Of(string id) => struck.Channels[new ChannelId(id)] is var c ? (c.Level.Value, c.Pan, c.Muted) : default;

        Assert.Equal([(-4, -0.5, false), (0, 0, true), (0, 0, false)], new[] { Of("a"), Of("b"), Of("c") });
        Assert.Equal(["Tone a: −11 dB → −4 dB, centre → 50 % left", "Tone b: open → muted", "Tone c: +3 dB"], Strike.Of(new(song, begun, []), new("Bare")).Report!.Lines.Where(l => l.Group == StrikeGroup.Levels).Select(l => l.Words));
        Assert.Equal([], LeftIn(struck, song));
    }

    [Fact]
    public void NotesSoundsCurvesGo_FadersRest_TheKeyWaits_UnusedReturnsAndDoubledInsertsGo()
    {
        var struck = Struck(new("Bare"));

        Assert.All(struck.Channels, c => Assert.True(c is { Starters.Count: 0, Shapes.Count: 0, Level.Value: 0, Pan: 0, Muted: false }, c.Name));
        // What a trigger plays is no music: without it nothing would duck.
        Assert.Equal(["pulse"], struck.Channels.Where(c => c.Patterns.Count > 0).Select(c => c.Id.Value));
        Assert.Null(struck.Key);
        Assert.Equal((120, 8), (struck.Timeline.TempoBpm, struck.Timeline.Sections[0].Bars));
        Assert.False(struck.Channels.Contains(new("tin")));
        // The second is as the first; the third as well, though it is off.
        Assert.Equal(["a"], struck.Channels[new ChannelId("c")].Inserts.Select(i => i.Id.Value));
    }

    [Fact]
    public void WhatIsToStay_Stays_AndIsNoFinding()
    {
        var all = new StrikeWish("All") { Starters = true, Levels = true, Tempo = true, Key = true, CountIn = true };
        var struck = Struck(all with { Otherwise = ["takes/f1", "curves/c", "returns/tin", "inserts/c/b"] });

        Assert.Equal(["Held"], struck.Channels[new ChannelId("key")].Patterns.Select(p => p.Name));
        Assert.Equal((-7.5, 0.3), (struck.Channels[new ChannelId("c")].Level.Value, struck.Channels[new ChannelId("c2")].Pan));
        Assert.Equal((Song.Key, Song.Timeline), (struck.Key, struck.Timeline));
        Assert.Single(struck.Channels[new ChannelId("c")].Shapes);
        Assert.True(struck.Channels.Contains(new("tin")));
        Assert.Equal(["a", "b"], struck.Channels[new ChannelId("c")].Inserts.Select(i => i.Id.Value));
        // A take that stays is a channel of its own, under a name that is free.
        Assert.Equal(["Fiddle close", "Fiddle close 2"], struck.Channels.Where(c => c.Destination == new ChannelId("strings")).Select(c => c.Name).Order());
        Assert.Equal([], LeftIn(struck, Song));
        Assert.Contains("levels-left/", struck.Accepted.Keys);
    }

    [Fact]
    public void WhatTheTemplateHad_ThatTheSongBeganFrom_IsNoTakeAndStays()
    {
        var begun = Song with { Name = "Begun", Timeline = Song.Timeline with { TempoBpm = 77 }, Key = null };
        var song = Song.With(new PutPattern(new("key"), new("Written", 960, [new(0, 10, 50, 50)], [])));

        var struck = Struck(new("Bare"), song, begun);

        Assert.Equal(["Fiddle close tk1", "Fiddle close tk2 keep", "Fiddle close tk3"], struck.Channels.Where(c => c.Destination == new ChannelId("strings")).Select(c => c.Name));
        Assert.Equal(["Held"], struck.Channels[new ChannelId("key")].Patterns.Select(p => p.Name));
        Assert.Equal(77, struck.Timeline.TempoBpm);
        Assert.Equal([], LeftIn(struck, song));
    }

    [Fact]
    public void EveryFigureOfTheReport_IsWhatComesOutByCounting()
    {
        var (report, _) = Strike.Of(new(Song, null, [new(new("c"), 7, 2), new(new("f1"), 3, 0)]), new("Bare"));
        var (before, after) = (report!.Before, report.After);
        int Going(StrikeGroup group) => report.Lines.Where(l => l.Group == group && l.Goes && !l.Key.EndsWith("/elsewhere", StringComparison.Ordinal)).Sum(l => l.Count);

        Assert.Equal(before.Channels - after.Channels, Going(StrikeGroup.Takes) + Going(StrikeGroup.Prints) + Going(StrikeGroup.Returns));
        Assert.Equal((2, 2, 1), (Going(StrikeGroup.Takes), Going(StrikeGroup.Prints), Going(StrikeGroup.Returns)));
        Assert.Equal((before.Patterns - after.Patterns, before.Sounds - after.Sounds, before.Curves - after.Curves), (Going(StrikeGroup.Notes), Going(StrikeGroup.Sounds), Going(StrikeGroup.Curves)));
        Assert.Equal((2, 1, 1), (Going(StrikeGroup.Notes), Going(StrikeGroup.Sounds), Going(StrikeGroup.Curves)));
        Assert.Equal(2, Going(StrikeGroup.Inserts));
        Assert.Equal(10, report.Lines.Where(l => l.Group == StrikeGroup.Sounds && l.Key.EndsWith("/elsewhere", StringComparison.Ordinal)).Sum(l => l.Count));
        Assert.Equal(report.Lines.Count, report.Lines.Select(l => l.Key).Distinct().Count());
    }

    [Fact]
    public void TakesOfOneNameThatGoDifferentWays_AreTwoThings()
    {
        var song = OneBar(Bus("a", "mix-bus"), Bus("b", "mix-bus"), Take("g1", "Gong tk1", "a"), Take("g2", "Gong tk2", "b"));

        Assert.Equal(["Gong", "Gong 2"], Struck(new("Bare"), song).Channels.Where(c => c.Kind == ChannelKind.Audio).Select(c => c.Name));
    }

    [Fact]
    public void InsertsOfOneKindThatAreSetApart_AreNoDoubles()
    {
        var song = OneBar(Take("x", "Lute", "mix-bus"), new AddInsert(new("x"), Insert("a", ProcessorCatalogue.Saturator)),
            new AddInsert(new("x"), Insert("b", ProcessorCatalogue.Saturator) with { Settings = Map<double>.Empty.With("drive-db", 9) }), new AddInsert(new("x"), Insert("c", ProcessorCatalogue.Saturator)));

        Assert.Equal(3, Struck(new("Bare"), song).Channels[new ChannelId("x")].Inserts.Count);
    }

    [Fact]
    public void StartersThatStay_PlayInTheSectionsThatThereAre()
    {
        var song = OneBar(Tone("keys", "mix-bus"), new SetTimeline(new(90, new(4, 4), [new("Verse", 4), new("Song", 4, Id: "song")])),
            new PutPattern(new("keys"), new("One", 960, [new(0, 10, 50, 50)], ["verse"])), new PutPattern(new("keys"), new("Two", 960, [new(0, 10, 52, 50)], ["verse", "song"])));

        var struck = Struck(new("Bare") { Starters = true }, song);

        Assert.Equal([("Held", ""), ("One", ""), ("Two", "song")], struck.Channels[new ChannelId("keys")].Patterns.Select(p => (p.Name, string.Join(' ', p.Sections))));
        Assert.Equal(["verse"], Struck(new("Bare") { Starters = true, Tempo = true }, song).Channels[new ChannelId("keys")].Patterns.First(p => p.Name == "One").Sections);
    }

    [Fact]
    public void AChannelOfTheTemplateThatIsCalledAfterATakeNow_IsCleaned()
    {
        var begun = OneBar(Take("v", "Viola", "mix-bus"));

        Assert.Equal("Viola", Struck(new("Bare"), begun.With(new RenameChannel(new("v"), "Viola tk7 keep")), begun).Channels[new ChannelId("v")].Name);
    }

    [Fact]
    public void ATakeInABusOfItsOwnName_IsTheTakeInIt()
    {
        var song = OneBar(Bus("v", "mix-bus"), new RenameChannel(new("v"), "Viola"), Take("v1", "Viola tk1", "v"), Take("v2", "Viola comp", "v"));

        Assert.Equal([("v2", "Viola take")], Struck(new("Bare"), song).Channels.Where(c => c.Destination == new ChannelId("v")).Select(c => (c.Id.Value, c.Name)));
    }

    [Fact]
    public void AnEmptyName_IsRefused() => Assert.Equal("bad-text", Strike.Of(new(Song, null, []), new(" ")).Why!.Code);

    /// <summary>Whatever a song holds, and whatever is to stay: a template comes of it that keeps every rule and in which nothing is left; routing and strips of what stays are those of the song.</summary>
    [Theory]
    [InlineData(1)]
    [InlineData(2)]
    [InlineData(3)]
    public void AnySong_IsStruckWithoutALeftover(int seed)
    {
        var random = new Random(seed);
        for (var run = 0; run < Runs.Of(40, 600); run++)
        {
            var begun = new RandomTemplates(seed * 1000 + run).Grown(60);
            var song = new RandomTemplates(seed * 777 + run).Possible(begun, 30).After;
            song = song.Channels.Where(c => c.Kind != ChannelKind.Main && random.Next(3) == 0).Aggregate(song, (t, c) => t.With(new RenameChannel(c.Id, $"{c.Kind} {random.Next(4)} {(random.Next(3) == 0 ? "print" : $"tk{random.Next(3)}")}")));
            StrikeWish wish = new("Struck") { Starters = random.Next(2) == 0, Levels = random.Next(2) == 0, Tempo = random.Next(2) == 0, Key = random.Next(2) == 0, CountIn = random.Next(2) == 0 };
            var known = new StruckSong(song, random.Next(2) == 0 ? begun : null, []);
            var lines = Strike.Of(known, wish).Report!.Lines;
            wish = wish with { Otherwise = lines.Where(l => l.MayTurn && random.Next(5) == 0).Select(l => l.Key).ToSequence() };

            var (report, why) = Strike.Of(known, wish);

            Assert.Null(why);
            Assert.Equal([], LeftIn(report!.Template, song));
            foreach (var channel in report.Template.Channels.Where(c => c.Kind != ChannelKind.Audio))
                Assert.Equal((song.Channels[channel.Id].Destination, song.Channels[channel.Id].Source, song.Channels[channel.Id].PolarityFlipped), (channel.Destination, channel.Source, channel.PolarityFlipped));
        }
    }

    /// <summary>What the song has of its template stands as it stood there, whatever was mixed since.</summary>
    [Fact]
    public void AnySong_RestsAsItsTemplateStood()
    {
        var moved = 0;
        for (var seed = 0; seed < Runs.Of(20, 300); seed++)
        {
            var begun = new RandomTemplates(seed + 5000).Grown(60);
            var song = new RandomTemplates(seed).Possible(begun, 40).After;
            var struck = Struck(new("Bare"), song, begun);
            foreach (var channel in struck.Channels.Where(c => Capabilities.Of(c.Kind).Sounds && begun.Channels.TryGet(c.Id, out var had) && had.Name == song.Channels[c.Id].Name))
            {
                Assert.Equal((begun.Channels[channel.Id].Level, begun.Channels[channel.Id].Pan), (channel.Level, channel.Pan));
                moved += song.Channels[channel.Id].Level == channel.Level ? 0 : 1;
            }
        }

        Assert.True(moved > 5, $"{moved} were moved");
    }

    private static IEnumerable<string> LeftIn(Template struck, Template song) =>
        Report.Of(struck, struck.Acts[0].Id, Surroundings.Whole with { StruckFrom = song }).Open.Where(f => Report.GroupOf(f.Rule) == "Leftovers").Select(f => f.Sentence);

    private static Template Struck(StrikeWish wish, Template? song = null, Template? begun = null)
    {
        var (report, why) = Strike.Of(new(song ?? Song, begun, []), wish);
        Assert.Null(why);
        return report!.Template;
    }

    private static AddChannel Take(string id, string name, string feeds) => new(new() { Id = new(id), Name = name, Kind = ChannelKind.Audio, Destination = new(feeds) });
}
