using FsCheck.Xunit;
using HomeStage.Core.Catalogue;
using HomeStage.Core.Editing;
using HomeStage.Core.Media;
using HomeStage.Core.Reviews;
using HomeStage.Core.Templates;
using HomeStage.Core.Timing;
using HomeStage.TestKit;
using static HomeStage.TestKit.Stages;

namespace HomeStage.Core.Tests.Reviews;

/// <summary>What songs say about their template, against songs that were made by known edits.</summary>
public class ReviewingTests
{
    private static readonly ChannelId Drums = new("drums"), Bass = new("bass"), Pads = new("pads"), Horns = new("horns");

    /// <summary>At 120: four buses, the bass with a compressor.</summary>
    private static Template Plan { get; } = EmptyStage.Create("Plan").With(
        [.. new[] { (Drums, "Drums"), (Bass, "Bass"), (Pads, "Pads"), (Horns, "Horns") }.Select(c => new AddChannel(new() { Id = c.Item1, Name = c.Item2, Kind = ChannelKind.Bus, Destination = EmptyStage.MixBus })),
            new AddInsert(Bass, new(new("comp"), ProcessorCatalogue.Compressor), null)]);

    private static IReadOnlyList<Review> Said(Template template, params Edit[][] songs) =>
        Reviewing.Of(template, [.. songs.Select((edits, i) => new ReviewedSong($"song-{i}", $"Song {i}", SongChanges.Of(Plan, Plan.With(edits))))]);

    private static Edit Level(ChannelId channel, double db) => new SetLevel(channel, new(db));

    private static Edit Tempo(double bpm) => new SetTimeline(TimelineWish.Of(Plan.Timeline) with { TempoBpm = bpm });

    [Fact]
    public void AFaderThatMostMoveTheSameWay_IsSaid_WithItsMiddleAndSpread()
    {
        var review = Assert.Single(Said(Plan, [Level(Bass, -2)], [Level(Bass, -3)], [Level(Bass, -5)], [Level(Bass, 1)], [Level(Drums, -4)]));

        Assert.Equal("review/level/bass", review.Key);
        Assert.Equal("Bass was turned down in 3 of 5 songs, by 3 dB in the middle (2 to 5).", review.Sentence);
        Assert.Equal([("song-0", "0.0 dB → −2.0 dB"), ("song-1", "0.0 dB → −3.0 dB"), ("song-2", "0.0 dB → −5.0 dB")], review.Songs.Select(s => (s.Song, s.Words)));
        Assert.Equal([Level(Bass, -3)], review.Edits);
    }

    /// <summary>Tempo, sections and key are every song's own; they are no change of what the template is.</summary>
    [Fact]
    public void WhatIsCounted_IsWhatIsSaid()
    {
        var begun = SongChanges.Of(Plan, Plan.With(Tempo(71), new SetMusicalKey(new(-1, true))));
        var worked = SongChanges.Of(Plan, Plan.With([Tempo(71), .. new[] { Drums, Bass, Pads, Horns }.SelectMany(c => new[] { Level(c, -2), new SetPan(c, 0.5) })]));

        Assert.Equal((0, 0), (begun.Count, begun.Words.Count));
        Assert.Equal((8, SongChanges.MostWords), (worked.Count, worked.Words.Count));
        Assert.Equal("Drums: level 0.0 dB → −2.0 dB", worked.Words[0]);
    }

    [Fact]
    public void WhatWasKept_IsWhatTheTemplateHadNot_OrHadOtherwise()
    {
        Pattern figure(string name, int note) => new(name, 4 * Ticks.PerQuarter, [new(0, Ticks.PerQuarter, note, 90)], []);
        AudioStarter sound(string name, bool through) => new(name, new(new string('a', 64), name, 48000, 1, 48000), Loops: false, new(0), []) { Through = through };
        Edit[] start = [new MakeChannel(new(ChannelKind.Instrument) { Name = "Oboe", Bare = true }), new MakeChannel(new(ChannelKind.Audio) { Name = "Rain", Bare = true })];
        var began = Plan.With([.. start, new PutPattern(new("oboe"), figure("Call", 60)), new PutPattern(new("oboe"), figure("Answer", 62)), new PutStarter(new("rain"), sound("Roof", through: false))]);

        var song = began.With([
            new PutPattern(new("oboe"), figure("Answer", 64)), new PutPattern(new("oboe"), figure("Idea 1", 65)), new PutStarter(new("rain"), sound("Gutter", through: false)),
            new PutStarter(new("rain"), sound("Oboe print", through: true)), new DuplicateChannels([new("oboe")])]);

        Assert.Equal(
            [("Oboe", "Answer", KeptKind.Notes), ("Oboe", "Idea 1", KeptKind.Notes), ("Rain", "Gutter", KeptKind.Sound), ("Rain", "Oboe print", KeptKind.Print)],
            SongChanges.Of(began, song).Kept.Where(k => k.Channel is "Oboe" or "Rain").Select(k => (k.Channel, k.Name, k.Kind)).Order());
        Assert.Empty(SongChanges.Of(began, began).Kept);
    }

    [Fact]
    public void FewerThanThree_OrNoMoreThanHalf_SayNothing()
    {
        Assert.Empty(Said(Plan, [Level(Bass, -2)], [Level(Bass, -3)]));
        Assert.Empty(Said(Plan, [Level(Bass, -2)], [Level(Bass, -3)], [Level(Bass, -3)], [], [], []));
        Assert.NotEmpty(Said(Plan, [Level(Bass, -2)], [Level(Bass, -3)], [Level(Bass, -3)], [], []));
        // Two of them up, two of them down: nobody agrees.
        Assert.Empty(Said(Plan, [Level(Bass, -2)], [Level(Bass, -3)], [Level(Bass, 3)], [Level(Bass, 2)]));
    }

