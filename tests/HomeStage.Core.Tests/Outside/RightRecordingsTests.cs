using HomeStage.Core.Catalogue;
using HomeStage.Core.Editing;
using HomeStage.Core.Outside;
using HomeStage.Core.Templates;
using HomeStage.TestKit;
using static HomeStage.Core.Tests.Outside.OutsideBench;

namespace HomeStage.Core.Tests.Outside;

/// <summary>What was set up rightly, however it was recorded: nothing is blamed.</summary>
public sealed class RightRecordingsTests
{
    [Theory]
    [InlineData(-7.5, 44100, 2.345, 24)]
    [InlineData(4, 96000, -0.8, 24, Skip = Runs.InTheLongRun, SkipUnless = nameof(Runs.AreLong), SkipType = typeof(Runs))]
    [InlineData(-14, 32000, 0.013, 16)]
    public void WhatWasSetUpRightly_HasNoFault_WhateverGainRateStartAndBits(double gainDb, int rateHz, double later, int bits)
    {
        string[] some = ["Drums.wav", "Snare.wav", "Hats.wav", "Fog.wav", "Low wire.wav", "Echo.wav", "Hall.wav", "Harbour kit.wav"];

        var answer = Check(Clean.Where(f => some.Contains(f.Name)).Select(f => f.Gain(gainDb).Later(later).At(rateHz).Bits(bits)));

        Assert.Equal([], answer.Findings.Select(f => f.Words));
        Assert.All(answer.Recordings, r => Assert.InRange(r.StartSeconds, later - 0.03, later + 0.03));
        Assert.All(answer.Rows, r => Assert.Equal(OutsideVerdict.Arrived, r.Verdict));
        // The instrument's own channel gives nothing: all its pieces leave by splits.
        Assert.Equal(answer.Recordings.Select(r => r.Channel!.Value).Where(c => c != OutsideBand.Player).Select(c => c.Value).Order(StringComparer.Ordinal), answer.Proven.Select(c => c.Value).Order(StringComparer.Ordinal));
        Assert.Contains(answer.Notes, n => n.Contains($"{Math.Abs(gainDb):0.0} dB {(gainDb < 0 ? "softer" : "louder")}", StringComparison.Ordinal));
    }

    [Fact]
    public void MonoRecordings_OfChannelsInTheMiddleAndAtASide_HaveNoFault()
    {
        // As a workstation writes mono channels: before the pan, so louder than a side of them here.
        var files = Clean.Select(f => f.Name is "Kick.wav" or "Snare.wav" or "Ride.wav" or "Hats.wav" or "Tom low.wav" ? f with { Lanes = [f.Lanes[0]] } : f).Select(f => f.Lanes.Count == 1 ? f.Gain(3.01) : f);

        var answer = Check(files);

        Assert.Empty(answer.Findings);
        Assert.Contains(new ChannelId("ride"), answer.Proven);
    }

    [Fact]
    public void ARecordingThatEndsEarly_IsNotBlamedForWhatItLacks()
    {
        var answer = Check(Clean.Select(f => f.Name == "Fog.wav" ? f with { Lanes = [.. f.Lanes.Select(l => l[..(10 * 48000)])] } : f));

        Assert.Empty(answer.Findings);
        Assert.Contains("Fog.wav does not hold the whole test; what it lacks is not judged.", answer.Notes);
    }

    [Fact(Skip = Runs.InTheLongRun, SkipUnless = nameof(Runs.AreLong), SkipType = typeof(Runs))]
    public void AReturnThatIsHalfDryHere_IsNotBlamedForIt()
    {
        var half = Song with { Template = Song.Template.With(new SetParameter(new("hall"), new("verb"), "wet-percent", 45)) };
        var here = Reference.Of(half, new MemoryTapes());

        var answer = OutsideCheck.Of(here, [.. new Workstation(half).All().Select(f => here.Brought(f.Name, f.Lanes, f.SampleRateHz, new MemoryTapes()))]);

        Assert.Empty(answer.Findings);
    }

    [Fact]
    public void FilesThatWereEachMadeLoudAndCutByThemselves_AreJudgedWithin()
    {
        var chance = new Random(11);
        var files = Clean.Where(f => f.Lanes[0].Any(v => v != 0)).Select(f => f.Gain(-20 * Math.Log10(f.Lanes.Max(l => l.Max(Math.Abs)))).Later(chance.NextDouble() * 3 + 0.2));

        var answer = Check(files);

        Assert.Empty(answer.Findings);
        Assert.Contains("The recordings do not begin together, so none can be said to be late as a whole.", answer.Notes);
        Assert.Contains("Each was turned up by an amount of its own, so levels are judged within each recording alone.", answer.Notes);
    }

    [Fact]
    public void OtherInstruments_AreJudgedByWhatIsThere()
    {
        var other = new Workstation(
            Song, new SetSource(OutsideBand.Player, new InstrumentSource(InstrumentCatalogue.Breakwater, OutsideBand.Kit with { Pieces = OutsideBand.Kit.Pieces.Select(OutsideBand.AnotherSound).ToSequence() })),
            new SetSource(new("pad"), new InstrumentSource(InstrumentCatalogue.Reedbox)), new SetSource(new("keys"), new InstrumentSource(InstrumentCatalogue.Driftwood)), new SetSource(new("bass"), new InstrumentSource(InstrumentCatalogue.Reedbox)),
            new SetMute(new("ride"), true));

        var answer = Check(other.All().Where(f => f.Name is not ("Main.wav" or "Mix bus.wav" or "Drums.wav" or "Rest.wav")));

        Assert.Equal(["Ride is not heard."], answer.Findings.Select(f => f.Words));
        Assert.Contains(answer.Notes, n => n.StartsWith("Most of what came back is other sound", StringComparison.Ordinal));
    }
}
