using HomeStage.Core.Automation;
using HomeStage.Core.Catalogue;
using HomeStage.Core.Ducking;
using HomeStage.Core.Editing;
using HomeStage.Core.Templates;
using HomeStage.TestKit;
using static HomeStage.TestKit.Stages;

namespace HomeStage.Core.Tests.Ducking;

/// <summary>What a ducker is set to, as it is shown beside what was asked and measured.</summary>
public class DuckerSettingTests
{
    private static readonly Template Stage = OneBar(Bus("pads", "mix-bus"));

    [Fact]
    public void ByLevel_ItIsTheCompressorsValues_AndTheLengthOfTheKeyTone()
    {
        var template = Stage.With([.. MakeRoom.Of(Stage, InMix, "song", new(null, new(1), [new(new("pads"), 6)], 0.5)).Room!.Edits]);
        var ducker = Ducker.In(template).Single();

        var set = DuckerSetting.Of(template, ducker, 120).ToDictionary(s => s.Name, s => s.Value);

        // A 64th at 120 is 31.25 ms.
        Assert.Equal("31.3 ms", set["Key tone"]);
        Assert.Equal(["Threshold", "Ratio", "Attack", "Hold", "Release", "Key tone"], set.Keys);
        Assert.Matches(@"^\d+(\.\d+)? ms$", set["Release"]);
    }

    [Fact]
    public void ATone_ThatHolds_IsAsLongAsItsHoldAndItsRelease()
    {
        var template = OneBar(Trigger("pulse"), Bus("pads", "mix-bus"),
            new AddInsert(new("pads"), Insert("duck", ProcessorCatalogue.Compressor, ("release-ms", 140.256)) with { Key = new(true) }), new PutFeed(new("pulse"), new(new("pads"), new("duck"), new(0))),
            new SetInstrumentSetting(new("pulse"), "hold-ms", 40), new SetInstrumentSetting(new("pulse"), "release-ms", 12));

        var set = DuckerSetting.Of(template, Ducker.In(template).Single(), 120).ToDictionary(s => s.Name, s => s.Value);

        Assert.Equal("52 ms", set["Key tone"]);
        Assert.Equal("140.26 ms", set["Release"]);
    }

    [Fact]
    public void ByNotes_ItIsTheDepthAndTheLengthOfTheCurve()
    {
        var template = OneBar(Bus("pads", "mix-bus"), new AddInsert(new("pads"), Insert("room", ProcessorCatalogue.Ducker, ("depth-db", 7.5), ("length-quarters", 0.75))));

        Assert.Equal([new("Depth", "7.5 dB"), new("Length", "1/8D")], DuckerSetting.Of(template, Ducker.In(template).Single(), 90));
    }

    [Fact]
    public void TheLastHit_IsBack_AlsoWhereTheNextSectionBeginsWithOne()
    {
        // A glide of 2 ms to the first hit of the second section lies at the end of the first.
        var template = OneBar(Bus("pads", "mix-bus"), new SetTimeline(new(120, new(4, 4), [new("One", 1, Id: "one"), new("Two", 1, Id: "two")])),
            new AddInsert(new("pads"), Insert("room", ProcessorCatalogue.Ducker, ("depth-db", 9), ("length-quarters", 0.5)) with { Trigger = NoteTrigger.Plain }));

        var reading = DuckingRun.Of(template, InMix, "one", Ducker.In(template).Single()).Run!.Reading;

        Assert.Equal(4, reading.Hits.Count);
        Assert.All(reading.Hits, h => Assert.InRange(h.BackMs!.Value, 100, 250));
    }
}
