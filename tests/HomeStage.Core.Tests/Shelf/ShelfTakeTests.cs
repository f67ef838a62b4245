using FsCheck.Xunit;
using HomeStage.Core.Catalogue;
using HomeStage.Core.Editing;
using HomeStage.Core.Kits;
using HomeStage.Core.Notes;
using HomeStage.Core.Shelf;
using HomeStage.Core.Soundcheck;
using HomeStage.Core.Soundcheck.Findings;
using HomeStage.Core.Templates;
using HomeStage.TestKit;
using static HomeStage.TestKit.Stages;

namespace HomeStage.Core.Tests.Shelf;

/// <summary>What is kept in one template and taken into another: a copy that is whole by itself and knows where it came from.</summary>
public class ShelfTakeTests
{
    private static readonly ChannelId Set = new("set");

    private static readonly Template Stage = OneBar(
        new AddChannel(new() { Id = Set, Name = "Set", Kind = ChannelKind.Instrument, Destination = EmptyStage.MixBus, Source = new InstrumentSource(InstrumentCatalogue.Breakwater, StandInKits.Breakwater) }),
        Split("kick", "Kick", 2), Split("snare", "Snare", 3));

    [Fact]
    public void Kit_TakenAsSomethingNew_StandsAsItWasWired_WithItsSplits()
    {
        var (content, name) = ShelfKeep.Of(Stage, ShelfKind.Kit, "set")!.Value;

        var after = Taken(EmptyStage.Create("Other"), new("item", name, 3, content));

        var player = after.Channels.Single(c => c.Kind == ChannelKind.Instrument);
        Assert.Equal(KitOf(Stage, Set), KitOf(after, player.Id));
        Assert.Equal(KitOf(Stage, Set).Lines.Select(l => l.Output).Where(n => n > 1).Distinct().Order(), after.Channels.Select(c => c.Source).OfType<OutputSource>().Select(o => o.Output).Order());
        Assert.DoesNotContain(Report.Of(after, "write").Open, f => f.Severity == Severity.Blocker);
        Assert.Equal(new ShelfCopy(ShelfKind.Kit, player.Id.Value, "item", 3, Map<string>.Empty), Assert.Single(after.Copies));
    }

    [Fact]
    public void Kit_TakenOntoAnother_KeepsTheSplits_AndRemembers()
    {
        var item = new ShelfItem("item", "Bells", 1, new KitContent(InstrumentCatalogue.Tidewater, StandInKits.Tidewater));

        var after = Taken(Stage, item, "set");

        Assert.Equal(StandInKits.Tidewater.Pieces.Select(p => p.Name), KitOf(after, Set).Pieces.Select(p => p.Name));
        Assert.True(after.Channels.Contains(new ChannelId("kick")));
        Assert.Equal("item", Assert.Single(after.Copies).Item);
        // A kit from elsewhere is no copy of the shelf's any more.
        Assert.Empty(after.With([.. new OtherKit(InstrumentCatalogue.Breakwater, StandInKits.Breakwater).On(after, Set, null).Edits]).Copies);
    }

    [Fact]
    public void Machine_TakenOntoAKit_BringsItsJacks_AndLeavesThePieces()
    {
        var machine = new MachineContent([new("The rest", ChannelFormat.Stereo), .. Enumerable.Range(2, 13).Select(n => new KitOutput($"Jack {n}", ChannelFormat.Mono))], true, JackUse.Singles);

        var after = Taken(Stage, new("item", "Rack", 1, machine), "set");

        Assert.Equal(KitOf(Stage, Set).Pieces.Select(p => p.Name), KitOf(after, Set).Pieces.Select(p => p.Name));
        Assert.Equal(15, KitOf(after, Set).Outputs.Sum(o => o.Format == ChannelFormat.Stereo ? 2 : 1));
        Assert.Equal(InstrumentCatalogue.OwnMachine, ((InstrumentSource)after.Channels[Set].Source!).Instrument);
    }

