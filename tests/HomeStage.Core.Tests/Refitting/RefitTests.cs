using System.Diagnostics;
using HomeStage.Core.Catalogue;
using HomeStage.Core.Editing;
using HomeStage.Core.Editing.Rules;
using HomeStage.Core.Refitting;
using HomeStage.Core.Routing;
using HomeStage.Core.Templates;
using HomeStage.TestKit;
using static HomeStage.TestKit.Stages;

namespace HomeStage.Core.Tests.Refitting;

/// <summary>An old song on a plan, each place worked out by hand.</summary>
public class RefitTests
{
    private static readonly Template Plan = OneBar(
        Named("drums", "Drums", "mix-bus", Insert("glue", ProcessorCatalogue.Compressor) with { Settings = Map<double>.Empty.With("ratio", 3) }),
        Named("hands", "Percussion", "drums"), Named("low", "Bass bus", "mix-bus", Insert("duck", ProcessorCatalogue.Compressor) with { Key = new(true) }),
        Named("strings", "Strings", "mix-bus"), Named("voices", "Voices", "mix-bus"), Returned("hall", "Hall", "mix-bus"),
        Source("k", "Kick", "drums"), Source("s", "Snare", "drums"), Source("sh", "Shaker", "hands"), Source("b", "Bass", "low"), Source("f", "Fiddle", "strings"), Source("v", "Lead vox", "voices"),
        new SetHue(new("drums"), 30), new SetHue(new("voices"), 200), new PutSend(new("v"), new(new("hall"), new(-15), TapPoint.Post)),
        new PutFeed(new("k"), new(new("low"), new("duck"), new(-1)))) with
    { Name = "Plan" };

    private static readonly Template Old = OneBar(
        Named("dr", "DRUM GRP", "mix-bus"), Named("fid", "Fiddlers", "mix-bus"), Named("all", "Everything else", "mix-bus"), Returned("plate", "Plate", "mix-bus"),
        Source("bd", "BD in", "dr"), Source("tamb", "Tambourine", "dr"), Source("f1", "Fiddle 1", "fid"), Source("f2", "Fiddle 2", "fid"), Source("odd", "Blorp", "all"), Source("sub", "Sub bass", "all"), Source("sing", "Vox main", "main"),
        new PutSend(new("sing"), new(new("plate"), new(-8), TapPoint.Post)), new SetHue(new("sing"), 99)) with
    { Name = "Old" };

    [Fact]
    public void EachChannel_HasOnePlace_WithItsReason()
    {
        var lines = Done(Old).Lines;

        (string, RefitKind, string, string)[] expected =
        [
            ("Mix bus", RefitKind.StandsFor, "Mix bus", "the last sum before the main"),
            ("DRUM GRP", RefitKind.StandsFor, "Drums", "both are for drum bus"),
            ("Plate", RefitKind.StandsFor, "Hall", "both are for reverb"),
            ("Bass bus", RefitKind.Made, "Bass bus", "something goes to it, and nothing stands for it"),
            ("Percussion", RefitKind.Made, "Percussion", "something goes to it, and nothing stands for it"),
            ("Voices", RefitKind.Made, "Voices", "something goes to it, and nothing stands for it"),
            ("Tambourine", RefitKind.Moves, "Percussion", "percussion, as Shaker"),
            ("Sub bass", RefitKind.Moves, "Bass bus", "of the family bass"),
            ("Vox main", RefitKind.Moves, "Voices", "lead voice, as Lead vox"),
            ("BD in", RefitKind.Stays, "Drums", "kick, as Kick"),
            ("Blorp", RefitKind.NoPlace, "", "nothing tells where it belongs"),
            ("Everything else", RefitKind.NoPlace, "", "what is in it goes apart"),
        ];
        Assert.Equal(expected.Order(), lines.Where(l => !l.Name.StartsWith("Fiddle", StringComparison.Ordinal)).Select(l => (l.Name, l.Kind, l.ToName, l.Why)).Order());
    }

