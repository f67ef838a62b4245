using HomeStage.Core.Catalogue;
using HomeStage.Core.Editing;
using HomeStage.Core.Making;
using HomeStage.Core.Templates;
using static HomeStage.TestKit.Stages;

namespace HomeStage.Core.Tests.Making;

public class NewPlaceTests
{
    private static readonly Template Stage = OneBar(Bus("drums", "mix-bus"), Bus("toms", "drums"), Tone("kick", "drums"), Return("hall", "mix-bus"), Trigger("pulse"));

    /// <summary>Common practice: a part goes into the bus at hand; who made a bus wants the next one beside it.</summary>
    [Theory]
    [InlineData(ChannelKind.Instrument, "drums", "drums")]
    [InlineData(ChannelKind.Instrument, "kick", "drums")]
    [InlineData(ChannelKind.Bus, "drums", "mix-bus")]
    [InlineData(ChannelKind.Bus, "toms", "drums")]
    [InlineData(ChannelKind.Bus, "kick", "drums")]
    [InlineData(ChannelKind.Bus, "main", "main")]
    [InlineData(ChannelKind.Audio, "hall", "mix-bus")]
    [InlineData(ChannelKind.Audio, "pulse", "mix-bus")]
    [InlineData(ChannelKind.Audio, "gone", "mix-bus")]
    [InlineData(ChannelKind.Audio, null, "mix-bus")]
    [InlineData(ChannelKind.Trigger, "drums", null)]
    [InlineData(ChannelKind.Direct, "drums", null)]
    public void Of_AKindAndWhatIsChosen_IsTheSumThatItWouldFeed(ChannelKind kind, string? chosen, string? under) =>
        Assert.Equal(under, NewPlace.Of(Stage, kind, chosen is null ? null : new(chosen)).Under?.Value);

    /// <summary>Common practice: what is new stands below the row at hand. A machine and its splits are not parted.</summary>
    [Theory]
    [InlineData(ChannelKind.Audio, "kick", "clap")]
    [InlineData(ChannelKind.Instrument, "clap", "kit")]
    [InlineData(ChannelKind.Audio, "kit", "gong")]
    [InlineData(ChannelKind.Audio, "kit-1", "gong")]
    [InlineData(ChannelKind.Audio, "gong", null)]
    [InlineData(ChannelKind.Bus, "low", "air")]
    [InlineData(ChannelKind.Audio, "drums", null)]
    [InlineData(ChannelKind.Split, "kick", null)]
    [InlineData(ChannelKind.Audio, "kit-2", null)]
    [InlineData(ChannelKind.Return, "hall", "plate")]
    [InlineData(ChannelKind.Return, "kick", null)]
    [InlineData(ChannelKind.Trigger, "pulse", null)]
    [InlineData(ChannelKind.Audio, null, null)]
    public void Of_WhatIsChosen_IsTheRowBelowIt(ChannelKind kind, string? chosen, string? before)
    {
        var stage = OneBar(Bus("drums", "mix-bus"), Bus("low", "mix-bus"), Tone("kick", "drums"), Tone("clap", "drums"), Bus("air", "mix-bus"), Machine("kit", "drums"),
            Split("kit-1", "kit", "drums", 2), Split("kit-3", "kit", "drums", 4), Split("kit-2", "kit", "low", 3), Tone("gong", "drums"), Bus("returns", "mix-bus"), Return("hall", "returns"), Return("plate", "returns"), Trigger("pulse"), Trigger("beat"));

        Assert.Equal(before, NewPlace.Of(stage, kind, chosen is null ? null : new(chosen)).Before?.Value);
    }

    /// <summary>Common practice: returns meet in a bus of their own, or go where those that are there go; a part is not put among them.</summary>
    [Theory]
    [InlineData(ChannelKind.Return, "kick", "mix-bus")]
    [InlineData(ChannelKind.Return, "drums", "mix-bus")]
    [InlineData(ChannelKind.Return, "hall", "mix-bus")]
    [InlineData(ChannelKind.Return, "kick", "returns", "returns")]
    [InlineData(ChannelKind.Return, null, "returns", "returns")]
    [InlineData(ChannelKind.Audio, "returns", "mix-bus", "returns")]
    [InlineData(ChannelKind.Bus, "returns", "mix-bus", "returns")]
    public void Of_WhatHasToDoWithReturns_KeepsPartsAndReturnsApart(ChannelKind kind, string? chosen, string under, string? bus = null)
    {
        var stage = bus is null ? Stage : Stage.With(Bus(bus, "mix-bus"));

        Assert.Equal(under, NewPlace.Of(stage, kind, chosen is null ? null : new(chosen)).Under?.Value);
        Assert.Empty(NewPlace.Of(stage, kind, chosen is null ? null : new(chosen)).First);
    }