    [Fact]
    public void Groove_WhoseNameIsTaken_GetsTheNextNumber_AndSaysWhatBecameOfWhat()
    {
        var item = new ShelfItem("item", "Lilt", 2, new GrooveContent(Groove.Swing("Lilt", 960, 0.6)));
        var before = Stage.With(new PutGroove(Groove.Swing("Lilt", 960, 0.7)));

        var once = Taken(before, item);
        var twice = Taken(once, item);

        Assert.Equal([0.7, 0.6], once.Grooves.Select(g => 0.5 + g.Steps[1].OffsetTicks / 960.0));
        Assert.Equal(Map<string>.Empty.With("Lilt", "Lilt 2"), Assert.Single(once.Copies).Became);
        // Taken again it is the same copy, not a third groove.
        Assert.Equal(once.Grooves, twice.Grooves);
    }

    [Fact]
    public void Patch_WithSettingsThatCannotBe_IsRefused()
    {
        var item = new ShelfItem("item", "Loud", 1, new PatchContent(new(InstrumentCatalogue.Undertow, "Loud", Map<double>.Empty.With("no-such-knob", 1))));

        Assert.IsType<ShelfTakeResult.Refused>(ShelfTake.Of(Stage, item));
        Assert.NotNull(item.Content.Check());
    }

    [Fact]
    public void Renewal_TellsWhichCopiesAreBehind_AndTakesTheNewerOne()
    {
        var item = new ShelfItem("item", "Lilt", 1, new GrooveContent(Groove.Swing("Lilt", 960, 0.6)));
        var copied = Taken(Stage, item).With(new PutGroove(Groove.Swing("Own", 960, 0.55)));
        var newer = item with { Revision = 2, Content = new GrooveContent(Groove.Swing("Lilt", 960, 0.66)) };

        Assert.False(Assert.Single(ShelfRenewal.Of(copied, item, _ => null)).IsBehind);
        var renewal = Assert.Single(ShelfRenewal.Of(copied, newer, _ => null));
        var after = copied.With([.. renewal.Edits]);

        Assert.True(renewal.IsBehind);
        Assert.Equal(((GrooveContent)newer.Content).Groove, after.Grooves.Single(g => g.Name == "Lilt"));
        Assert.Equal(2, Assert.Single(after.Copies).Revision);
        Assert.False(Assert.Single(ShelfRenewal.Of(after, newer, _ => null)).IsBehind);
        // A copy that is gone is offered nothing.
        Assert.Empty(ShelfRenewal.Of(copied.With(new RemoveGroove("Lilt")), newer, _ => null));
    }

    [Property(MaxTest = 60)]
    public void Kit_OfAnyTemplate_KeptAndTaken_IsTheSameKit(int seed)
    {
        var template = new RandomTemplates(seed).Grown(60);
        foreach (var channel in template.Channels.Where(c => c.Source is InstrumentSource { Kit: not null }))
        {
            var (content, name) = ShelfKeep.Of(template, ShelfKind.Kit, channel.Id.Value)!.Value;
            Assert.Null(content.Check());

            var after = Taken(EmptyStage.Create("Other"), new("item", name, 1, content));

            var taken = after.Channels.Single(c => c.Kind == ChannelKind.Instrument);
            Assert.Equal(((InstrumentSource)channel.Source!).Kit, KitOf(after, taken.Id));
        }
    }

    private static Template Taken(Template template, ShelfItem item, string? onto = null)
    {
        var result = ShelfTake.Of(template, item, onto);
        return result is ShelfTakeResult.Taken { Take: var take } ? template.With([.. take.Edits]) : throw new InvalidOperationException(((ShelfTakeResult.Refused)result).Why.Sentence);
    }

    private static Kit KitOf(Template template, ChannelId player) => ((InstrumentSource)template.Channels[player].Source!).Kit!;

    private static AddChannel Split(string id, string name, int output) =>
        new(new() { Id = new(id), Name = name, Kind = ChannelKind.Split, Format = ChannelFormat.Mono, Destination = EmptyStage.MixBus, Source = new OutputSource(Set, output) });
}