    [Fact]
    public void ABusThatThePlanNamesOtherwise_StandsForTheOneThatTakesTheSame()
    {
        var line = Done(Old).Lines.Single(l => l.Name == "Fiddlers");

        Assert.Equal((RefitKind.StandsFor, "Strings"), (line.Kind, line.ToName));
        Assert.All(Done(Old).Lines.Where(l => l.Name is "Fiddle 1" or "Fiddle 2"), l => Assert.Equal(RefitKind.Stays, l.Kind));
    }

    [Fact]
    public void ABusThatIsCalledAnything_StandsForTheOneThatMostOfItBelongsTo()
    {
        var old = OneBar(Named("x", "Folk", "mix-bus"), Source("f1", "Fiddle 1", "x"), Source("f2", "Fiddle 2", "x"), Source("o", "Blorp", "x"), Returned("r", "Thing", "mix-bus"));

        var lines = Refit.Of(old, Plan, new()).Refit!.Lines;

        Assert.Equal((RefitKind.StandsFor, "Strings", "2 of the 3 in it belong there"), lines.Where(l => l.Name == "Folk").Select(l => (l.Kind, l.ToName, l.Why)).Single());
        // A return is never a bus, whatever it takes.
        Assert.Equal("Hall", lines.Single(l => l.Name == "Thing").ToName);
    }

    [Fact]
    public void TheSumOfOneDrum_IsNoDrumBus()
    {
        AddChannel split(string id, string name, int output, string feeds) => new(new() { Id = new(id), Name = name, Kind = ChannelKind.Split, Destination = new(feeds), Source = new OutputSource(new("kit"), output) });
        var plan = OneBar(
            Named("thunder", "Thunder", "mix-bus"), Named("sn", "Snare sum", "thunder"),
            new AddChannel(new() { Id = new("kit"), Name = "Breakwater Kit", Kind = ChannelKind.Instrument, Destination = new("thunder"), Source = new InstrumentSource(InstrumentCatalogue.Breakwater, Core.Kits.StandInKits.Breakwater) }),
            split("k", "Kick", 2, "thunder"), split("s", "Snare", 3, "sn"), split("c", "Clap", 4, "sn"), split("h", "Hats", 7, "thunder"));
        var old = OneBar(Named("db", "DRUM BUSS", "mix-bus"), Source("bd", "Kik in", "db"), Source("hh", "Hat", "db"), Source("sd", "Sn top", "db"));

        var line = Refit.Of(old, plan, new()).Refit!.Lines.Single(l => l.Name == "DRUM BUSS");

        Assert.Equal((RefitKind.StandsFor, "Thunder"), (line.Kind, line.ToName));
    }

    [Fact]
    public void OfTwoBusesThatHaveTheRole_ItIsTheOneWhereItWent()
    {
        var plan = OneBar(Named("n", "Narrators", "mix-bus"), Named("s", "Voices", "mix-bus"), Source("n1", "Narrator low", "n"), Source("n2", "Narrator high", "n"), Source("s1", "Lead vox", "s"));
        var old = OneBar(Named("v", "Voices", "mix-bus"), Source("a", "Vox top", "v"), Source("b", "Vox free", "mix-bus"));

        var lines = Refit.Of(old, plan, new()).Refit!.Lines;

        Assert.Equal("Voices", lines.Single(l => l.Name == "Vox top").ToName);
        // Where nothing tells, the bus that has most of them.
        Assert.Equal("Narrators", lines.Single(l => l.Name == "Vox free").ToName);
    }

