using FsCheck.Xunit;
using HomeStage.Core.Automation;
using HomeStage.Core.Catalogue;
using HomeStage.Core.Devices;
using HomeStage.Core.Editing;
using HomeStage.Core.Editing.Comparing;
using HomeStage.Core.Templates;
using HomeStage.Core.Timing;
using HomeStage.TestKit;
using static HomeStage.TestKit.Stages;

namespace HomeStage.Core.Tests.Editing;

public class DifferenceTests
{
    [Property(MaxTest = 300)]
    public void Between_ATemplateAndALaterOne_TurnsTheOneIntoTheOther(int seed, byte size)
    {
        var chance = new RandomTemplates(seed);
        var from = chance.Grown(40);
        var to = chance.Edits(from, size % 40).Aggregate(from, (t, e) => Batch.Apply(t, [e]) is BatchResult.Applied a ? a.Template : t);

        Assert.Equal(to, Turned(from, to));
        Assert.Equal(from, Turned(to, from));
    }

    [Property(MaxTest = 100)]
    public void Between_TwoTemplatesThatHaveNothingToDoWithEachOther_IsExactToo(int seed)
    {
        var (from, to) = (new RandomTemplates(seed).Grown(40), new RandomTemplates(seed + 1).Grown(40));

        Assert.Equal(to, Turned(from, to));
    }

    [Property(MaxTest = 100)]
    public void Between_ATemplateAndItself_IsEmpty(int seed)
    {
        Assert.Empty(Difference.Between(new RandomTemplates(seed).Grown(60), new RandomTemplates(seed).Grown(60)));
    }

    [Property(MaxTest = 150)]
    public void Between_AfterAFewSingleEdits_IsNoLongerThanThey(int seed)
    {
        var chance = new RandomTemplates(seed);
        var from = chance.Grown(40);
        // Edits of several channels at once come apart into one a channel.
        var edits = chance.Edits(from, 4).Where(e => e is ChannelEdit and not SetSource).ToList();
        var to = edits.Aggregate(from, (t, e) => Batch.Apply(t, [e]) is BatchResult.Applied a ? a.Template : t);

        // A device without the key input of the one before it may come as another insert.
        Assert.True(Difference.Between(from, to).Count <= edits.Count + edits.Count(e => e is RemoveInsert or SetDevice { Insert: not null, Device: null or { Key: KeyWidth.None } }));
    }

    [Fact]
    public void Between_AChannelThatWasMovedFarUp_MovesThatOneAlone()
    {
        var from = OneBar([.. Enumerable.Range(0, 20).Select(i => (Edit)Bus($"b{i}", "mix-bus"))]);
        var to = from.With(new MoveChannel(new("b17"), new("b3"), new("b2")));

        var edit = Assert.Single(Difference.Between(from, to));

        Assert.Equal(new MoveChannel(new("b17"), new("b3"), new("b2")), edit);
    }

    [Fact]
    public void Between_AStripWhoseLastInsertCameFirst_MovesThatOneAlone()
    {
        var strip = new[] { "a", "b", "c", "d" }.Select(id => Insert(id, ProcessorCatalogue.Gain)).ToArray();
        var from = OneBar(Bus("b", "mix-bus", strip));
        var to = from.With(new MoveInsert(new("b"), new("d"), 0));

        Assert.Equal([new MoveInsert(new("b"), new("d"), 0)], Difference.Between(from, to));
    }

    [Fact]
    public void Between_AnInsertWhoseDeviceGainsAKeyInput_ToldAgain_AndOneThatLosesIt_IsAnotherInsert()
    {
        var without = OneBar(Bus("b", "mix-bus", Insert("a", ProcessorCatalogue.Gain) with { Device = new("Tern") }));
        var keyed = new SetDevice(new("b"), new("a"), new("Tern") { Key = KeyWidth.Mono });
        var with = without.With(keyed);

        Assert.Equal([keyed], Difference.Between(without, with));
        Assert.Equal([typeof(RemoveInsert), typeof(AddInsert)], Difference.Between(with, without).Select(e => e.GetType()));
    }

    [Fact]
    public void Between_NewChannelsThatFeedEachOther_MakesEachAfterWhatItFeeds()
    {
        var from = OneBar();
        var to = from.With(Bus("late", "mix-bus"), Bus("early", "late"), Tone("t", "early"), new MoveChannel(new("t"), new("early"), new("main")));

        var edits = Difference.Between(from, to);

        Assert.Equal(["late", "early", "t"], edits.OfType<AddChannel>().Select(e => e.Channel.Id.Value));
        Assert.Equal(3, edits.Count);
    }

