using HomeStage.Core.Catalogue;
using HomeStage.Core.Editing;
using HomeStage.Core.Kits;
using HomeStage.Core.LineChecks;
using HomeStage.Core.Templates;
using HomeStage.TestKit;
using static HomeStage.TestKit.Stages;

namespace HomeStage.Core.Tests.Outputs;

/// <summary>Every source alone: where it arrives, how loud, and what is wrong when something is.</summary>
public sealed class LineCheckTests
{
    private const string Act = "mix";
    private static readonly ChannelId Player = new("kit");

    private static readonly Template Deep = OneBar(
        Bus("drums", "mix-bus"), Return("echo", "mix-bus"),
        new AddChannel(new() { Id = Player, Name = "Deep kit", Kind = ChannelKind.Instrument, Destination = new("drums"), Source = new InstrumentSource(InstrumentCatalogue.TidewaterDeep, StandInKits.TidewaterDeep) }),
        Split("deep", 2), Split("side", 3), Split("frame", 4), Split("clap", 5), Split("shakers", 6), Split("wood", 7), Split("metal", 8), Split("bells", 9), Split("toms", 10), Split("overheads", 11), Split("hall", 12),
        new PutSend(new("side"), new(new("echo"), new(-12))),
        new AddChannel(new() { Id = new("voice"), Name = "Voice", Kind = ChannelKind.Audio, Format = ChannelFormat.Mono, Destination = EmptyStage.MixBus, Source = new InputSource(1, Monitored: true) }));

    [Fact]
    public void AllOf_ATemplate_IsEveryPieceInstrumentAndMonitoredInput()
    {
        var sources = LineSource.AllOf(Deep, Act).ToList();

        // 22 pieces are struck; two far microphones are not.
        Assert.Equal([.. StandInKits.TidewaterDeep.Pieces.Select(p => p.Name), "Voice"], sources.Select(s => s.Name));
        Assert.DoesNotContain(LineSource.AllOf(Deep.With(new SetStage(Player, Act, StageState.InTheWings)), Act), s => s.Channel == Player);
    }

    [Fact]
    public void Fire_EverySource_ArrivesWhereItBelongs()
    {
        foreach (var source in LineSource.AllOf(Deep, Act))
        {
            var row = LineCheck.Fire(Deep, Act, source);
            Assert.True(row.Verdict == LineVerdict.Arrived, $"{source.Name}: {row.Verdict}");
            Assert.Contains(row.Places, p => p.Channel == EmptyStage.Main);
        }
    }

    [Fact]
    public void Fire_APiece_IsOnItsSplitInTheSumsOnItsReturnAndAtTheFarMicrophones()
    {
        var row = Fire(Deep, "Side drum");

        Assert.Equal(
            ["drums", "echo", "hall", "main", "mix-bus", "overheads", "side"],
            row.Places.Select(p => p.Channel.Value).Order(StringComparer.Ordinal));
        // The split's fader turns its peak by what it says.
        Assert.Equal(-6, At(Fire(Deep.With(new SetLevel(new("side"), new(-6))), "Side drum"), "side") - At(row, "side"), 0.01);
    }

    [Fact]
    public void Fire_ThroughASplitThatIsNotMonitored_IsNotEverywhere_AndNowhereWithoutMicrophones()
    {
        var silent = Deep.With(new SetSource(new("side"), new OutputSource(Player, 3, Monitored: false)));

        var row = Fire(silent, "Side drum");
        Assert.Equal((LineVerdict.NotEverywhere, new ChannelId("side")), (row.Verdict, row.Missing[0]));

        var alone = silent.With(new RemoveChannel(new("overheads")), new RemoveChannel(new("hall")));
        Assert.Equal(LineVerdict.Nowhere, Fire(alone, "Side drum").Verdict);
    }

    [Fact]
    public void Fire_APieceThatIsAlsoOnTheFirstOutput_IsOnceTooOften()
    {
        var kit = StandInKits.TidewaterDeep;
        var both = Deep.With(new SetOutputs(Player, kit.At("Gong", m => m with { AlsoOnFirst = true }), []));

        var row = Fire(both, "Gong");

        Assert.Equal(LineVerdict.TooOften, row.Verdict);
        Assert.Equal([Player, new ChannelId("metal")], row.Twice);
    }

    [Fact]
    public void Fire_AnInputThatTwoChannelsMonitor_IsElsewhereToo()
    {
        var doubled = Deep.With(new AddChannel(new() { Id = new("other"), Name = "Other", Kind = ChannelKind.Audio, Format = ChannelFormat.Mono, Destination = EmptyStage.MixBus, Source = new InputSource(1, Monitored: true) }));

        var row = LineCheck.Fire(doubled, Act, new(new("voice"), null, "Voice"));

        Assert.Equal(LineVerdict.Elsewhere, row.Verdict);
        Assert.Equal("other", Assert.Single(row.Places, p => !p.Expected).Channel.Value);
    }

    /// <summary>Two jacks are swapped: the names say so, whatever the wiring believes (common practice).</summary>
    [Fact]
    public void Fire_WhatLandsOnASplitOfAnotherName_IsElsewhere_AndBelongsWhereTheNameSays()
    {
        var swapped = OwnKit(("Clap", 39, 3), ("Hat closed", 42, 2), ("Kick", 36, 4));

        var row = Fire(swapped, "Clap");

        Assert.Equal((LineVerdict.Elsewhere, "hats"), (row.Verdict, Assert.Single(row.Places, p => !p.Expected).Channel.Value));
        Assert.Equal(["clap"], row.Missing.Select(c => c.Value));
        Assert.Equal(["clap"], row.Entries.Select(c => c.Value));
        Assert.Equal(LineVerdict.Arrived, Fire(swapped, "Kick").Verdict);
    }

    /// <summary>A split that nobody is called after: the sound is in the wrong place, though there is no right one.</summary>
    [Fact]
    public void Fire_WhatLandsOnASplitOfAnotherName_WithoutASplitOfItsOwn_IsElsewhereToo()
    {
        var row = Fire(OwnKit(("Snare", 38, 2), ("Kick", 36, 4), ("Clap", 39, 3)), "Snare");

        Assert.Equal((LineVerdict.Elsewhere, 0), (row.Verdict, row.Entries.Count));
        // The bus over it is right all the same.
        Assert.Equal(["clap"], row.Places.Where(p => !p.Expected).Select(p => p.Channel.Value));
    }

    private static Template OwnKit(params (string Name, int Note, int Output)[] pieces) => OneBar(
        Bus("drums", "mix-bus"),
        new AddChannel(new()
        {
            Id = Player,
            Name = "Kit",
            Kind = ChannelKind.Instrument,
            Destination = new("drums"),
            Source = new InstrumentSource(InstrumentCatalogue.OwnMachine, new(
                [.. pieces.Select(p => Piece.Pad(p.Name, p.Note, "drums", p.Output, DrumSound.Clap))], [.. Enumerable.Range(1, 4).Select(n => new KitOutput($"Output {n}", ChannelFormat.Stereo))])),
        }),
        Split("clap", 2), Split("hats", 3), Split("kick", 4));

    private static AddChannel Split(string id, int output) => new(new()
    { Id = new(id), Name = id, Kind = ChannelKind.Split, Destination = new("drums"), Source = new OutputSource(Player, output) });

    private static LineRow Fire(Template template, string piece) =>
        LineCheck.Fire(template, Act, LineSource.AllOf(template, Act).Single(s => s.Name == piece));

    private static double At(LineRow row, string channel) => row.Places.Single(p => p.Channel.Value == channel).PeakDbfs;
}