    [Fact]
    public void SendsAreClosed_StripsLieWhereNoneWas_ColoursAreThePlans_AndOneBatchLeadsThereAndBack()
    {
        var refit = Done(Old);
        var after = Old.With([.. refit.Edits]);

        Assert.Equal(refit.After, after);
        Assert.Equal(new ChannelId("mix-bus"), after.Channels.Single(c => c.Name == "Voices").Destination);
        // The old plate stands for the hall: what was sent to it stays as it was.
        Assert.Equal([new Send(new("plate"), new(-8), TapPoint.Post)], after.Channels[new ChannelId("sing")].Sends);
        Assert.Equal(3, after.Channels[new ChannelId("dr")].Inserts.Single().Settings["ratio"]);
        Assert.Equal(30, after.Channels[new ChannelId("dr")].HueDegrees);
        Assert.Null(after.Channels[new ChannelId("sing")].HueDegrees);
        Assert.Equal(Old, ((BatchResult.Applied)Batch.Apply(after, ((BatchResult.Applied)Batch.Apply(Old, refit.Edits)).Inverse)).Template);
    }

    [Fact]
    public void AKey_IsSteeredByTheCounterpart_OrWaitsSwitchedOff()
    {
        var after = Done(Old).After;
        var low = after.Channels.Single(c => c.Name == "Bass bus");

        Assert.False(low.Inserts.Single().Off);
        Assert.Equal([new SidechainFeed(low.Id, new("duck"), new(-1))], after.Channels[new ChannelId("bd")].Feeds);

        var kickless = Done(Old.With(new RemoveChannel(new("bd")))).After;
        Assert.True(kickless.Channels.Single(c => c.Name == "Bass bus").Inserts.Single().Off);
    }

    [Fact]
    public void SendsAsPlanned_AreOpen_AndAReturnIsMadeForThem()
    {
        var dry = Old.With(new RemoveChannel(new("plate")));

        var closed = Done(dry).After.Channels[new ChannelId("sing")].Sends.Single();
        var open = Done(dry, new() { Sends = RefitSends.AsPlanned }).After;

        Assert.False(closed.Open);
        Assert.Equal((-15, true, "Hall"), (open.Channels[new ChannelId("sing")].Sends.Single().Level.Value, open.Channels[new ChannelId("sing")].Sends.Single().Open, open.Channels[open.Channels[new ChannelId("sing")].Sends.Single().To].Name));
        Assert.DoesNotContain(Done(dry, new() { Sends = RefitSends.None }).After.Channels, c => c.Kind == ChannelKind.Return);
    }

    [Fact]
    public void WhatIsSaid_GoesBefore_AndNonsenseIsRefused()
    {
        var refit = Done(Old, new() { Said = Map<string>.Empty.With("odd", "hands").With("sing", "") });

        Assert.Equal("Percussion", refit.After.Channels[refit.After.Channels[new ChannelId("odd")].Destination!.Value].Name);
        Assert.Equal(new ChannelId("main"), refit.After.Channels[new ChannelId("sing")].Destination);
        Assert.DoesNotContain(refit.After.Channels, c => c.Name == "Voices");
        Assert.Equal("missing", Refit.Of(Old, Plan, new() { Said = Map<string>.Empty.With("nobody", "hands") }).Why!.Code);
        Assert.Equal("missing", Refit.Of(Old, Plan, new() { Said = Map<string>.Empty.With("odd", "k") }).Why!.Code);
    }

    [Fact]
    public void OntoItself_NothingChanges() => Assert.Equal([], Refit.Of(Plan, Plan, new()).Refit!.Edits);

    [Fact]
    public void AReturnThatWouldFeedWhatFeedsIt_StaysWhereItWas()
    {
        var plan = OneBar(Named("drums", "Drums", "mix-bus"), Returned("room", "Room", "drums"), Source("k", "Kick", "drums"));
        var old = OneBar(Named("drums", "Drums", "mix-bus"), Returned("room", "Room", "mix-bus"), Source("k", "Kick", "main"), new PutSend(new("drums"), new(new("room"), new(-10))));

        var refit = Refit.Of(old, plan, new()).Refit!;

        Assert.Contains("loop", refit.Lines.Single(l => l.Name == "Room").Why, StringComparison.Ordinal);
        Assert.Equal(EmptyStage.MixBus, refit.After.Channels[new ChannelId("room")].Destination);
        Assert.Equal(new ChannelId("drums"), refit.After.Channels[new ChannelId("k")].Destination);
    }

