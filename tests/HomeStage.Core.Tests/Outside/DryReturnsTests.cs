using HomeStage.Core.Editing;
using HomeStage.Core.Outside;
using HomeStage.TestKit;
using static HomeStage.Core.Outside.FaultKind;
using static HomeStage.Core.Tests.Outside.OutsideBench;
using static HomeStage.TestKit.Stages;

namespace HomeStage.Core.Tests.Outside;

/// <summary>Dry sound on a return that comes back from a workstation.</summary>
public sealed class DryReturnsTests
{
    [Fact]
    public void DrySoundOnAReturn_IsFound()
    {
        var answer = Faulty(new SetParameter(new("hall"), new("verb"), "wet-percent", 50), new SetParameter(new("echo"), new("taps"), "wet-percent", 60));

        Assert.Equal([(Dry, "echo", "Dry sound of Bells comes with the effect on Echo."), (Dry, "hall", "Dry sound comes with the effect on Hall.")], answer.Findings.Select(f => (f.Kind, f.Channel.Value, f.Words)).OrderBy(f => f.Value));
    }

    [Fact(Skip = Runs.InTheLongRun, SkipUnless = nameof(Runs.AreLong), SkipType = typeof(Runs))]
    public void OnAReturnWithDrySound_NothingElseIsBlamed()
    {
        // A held tone is like its own echo: of it nobody can tell what is dry, and its level and place change.
        var song = TestSong.Of(OutsideBand.Template.With(new PutSend(new("pad"), new(new("hall"), new(-10)))), InMix);
        var here = Reference.Of(song, new MemoryTapes());
        var there = new Workstation(song, new SetParameter(new("hall"), new("verb"), "wet-percent", 60), new SetPan(new("clap"), 0));

        var answer = OutsideCheck.Of(here, [.. there.All().Select(f => here.Brought(f.Name, f.Lanes, f.SampleRateHz, new MemoryTapes()))]);

        Assert.All(answer.Findings, f => Assert.Equal((Dry, "hall"), (f.Kind, f.Channel.Value)));
        Assert.NotEmpty(answer.Findings);
    }
}
