using HomeStage.Core.Catalogue;
using HomeStage.Core.Editing;
using HomeStage.Core.Kits;
using HomeStage.Core.Levels;
using HomeStage.Core.Strips;
using HomeStage.Core.Templates;
using static HomeStage.TestKit.Stages;

namespace HomeStage.Core.Tests.Levels;

/// <summary>What a strip, a fader and a kit's outputs do to the level that is predicted.</summary>
public class PredictedStripTests
{
    // A sine of −6 dBFS on both sides is −6 LUFS (EBU Tech 3341).
    private const double ToneLufs = -6;
    private const double WithinLu = 0.001;

    [Fact]
    public void AnEqualiserAtRest_ChangesNothing() => Assert.Equal(ToneLufs, Predicted(Insert("eq", "equaliser")), WithinLu);

    [Fact]
    public void AnEqualiser_CountsWithItsMeanPowerOverTheThirdOctavesFrom50HzTo10KHz()
    {
        var settings = Map<double>.Empty.With("low-shelf-db", -12).With("low-shelf-hz", 200).With("bell-2-db", 6).With("bell-2-hz", 3000);
        var sections = EqualiserLaw.Sections(settings, 48000);
        // The base-ten third octaves of IEC 61260-1: band 17 is 50 Hz, band 40 is 10 kHz.
        var powers = Enumerable.Range(17, 24).Select(band => Math.Pow(10, EqualiserLaw.GainDb(sections, Math.Pow(10, band / 10.0), 48000) / 10));

        Assert.Equal(ToneLufs + 10 * Math.Log10(powers.Average()), Predicted(new Insert(new("eq"), "equaliser") { Settings = settings }), WithinLu);
    }

    [Fact]
    public void AnEqualiserOfOneSection_CountsAsWell()
    {
        var settings = Map<double>.Empty.With("low-shelf-db", 12).With("low-shelf-hz", 400);
        var section = Assert.Single(EqualiserLaw.Sections(settings, 48000));
        var powers = Enumerable.Range(17, 24).Select(band => Math.Pow(10, EqualiserLaw.GainDb([section], Math.Pow(10, band / 10.0), 48000) / 10));

        Assert.Equal(ToneLufs + 10 * Math.Log10(powers.Average()), Predicted(new Insert(new("eq"), "equaliser") { Settings = settings }), WithinLu);
    }

    [Fact]
    public void ACompressorOnAMonoChannel_HearsItsOneLane()
    {
        // One lane is 3.01 dB below both; its peaks are at −6 dBFS, 14 dB over −20, of which 4:1 takes 10.5.
        var template = OneBar(Tone("a", "mix-bus", ChannelFormat.Mono, Insert("c", "compressor", ("threshold-db", -20), ("ratio", 4), ("knee-db", 0))));

        Assert.Equal(ToneLufs - 3.0103 - 10.5, Of(template, "a"), WithinLu);
    }

    [Theory]
    // Common practice: a send before the fader stands in the middle, what comes after the fader where it is panned. A bus that is turned
    // hard to the other side lets nothing of that through, and of the middle one side: half of the power.
    [InlineData(TapPoint.Post, null)]
    [InlineData(TapPoint.Pre, ToneLufs - 3.0103 - 3.0103)]
    public void AMonoChannelsPan_IsTakenAfterItsFader(TapPoint tap, double? lufs)
    {
        var template = OneBar(Tone("a", "mix-bus", ChannelFormat.Mono), Return("hall", "mix-bus"), new SetPan(new("a"), -1), new SetPan(new("hall"), 1),
            new PutSend(new("a"), new(new("hall"), new(0), Tap: tap)));

        var hall = LevelBudget.Of(template, InMix).Levels.Single(l => l.Channel.Value == "hall").ExpectedLufs;

        Assert.Equal(lufs is null, hall is null);
        if (lufs is { } expected)
            Assert.Equal(expected + 20 * Math.Log10(PanGains.Balance(1, template.PanLaw).Right), hall!.Value, WithinLu);
    }

    [Fact]
    public void AMonoOutputOnAStereoChannel_StandsInTheMiddle()
    {
        var kit = new Kit([Piece.Pad("Low", 36, "pads", 1, DrumSound.Kick)], [new("One", ChannelFormat.Mono)]);
        double Sided(double pan) => Of(OneBar(
            new AddChannel(new() { Id = new("kit"), Name = "Pads", Kind = ChannelKind.Instrument, Destination = EmptyStage.MixBus, Source = new InstrumentSource(InstrumentCatalogue.Breakwater, kit) }),
            new PutPattern(new("kit"), new("Beat", 1920, [new(0, 90, 36, 100)], [])), new SetPan(new("kit"), pan)), "kit");

        Assert.Equal(Sided(-1), Sided(1), WithinLu);
    }

