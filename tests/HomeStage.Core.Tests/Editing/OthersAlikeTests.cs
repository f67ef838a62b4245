using HomeStage.Core.Catalogue;
using HomeStage.Core.Editing;
using HomeStage.Core.Kits;
using HomeStage.Core.Templates;
using HomeStage.TestKit;
using static HomeStage.TestKit.Stages;

namespace HomeStage.Core.Tests.Editing;

/// <summary>An edit of one thing leaves alone what is like it: an insert of the same id elsewhere, another feed, another default.</summary>
public class OthersAlikeTests
{
    private static readonly ChannelId Keys = new("keys");
    private static readonly ChannelId Strings = new("strings");
    private static readonly Insert Comp = Insert("comp", ProcessorCatalogue.Compressor) with { Key = new(true) };
    private static readonly Insert Gate = Insert("gate", ProcessorCatalogue.Gate) with { Key = new(true) };

    private static readonly Kit Set = new(
        [Piece.Pad("Kick", 36, "drums/kick", 1, DrumSound.Kick), Piece.Pad("Snare", 38, "drums/snare", 1, DrumSound.Snare)],
        [.. Enumerable.Range(1, 3).Select(n => new KitOutput($"Output {n}", ChannelFormat.Mono))]);

    private static readonly Template Stage = OneBar(
        Bus("keys", "mix-bus", Comp, Gate, Insert("late", ProcessorCatalogue.Compressor)), Bus("strings", "mix-bus", Comp), Trigger("pulse"),
        new PutFeed(new("pulse"), new(Keys, Comp.Id, new(0))), new PutFeed(new("pulse"), new(Keys, Gate.Id, new(-1))), new PutFeed(new("pulse"), new(Strings, Comp.Id, new(-2))),
        new AddChannel(new() { Id = new("set"), Name = "Set", Kind = ChannelKind.Instrument, Destination = EmptyStage.MixBus, Source = new InstrumentSource(InstrumentCatalogue.Breakwater, Set) }));

    /// <summary>Also where another takes its place that hears no key.</summary>
    [Theory]
    [InlineData(null)]
    [InlineData(ProcessorCatalogue.Gain)]
    public void AnInsertThatGoes_TakesTheFeedsIntoItAlone(string? inItsPlace)
    {
        Edit edit = inItsPlace is null ? new RemoveInsert(Keys, Comp.Id) : new ReplaceInsert(Keys, Comp.Id, inItsPlace);

        var applied = Assert.IsType<EditResult.Applied>(edit.ApplyTo(Stage));

        Assert.Equal([(Keys, Gate.Id), (Strings, Comp.Id)], applied.Template.Channels[new ChannelId("pulse")].Feeds.Select(f => (f.Channel, f.Insert)));
        Assert.Equal(Stage, Stage.With(edit, applied.Inverse));
    }

    [Fact]
    public void RemoveFeed_LeavesTheFeedIntoAnInsertOfThatIdElsewhere()
    {
        var after = Stage.With(new RemoveFeed(new("pulse"), Strings, Comp.Id));

        Assert.Equal([(Keys, Comp.Id), (Keys, Gate.Id)], after.Channels[new ChannelId("pulse")].Feeds.Select(f => (f.Channel, f.Insert)));
    }

    /// <summary>A strip that is laid over another takes the feeds into what it has no more; those into what stays, and elsewhere, stay.</summary>
    [Fact]
    public void LayStrip_TakesTheFeedsIntoWhatIsThereNoMore_AndNoOthers()
    {
        var after = Stage.With(new LayStrip([Keys], new() { Inserts = [Insert("trim", ProcessorCatalogue.Gain)] }));

        Assert.Equal([(Strings, Comp.Id)], after.Channels[new ChannelId("pulse")].Feeds.Select(f => (f.Channel, f.Insert)));
    }

    [Fact]
    public void PutPatch_LeavesOneOfThatNameOfAnotherProcessor()
    {
        var two = Stage.With(new PutPatch(new(ProcessorCatalogue.Compressor, "Warm", Map<double>.Empty)), new PutPatch(new(ProcessorCatalogue.Limiter, "Warm", Map<double>.Empty)));

        Assert.Equal([ProcessorCatalogue.Compressor, ProcessorCatalogue.Limiter], two.Patches.Select(p => p.Of));
    }