    [Fact]
    public void Between_ANewChannelThatSendsToANewReturn_MakesEachWhole()
    {
        var from = OneBar(Return("there", "mix-bus"));
        var to = from.With(Bus("keys", "mix-bus"), Return("hall", "mix-bus"), new PutSend(new("keys"), new(new("there"), new(-9))), new PutSend(new("keys"), new(new("hall"), new(-6))));

        var edits = Difference.Between(from, to);

        Assert.Equal(["hall", "keys"], edits.Select(e => ((AddChannel)e).Channel.Id.Value));
    }

    [Fact]
    public void Between_TwoThatChangedPlaces_MovesTheOneThatFeedsSomethingElseNow()
    {
        var from = OneBar(Bus("low", "mix-bus"), Bus("a", "mix-bus"), Bus("b", "mix-bus"));
        foreach (var moved in new[] { "a", "b" })
        {
            var to = from.With(new MoveChannel(new("b"), new(moved == "b" ? "low" : "mix-bus"), new("a")));
            if (moved == "a")
                to = to.With(new SetDestination(new("a"), new("low")));

            Assert.Equal(moved, ((MoveChannel)Assert.Single(Difference.Between(from, to))).Channel.Value);
        }
    }

    [Fact]
    public void Between_OtherTagsAlone_DescribesItAnew()
    {
        var bare = OneBar();
        var tagged = bare with { Tags = ["slow"] };

        Assert.Equal([new Describe("One bar", "", ["slow"], "")], Difference.Between(bare, tagged));
    }

    [Fact]
    public void Between_OneCurveFewer_TakesThatOneAlone()
    {
        static PutShape Curve(Target target) => new(new("keys"), new(target, "song", [new(0, -3), new(1, 0)]));
        var one = OneBar(Bus("keys", "mix-bus"), Curve(new LevelTarget()));
        var two = one.With(Curve(new PanTarget()) with { Shape = new(new PanTarget(), "song", [new(0, -0.5), new(1, 0.5)]) });

        Assert.Equal([new RemoveShape(new("keys"), new PanTarget(), "song")], Difference.Between(two, one));
        Assert.IsType<PutShape>(Assert.Single(Difference.Between(one, two)));
    }

    /// <summary>By what is there twice: the edits that put the one and the other.</summary>
    private static readonly Dictionary<string, Func<string, Edit>> Twice = new()
    {
        ["a groove"] = n => new PutGroove(new Core.Notes.Groove(n, Ticks.PerQuarter, [new(0)])),
        ["a patch"] = n => new PutPatch(new("gain", n, Map<double>.Empty)),
        ["a split that is put aside"] = n => new PutAside(new(new() { Id = new(n), Name = n, Kind = ChannelKind.Split, Source = new OutputSource(new("keys"), 2) }, ["Kick"], ["36"], [])),
        ["a copy of the shelf"] = n => new PutShelfCopy(new(ShelfKind.Groove, n, "item", 1, Map<string>.Empty)),
        ["a default strip"] = n => new PutDefaultStrip(new(new(n == "one" ? ChannelKind.Bus : ChannelKind.Audio), new() { Inserts = [] })),
        ["a lever"] = n => new PutLever(new(n, n, 0, [])),
        ["a pattern"] = n => new PutPattern(new("keys"), new(n, Ticks.PerQuarter, [new(0, 120, 60, 100)], [])),
        ["a sound"] = n => new PutStarter(new("voice"), new(n, new(new('a', 64), n, 48000, 1, 48000), false, new(0), [])),
        ["a send"] = n => new PutSend(new("keys"), new(new(n == "one" ? "hall" : "plate"), new(-6))),
        ["a feed"] = n => new PutFeed(new("keys"), new(new("band"), new(n == "one" ? "first" : "second"), new(0))),
        ["an insert"] = n => new AddInsert(new("keys"), Insert(n, "gain")),
        ["a chain"] = n => new PutChain(new("keys"), new(n, n, [new(n == "one" ? "eq" : "comp")])),
        ["a channel"] = n => Bus(n, "mix-bus"),
    };

    public static TheoryData<string, bool> OneOfTwo => [.. Twice.Keys.SelectMany(k => (IEnumerable<TheoryDataRow<string, bool>>)[(k, true), (k, false)])];

    [Theory]
    [MemberData(nameof(OneOfTwo))]
    public void Between_OneOfTwoThatGoes_TakesThatOneAway_AndPutsItBack(string what, bool first)
    {
        var key = new KeyInput(true);
        var stage = OneBar(Return("hall", "mix-bus"), Return("plate", "mix-bus"), Bus("band", "mix-bus", Insert("first", "compressor") with { Key = key }, Insert("second", "compressor") with { Key = key }),
            Tone("keys", "mix-bus", strip: [Insert("eq", "equaliser"), Insert("comp", "compressor")]),
            new AddChannel(new() { Id = new("voice"), Name = "Voice", Kind = ChannelKind.Audio, Destination = EmptyStage.MixBus }));
        var both = stage.With(Twice[what]("one"), Twice[what]("two"));
        var one = stage.With(Twice[what](first ? "one" : "two"));

        Assert.Equal(one, Turned(both, one));
        Assert.Equal(both, Turned(one, both));
        Assert.Single(Difference.Between(both, one));
    }