    /// <summary>Common practice: returns meet in a bus of their own. It is made with the first, under a name and id that are free.</summary>
    [Fact]
    public void Of_TheFirstReturn_IsABusThatIsMadeForIt()
    {
        var stage = OneBar(Tone("returns", "mix-bus"));

        var place = NewPlace.Of(stage, ChannelKind.Return, null);
        var after = stage.With([.. place.First.Select(c => new AddChannel(c)), new MakeChannel(new(ChannelKind.Return) { Name = "Stairwell", Under = place.Under })]);

        var bus = after.Channels[place.Under!.Value];
        Assert.Equal((ChannelKind.Bus, "Returns", EmptyStage.MixBus), (bus.Kind, bus.Name, bus.Destination));
        Assert.Equal(bus.Id, after.Channels.Single(c => c.Kind == ChannelKind.Return).Destination);
        Assert.Equal((bus.Id, 0), (NewPlace.Of(after, ChannelKind.Return, null).Under, NewPlace.Of(after, ChannelKind.Return, null).First.Count));
    }

    /// <summary>Common practice: voices, drums and instruments are mixed in buses of their own; a bass may stand among the instruments.</summary>
    [Theory]
    [InlineData("kick", "drums", "Kick sub")]
    [InlineData("toms", "toms", "Conga")]
    [InlineData("toms", "voices", "Ilka lead voice")]
    [InlineData("kick", "voices", "Ilka lead voice", "Bo harmony")]
    [InlineData("kick", "mix-bus", "Ilka lead voice", "Cello")]
    [InlineData("kick", "drums", "Zzyx")]
    [InlineData("kick", "voices", "Zzyx", "Ilka lead voice")]
    [InlineData("keys", "keys", "Sub bass")]
    [InlineData("keys", "drums", "Snare")]
    [InlineData("keys", "drums", "Shaker")]
    [InlineData("kick", "mix-bus", "Sub bass")]
    [InlineData("kick", "keys", "Upright piano")]
    [InlineData("mix-bus", "mix-bus", "Ilka lead voice")]
    [InlineData("machine", "voices", "Ilka lead voice")]
    [InlineData("machine", "mix-bus", "Zzyx")]
    [InlineData("machine", "mix-bus", "Snare")]
    [InlineData(null, "voices", "Ilka lead voice")]
    [InlineData(null, "mix-bus", "Zzyx")]
    [InlineData("folk", "folk", "Ilka lead voice")]
    public void Of_APartWhoseNameTells_IsNotABusOfAnotherCompany(string? chosen, string under, params string[] names)
    {
        var stage = Stage.With(Bus("keys", "mix-bus"), Bus("voices", "mix-bus"), Bus("folk", "mix-bus"), Tone("machine", "mix-bus"), new RenameChannel(new("machine"), "Drum machine"));

        Assert.Equal(under, NewPlace.Of(stage, ChannelKind.Audio, chosen is null ? null : new(chosen), names).Under?.Value);
    }

    [Fact]
    public void FinalAct_IsTheOneForMixing_OrElseTheLast()
    {
        Assert.Equal("mix", Stage.FinalAct.Id);
        Assert.Equal("record", (Stage with { Acts = [.. Stage.Acts.Where(a => a.Id != "mix")] }).FinalAct.Id);
    }

    private static AddChannel Machine(string id, string feeds) => new(new()
    {
        Id = new(id),
        Name = id,
        Kind = ChannelKind.Instrument,
        Destination = new(feeds),
        Source = new InstrumentSource(InstrumentCatalogue.Breakwater, InstrumentCatalogue.Find(InstrumentCatalogue.Breakwater)!.Kit),
    });

    private static AddChannel Split(string id, string of, string feeds, int output) => new(new()
    {
        Id = new(id),
        Name = id,
        Kind = ChannelKind.Split,
        Destination = new(feeds),
        Source = new OutputSource(new(of), output),
    });
}