    [Fact]
    public void WhatIsTakenOut_NeverHeard_Added_OrReplaced_IsSaid()
    {
        Edit add(string name) => new MakeChannel(new(ChannelKind.Audio) { Name = name, Under = Drums });
        Edit[] alike = [new RemoveChannel(Pads), new SetMute(Horns, true), new ReplaceInsert(Bass, new("comp"), ProcessorCatalogue.Limiter)];
        var said = Said(Plan, [.. alike, add("Shaker")], [.. alike, add("shaker")], [new RemoveChannel(Pads), Level(Horns, double.NegativeInfinity), alike[2], add("Shaker")], [new RemoveChannel(Pads)]);

        Assert.Equal(
            ["Horns is never heard in 3 of 4 songs.", "Pads was taken out of all 4 songs.", "Shaker was added under Drums in 3 of 4 songs.", "The compressor on Bass gave way to a limiter in 3 of 4 songs."],
            said.Select(r => r.Sentence).Order());
        var after = Plan.With([.. said.SelectMany(r => r.Edits)]);
        Assert.False(after.Channels.Contains(Pads));
        Assert.Equal(ProcessorCatalogue.Limiter, Assert.Single(after.Channels[Bass].Inserts).Processor);
        Assert.All(after.Acts, a => Assert.Equal(StageState.InTheWings, after.Channels[Horns].StageIn(a.Id)));
        Assert.Equal(ChannelKind.Audio, after.Channels.Single(c => c.Name == "Shaker" && c.Destination == Drums).Kind);
    }

    [Fact]
    public void AnInsertThatIsTakenOut_AndOneThatTakesItsPlace_AreToldApart()
    {
        Edit[] gone = [new RemoveInsert(Bass, new("comp"))];
        Edit[] other = [.. gone, new AddInsert(Bass, new(new("new"), ProcessorCatalogue.Gate), null)];

        Assert.Equal("The compressor on Bass was taken out of all 3 songs.", Assert.Single(Said(Plan, gone, gone, gone)).Sentence);
        Assert.Equal("The compressor on Bass gave way to a gate in all 3 songs.", Assert.Single(Said(Plan, other, other, other)).Sentence);
    }

    /// <summary>The limiter stood behind the gate all along: it stepped forward, nobody put it there.</summary>
    [Fact]
    public void AnInsertThatOnlyMoved_StandsInNobodysPlace()
    {
        var plan = Plan.With(new AddInsert(Bass, new(new("gate"), ProcessorCatalogue.Gate), null), new AddInsert(Bass, new(new("limit"), ProcessorCatalogue.Limiter), null));
        Edit[] song = [new RemoveInsert(Bass, new("comp")), new MoveInsert(Bass, new("limit"), 0)];
        var songs = Enumerable.Range(0, 3).Select(n => new ReviewedSong($"{n}", $"Song {n}", SongChanges.Of(plan, plan.With(song)))).ToList();

        Assert.Equal("The compressor on Bass was taken out of all 3 songs.", Assert.Single(Reviewing.Of(plan, songs)).Sentence);
    }

    [Fact]
    public void TemposAndKeys_AreSaid()
    {
        var d = new MusicalKey(-1, Minor: true);
        var said = Said(Plan, [Tempo(84), new SetMusicalKey(d)], [Tempo(88), new SetMusicalKey(d)], [Tempo(96), new SetMusicalKey(d)], [Tempo(150)]);

        Assert.Equal(["3 of 4 songs are in D minor.", "3 of 4 songs are slower: 84 to 96 BPM, 88 in the middle."], said.Select(r => r.Sentence).Order());
        var after = Plan.With([.. said.SelectMany(r => r.Edits)]);
        Assert.Equal((88, d), (after.Timeline.TempoBpm, after.Key));
        Assert.Empty(Said(after, [Tempo(84), new SetMusicalKey(d)], [Tempo(88), new SetMusicalKey(d)], [Tempo(96), new SetMusicalKey(d)]));
    }

    [Fact]
    public void WhatTheTemplateHasTakenIn_OrIsSaidToBeMeant_IsNotSaidAgain()
    {
        Edit[][] songs = [[Level(Bass, -4), Tempo(90)], [Level(Bass, -4), Tempo(90)], [Level(Bass, -6), Tempo(90)]];

        Assert.Equal(2, Said(Plan, songs).Count);
        Assert.Empty(Said(Plan.With(Level(Bass, -4), Tempo(90)), songs));
        Assert.Equal("review/tempo", Assert.Single(Said(Plan.With(new AcceptFinding("review/level/bass", "Meant so")), songs)).Key);
    }

    [Property(MaxTest = 40)]
    public void OfSongsByChance_EachReviewIsOfAMajority_AndItsMendTakesItAway(int seed)
    {
        var chance = new RandomTemplates(seed);
        var began = chance.Grown(30);
        var common = chance.Possible(began, 8).Edits;
        var songs = Enumerable.Range(0, 5).Select(n =>
        {
            var song = n < 4 ? Batch.Apply(began, common) is BatchResult.Applied all ? all.Template : began : began;
            return new ReviewedSong($"s{n}", $"Song {n}", SongChanges.Of(began, chance.Possible(song, 3).After));
        }).ToList();

        foreach (var review in Reviewing.Of(began, songs))
        {
            Assert.True(review.Songs.Count >= 3 && review.Songs.Select(s => s.Song).Distinct().Count() == review.Songs.Count, review.Sentence);
            var after = Assert.IsType<BatchResult.Applied>(Batch.Apply(began, review.Edits)).Template;
            Assert.DoesNotContain(Reviewing.Of(after, songs), r => r.Key == review.Key && r.Sentence == review.Sentence);
        }
    }
}