    [Theory]
    [InlineData("eq", "a eq b c")]
    [InlineData("eq", "c b a eq")]
    [InlineData("eq comp", "comp a eq b")]
    [InlineData("eq comp gate", "x gate y comp z")]
    public void Between_StripsOfAnyOrder_IsOneEditForEachInsertThatComesGoesOrMoves(string was, string now)
    {
        var from = OneBar(Bus("band", "mix-bus", [.. was.Split(' ').Select(i => Insert(i, "gain"))]));
        var to = OneBar(Bus("band", "mix-bus", [.. now.Split(' ').Select(i => Insert(i, "gain"))]));

        Assert.Equal(to, Turned(from, to));
        Assert.Equal(from, Turned(to, from));
        var (before, after) = (was.Split(' ').ToHashSet(), now.Split(' ').ToHashSet());
        Assert.InRange(Difference.Between(from, to).Count, after.Except(before).Count() + before.Except(after).Count(), after.Union(before).Count() - 1);
    }

    [Fact]
    public void Between_AChannelThatItsOwnNotesRestart_IsMadeByOneEdit()
    {
        var stage = OneBar();
        var restarted = stage.With(Tone("keys", "mix-bus", strip: Insert("duck", "ducker") with { Trigger = NoteTrigger.Plain with { Notes = [new("keys")] } }));

        Assert.IsType<AddChannel>(Assert.Single(Difference.Between(stage, restarted)));
    }

    private static Template Turned(Template from, Template to)
    {
        var edits = Difference.Between(from, to);
        // Channels are put back whole only where nothing smaller would do, which is never.
        Assert.DoesNotContain(edits, e => e is RestoreChannels);
        return edits.Count == 0 ? from : Assert.IsType<BatchResult.Applied>(Batch.Apply(from, edits)).Template;
    }

    /// <summary>What stands elsewhere under the same id is something else: a feed that goes to another channel's compressor leaves the first.</summary>
    [Fact]
    public void Between_AFeedThatGoesToTheLikeOfAnotherChannel_TakesTheFirstAway()
    {
        var keyed = Insert("comp", ProcessorCatalogue.Compressor) with { Key = new(true) };
        var stage = OneBar(Bus("a", "mix-bus", keyed), Bus("b", "mix-bus", keyed), Trigger("pulse"));
        Template Fed(string to) => stage.With(new PutFeed(new("pulse"), new(new(to), keyed.Id, new(-3))));

        Assert.Equal(Fed("b"), Turned(Fed("a"), Fed("b")));
        Assert.Equal(
            [new RemoveFeed(new("pulse"), new("a"), keyed.Id), new PutFeed(new("pulse"), new(new("b"), keyed.Id, new(-3)))], Difference.Between(Fed("a"), Fed("b")));
    }

    /// <summary>One device in place of another, heard through another processor: what the first was set to is not carried over.</summary>
    [Fact]
    public void Between_AnInsertThatStandsInForAnotherDevice_ThroughAnotherProcessor_IsExact()
    {
        var from = OneBar(Bus("b", "mix-bus", Insert("x", ProcessorCatalogue.Compressor, ("ratio", 7), ("threshold-db", -30)) with { Device = new("Tern") }));
        var to = OneBar(Bus("b", "mix-bus", Insert("x", ProcessorCatalogue.Saturator, ("drive-db", 9)) with { Device = new("Plover") }));
        var alike = OneBar(Bus("b", "mix-bus", Insert("x", ProcessorCatalogue.Limiter) with { Device = new("Plover") }));

        foreach (var (was, now) in new[] { (from, to), (to, from), (from, alike), (alike, from), (to, alike) })
            Assert.Equal(now, Turned(was, now));
    }

    [Fact]
    public void Between_NotesOnAnInsert_ArePutOnItOrOnTheControlThatTheyAreAbout()
    {
        var stage = OneBar(Bus("b", "mix-bus", Insert("comp", ProcessorCatalogue.Compressor)));
        Edit[] notes = [new NoteInsert(new("b"), new("comp"), null, "Leave it"), new NoteInsert(new("b"), new("comp"), "ratio", "Not higher")];

        Assert.Equal(notes, Difference.Between(stage, stage.With(notes)));
    }

    [Fact]
    public void Between_TwoSettingsOfAnInstrument_SetsTheOneThatDiffers()
    {
        var stage = OneBar(Tone("organ", "mix-bus"));
        var turned = stage.With(new SetInstrumentSetting(new("organ"), "tone-hz", 440));

        Assert.Equal([new SetInstrumentSetting(new("organ"), "tone-hz", 440)], Difference.Between(stage, turned));
    }
}