    /// <summary>What is kept for automation is a gain stage: one in the place of a device's stays so, anything else does not.</summary>
    [Fact]
    public void ReplaceInsert_KeepsForAutomation_WhereAGainStageTakesItsPlace()
    {
        var kept = Stage.With(new AddInsert(Keys, Insert("trim", ProcessorCatalogue.Gain) with { Device = new("Tin Knob") }), new KeepForAutomation(Keys, new("trim"), true));
        bool IsKept(string processor) => kept.With(new ReplaceInsert(Keys, new("trim"), processor)).Channels[Keys].Inserts[^1].KeptForAutomation;

        Assert.True(IsKept(ProcessorCatalogue.Gain));
        Assert.False(IsKept(ProcessorCatalogue.Limiter));
    }

    /// <summary>Elsewhere the first of the same processor is meant; on its own channel the insert itself.</summary>
    [Fact]
    public void StandAlike_OnItsOwnChannel_MeansTheInsertItself()
    {
        var after = Stage.With(new StandAlike([Keys, Strings], Keys, new("late"), null, Live: false));

        Assert.Equal([false, false, true], after.Channels[Keys].Inserts.Select(i => i.Off));
        Assert.True(after.Channels[Strings].Inserts.Single().Off);
    }

    [Fact]
    public void PutDefaultStrip_OverOneOfTwo_IsTakenBackAsItWas()
    {
        var two = Stage.With(new PutDefaultStrip(new(new(ChannelKind.Bus), new() { Inserts = [Gate] })), new PutDefaultStrip(new(new(ChannelKind.Return), new() { Inserts = [Comp] })));

        foreach (var kind in new[] { ChannelKind.Bus, ChannelKind.Return })
        {
            var applied = Assert.IsType<EditResult.Applied>(new PutDefaultStrip(new(new(kind), new() { Inserts = [] })).ApplyTo(two));

            Assert.Equal(2, applied.Template.Defaults.Count);
            Assert.Equal(two, applied.Template.With(applied.Inverse));
        }
    }

    /// <summary>Who says most stands last: a kind before a family, that before a role; of equals by their names.</summary>
    [Fact]
    public void PutDefaultStrip_InAnyOrder_StandsInOne()
    {
        StripScope[] scopes = [new(ChannelKind.Audio), new(ChannelKind.Bus), new(null, Family: "drums"), new(null, Family: "voices"), new(null, Role: "kick"), new(null, Role: "snare")];
        Edit[] edits = [.. scopes.Select(s => new PutDefaultStrip(new(s, new() { Inserts = [] })))];

        var forth = Stage.With(edits);
        var back = Stage.With([.. edits.Reverse()]);

        Assert.Equal(scopes.OrderBy(s => s.Weight).ThenBy(s => s.Kind).Select(s => s.ToString()), forth.Defaults.Select(d => d.For.ToString()));
        Assert.Equal(forth.Defaults, back.Defaults);
    }

    /// <summary>A note of one letter is a note; none takes it away, and the others stay.</summary>
    [Fact]
    public void NoteInsert_OfOneLetter_IsKept_AndNoneTakesThatOneAway()
    {
        var noted = Stage.With(new NoteInsert(Keys, Comp.Id, null, "!"), new NoteInsert(Keys, Comp.Id, "ratio", "?"));

        Assert.Equal([("", "!"), ("ratio", "?")], noted.Channels[Keys].Inserts[0].Notes.Select(n => (n.Key, n.Value)));
        Assert.Equal(["ratio"], noted.With(new NoteInsert(Keys, Comp.Id, null, "")).Channels[Keys].Inserts[0].Notes.Keys);
    }

    [Fact]
    public void SendToOutput_ThatNothingLeavesBy_IsCalledAfterWhatComes_FromTheSecondOn()
    {
        var second = Stage.With(new SendToOutput(new("set"), ["Kick"], 2));
        var both = second.With(new SendToOutput(new("set"), ["Snare"], 2));

        Assert.Equal(["Output 1", "Kick", "Output 3"], second.KitOf("set")!.Outputs.Select(o => o.Name));
        Assert.Equal(["Output 1", "Kick", "Output 3"], both.KitOf("set")!.Outputs.Select(o => o.Name));
        Assert.Equal(["Kick"], both.Channels.Where(c => c.Kind == ChannelKind.Split).Select(c => c.Name));
    }
}