    [Theory]
    [InlineData(0, -6)] // the peaks of a sine of −6 dBFS
    [InlineData(1, -9.0103)] // its mean square, √2 below
    public void ACompressor_IsPredictedByWhatItsDetectorHears(int detector, double heardDb)
    {
        var comp = Insert("c", "compressor", ("threshold-db", -20), ("ratio", 4), ("knee-db", 0), ("make-up-db", 2), ("detector", detector));

        Assert.Equal(ToneLufs + 2 - 0.75 * (heardDb + 20), Predicted(comp), WithinLu);
    }

    [Fact]
    public void ACompressor_OfWhichHalfIsMixedIn_AddsAsAmplitudes()
    {
        var whole = Predicted(Insert("c", "compressor", ("threshold-db", -30), ("ratio", 10)));
        var half = Predicted(Insert("c", "compressor", ("threshold-db", -30), ("ratio", 10), ("mix-percent", 50)));

        Assert.Equal(20 * Math.Log10((Math.Pow(10, ToneLufs / 20) + Math.Pow(10, whole / 20)) / 2), half, WithinLu);
    }

    [Fact]
    public void WhatAKeySteers_AndWhatIsParked_CountsAsNothingTaken()
    {
        var comp = Insert("c", "compressor", ("threshold-db", -40), ("ratio", 10));

        Assert.Equal(ToneLufs, Predicted(comp with { Key = new(true) }), WithinLu);
        Assert.Equal(ToneLufs, Predicted(comp with { ParkedIn = [InMix] }), WithinLu);
        Assert.True(Predicted(comp) < ToneLufs - 10);
    }

    [Theory]
    [InlineData(0)]
    [InlineData(30)]
    [InlineData(100)]
    public void AnEffect_AddsItsShareAsAPowerOfItsOwn(double wetPercent)
    {
        var wet = wetPercent / 100;

        Assert.Equal(ToneLufs + 10 * Math.Log10(wet * wet + (1 - wet) * (1 - wet)), Predicted(Insert("d", "delay", ("wet-percent", wetPercent))), WithinLu);
    }

    [Theory]
    [InlineData(0.5)]
    [InlineData(-1)]
    public void AStereoFader_TurnsEachSideByTheBalance(double pan)
    {
        var template = OneBar(Tone("a", "mix-bus"), new SetPan(new("a"), pan), new SetLevel(new("a"), new(-4)));
        var balance = PanGains.Balance(pan, template.PanLaw);

        // Each side carries half of the power.
        Assert.Equal(ToneLufs - 4 + 10 * Math.Log10((balance.Left * balance.Left + balance.Right * balance.Right) / 2), Of(template, "a"), WithinLu);
    }

    [Fact]
    public void AKitsLoudness_IsSharedOutAmongItsOutputs_ByTheStrokesSquared()
    {
        var kit = new Kit([Piece.Pad("Low", 36, "pads", 1, DrumSound.Kick), Piece.Pad("High", 38, "pads", 2, DrumSound.Snare), Piece.Pad("Never", 40, "pads", 3, DrumSound.Clap)],
            [new("One", ChannelFormat.Mono), new("Two", ChannelFormat.Mono), new("Three", ChannelFormat.Mono)]);
        var template = OneBar(
            new AddChannel(new() { Id = new("kit"), Name = "Pads", Kind = ChannelKind.Instrument, Format = ChannelFormat.Mono, Destination = EmptyStage.MixBus, Source = new InstrumentSource(InstrumentCatalogue.Breakwater, kit) }),
            Split("two", 2), Split("three", 3),
            // 3 · 60² = 10,800 on the first, 120² = 14,400 on the second; a note that strikes nothing counts nowhere.
            new PutPattern(new("kit"), new("Beat", 1920, [new(0, 90, 36, 60), new(480, 90, 36, 60), new(960, 90, 36, 60), new(960, 90, 38, 120), new(960, 90, 99, 127)], [])));

        Assert.Equal(Calibration.NominalLufs + 10 * Math.Log10(10800.0 / 25200), Of(template, "kit"), WithinLu);
        Assert.Equal(Calibration.NominalLufs + 10 * Math.Log10(14400.0 / 25200), Of(template, "two"), WithinLu);
        Assert.Null(LevelBudget.Of(template, InMix).Levels.Single(l => l.Channel.Value == "three").ExpectedLufs);
    }

    private static AddChannel Split(string id, int output) =>
        new(new() { Id = new(id), Name = id, Kind = ChannelKind.Split, Format = ChannelFormat.Mono, Destination = EmptyStage.MixBus, Source = new OutputSource(new("kit"), output) });

    private static double Predicted(params Insert[] strip) => Of(OneBar(Tone("a", "mix-bus", strip: strip)), "a");

    private static double Of(Template template, string channel) => LevelBudget.Of(template, InMix).Levels.Single(l => l.Channel.Value == channel).ExpectedLufs!.Value;
}