    [Theory]
    [InlineData(1)]
    [InlineData(2)]
    [InlineData(3)]
    public void AnyTemplate_OnAnyPlan_LosesNothing_AndKeepsEveryRule(int seed)
    {
        var random = new Random(seed);
        for (var run = 0; run < Runs.Of(40, 600); run++)
        {
            var (old, plan) = (Called(new RandomTemplates(seed * 991 + run).Grown(70), random), Called(new RandomTemplates(seed * 313 + run).Grown(70), random));
            var wish = new RefitWish { Colours = random.Next(2) == 0, Strips = (RefitStrips)random.Next(3), Sends = (RefitSends)random.Next(3) };

            var (refit, why) = Refit.Of(old, plan, wish);

            Assert.Null(why);
            var after = refit!.After;
            Assert.Null(TemplateRules.Check(after));
            Assert.Null(LoopRule.Check(after));
            Assert.Equal(after, old.With([.. refit.Edits]));
            foreach (var was in old.Channels)
            {
                var now = after.Channels[was.Id];
                Assert.Equal((was.Name, was.Kind, was.Source, was.Level, was.Pan, was.Muted), (now.Name, now.Kind, now.Source, now.Level, now.Pan, now.Muted));
                Assert.Equal((was.Patterns, was.Starters, was.Shapes), (now.Patterns, now.Starters, now.Shapes));
                Assert.Subset(now.Sends.ToHashSet(), was.Sends.ToHashSet());
                if (was.Kind is not (ChannelKind.Bus or ChannelKind.Return))
                    Assert.Equal(was.Inserts, now.Inserts);
            }

            // Each that goes into a sum stands on one line, and goes where that says.
            Assert.Equal(after.Channels.Where(c => c.Destination is not null).Select(c => c.Id.Value).Order(), refit.Lines.Select(l => l.Channel.Value).Order());
        }
    }

    [Fact]
    public void AThousandChannels_TakeNoTime()
    {
        string[] names = ["Kick", "Fiddle", "Vox", "Shaker", "Bass", "Blorp", "Clap", "Choir"];
        var many = OneBar([.. Enumerable.Range(0, 950).Select(i => (Edit)Source($"c{i}", $"{names[i % names.Length]} {i}", "mix-bus"))]);
        var watch = Stopwatch.StartNew();

        Assert.NotNull(Refit.Of(many, Plan, new()).Refit);
        Assert.InRange(watch.Elapsed, TimeSpan.Zero, Runs.Within(2));
    }

    private static Template Called(Template template, Random random)
    {
        string[] names = ["Kick", "Snare bus", "Drums", "Strings", "Voices", "Hall", "Fiddle", "Bass", "Lead vox", "Blorp", "Percussion", "Plate"];
        return template.Channels.Where(c => c.Kind != ChannelKind.Main).Aggregate(template, (t, c) => t.With(new RenameChannel(c.Id, $"{names[random.Next(names.Length)]} {random.Next(3)}")));
    }

    private static Refit Done(Template old, RefitWish? wish = null)
    {
        var (refit, why) = Refit.Of(old, Plan, wish ?? new());
        Assert.Null(why);
        return refit!;
    }

    private static AddChannel Named(string id, string name, string feeds, params Insert[] strip) => new(Bus(id, feeds, strip).Channel with { Name = name });

    private static AddChannel Returned(string id, string name, string feeds) => new(Return(id, feeds, Insert("verb", ProcessorCatalogue.Reverb)).Channel with { Name = name });

    private static AddChannel Source(string id, string name, string feeds) => new(new() { Id = new(id), Name = name, Kind = ChannelKind.Audio, Destination = new(feeds) });
}
