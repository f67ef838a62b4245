using HomeStage.Core.Catalogue;
using HomeStage.Core.Editing;
using HomeStage.Core.Templates;
using HomeStage.Formats.CallSheets;
using HomeStage.TestKit;
using static HomeStage.TestKit.Stages;

namespace HomeStage.Formats.Tests.CallSheets;

/// <summary>The page alone is enough to set a strip up by hand.</summary>
public class SheetStripTests
{
    private static readonly Insert Compressor = Insert("c", ProcessorCatalogue.Compressor);

    [Fact]
    public void AnEqualiserThatIsFlat_SaysNothing() => Assert.Null(SheetStrip.Settings(Insert("e", ProcessorCatalogue.Equaliser)));

    [Fact]
    public void OfAnEqualiser_BandsThatAreTurnedAndFiltersThatAreOnAreTold() =>
        Assert.Equal(
            "Equaliser: low cut at 95 Hz, low cut slope 24 dB/oct, low cut resonance 0.71 Q, second bell at 2500 Hz, second bell −3.5 dB, second bell width 1 Q",
            SheetStrip.Settings(Insert("e", ProcessorCatalogue.Equaliser, ("low-cut", 1), ("low-cut-hz", 95), ("low-cut-slope", 1), ("bell-2-db", -3.5), ("bell-1-hz", 333), ("high-cut-hz", 9000))));

    [Fact]
    public void OfACompressor_AllThatItDoesIsTold()
    {
        var told = SheetStrip.Settings(Insert("c", ProcessorCatalogue.Compressor, ("ratio", 5), ("make-up-db", 2.5)))!;

        foreach (var word in new[] { "threshold −18 dB", "ratio 5 : 1", "knee 6 dB", "attack 10 ms", "release 120 ms", "make-up 2.5 dB" })
            Assert.Contains(word, told, StringComparison.Ordinal);
        // All of it passes through, and it hears peaks as ever.
        Assert.DoesNotContain(", hold", told, StringComparison.Ordinal);
        Assert.DoesNotContain("mix", told, StringComparison.Ordinal);
        Assert.DoesNotContain("detector", told, StringComparison.Ordinal);
        // A slope is told even where it is the usual one, since elsewhere another is usual.
        Assert.Contains("low cut slope 12 dB/oct", SheetStrip.Settings(Insert("e", ProcessorCatalogue.Equaliser, ("low-cut", 1))), StringComparison.Ordinal);
    }

    [Fact]
    public void HowAnInsertStands_IsToldWithItsName()
    {
        var template = OneBar();
        string Name(Insert insert) => SheetStrip.Name(template, insert);

        Assert.Equal("Compressor", Name(Compressor));
        Assert.Equal("Compressor (off)", Name(Compressor with { Off = true }));
        Assert.Equal("Compressor (waits)", Name(Compressor with { WaitsFor = new(WaitReason.Person) }));
        Assert.Equal("Compressor (waits for the key)", Name(Compressor with { WaitsFor = new(WaitReason.SongKey) }));
        Assert.Equal($"Compressor (parked in {template.Acts[0].Name})", Name(Compressor with { ParkedIn = [template.Acts[0].Id] }));
        Assert.Equal("Compressor (kept for automation)", Name(Compressor with { KeptForAutomation = true }));
    }

    [Fact]
    public void SendsThatAreSetAlike_AreOne_AndTheTapIsTold()
    {
        var template = OneBar(
            Tone("a", "mix-bus"), Return("cave", "mix-bus"), Return("well", "mix-bus"), Return("pipe", "mix-bus"),
            new PutSend(new("a"), new(new("cave"), new(-9))), new PutSend(new("a"), new(new("pipe"), new(-20), TapPoint.Pre)), new PutSend(new("a"), new(new("well"), new(-9))));

        Assert.Equal(["Return cave, Return well: each −9.0 dB", "Return pipe −20.0 dB, before the fader"], SheetStrip.Sends(template, template.Channels[new ChannelId("a")]));
        var closed = template.With(new PutSend(new("a"), new(new("pipe"), new(-20), Open: false)));
        Assert.EndsWith("−20.0 dB, closed", SheetStrip.Sends(closed, closed.Channels[new ChannelId("a")])[1]);
    }
}
