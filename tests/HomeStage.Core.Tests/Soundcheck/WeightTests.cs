using HomeStage.Core.Catalogue;
using HomeStage.Core.Editing;
using HomeStage.Core.Soundcheck.Findings;
using HomeStage.Core.Templates;
using HomeStage.TestKit;
using static HomeStage.TestKit.Stages;

namespace HomeStage.Core.Tests.Soundcheck;

public class WeightTests
{
    private static readonly Template OneLimiter = OneBar(Bus("b", "mix-bus", Insert("limit", ProcessorCatalogue.Limiter)));
    private static double LimiterPercent => ProcessorCatalogue.Find(ProcessorCatalogue.Limiter)!.SharePercent;

    [Fact]
    public void Percent_OfOneInsert_IsItsShare()
    {
        Assert.Equal(LimiterPercent, Weight.PercentOf(OneLimiter, InMix), 9);
    }

    [Fact]
    public void Percent_InMono_IsHalf_AndAtTwiceTheRateTwice()
    {
        Assert.Equal(LimiterPercent / 2, Weight.PercentOf(OneLimiter.With(new SetFormat(new("b"), ChannelFormat.Mono)), InMix), 9);
        Assert.Equal(LimiterPercent * 2, Weight.PercentOf(OneLimiter.With(new SetSampling(96000, PanLaw.Linear)), InMix), 9);
    }

    [Fact]
    public void Percent_OfWhatIsParkedOrRests_IsNothing()
    {
        Assert.Equal(0, Weight.PercentOf(OneLimiter.With(new ParkInsert(new("b"), new("limit"), [InMix])), InMix));
        Assert.Equal(0, Weight.PercentOf(OneLimiter.With(new SetStage(new("b"), InMix, StageState.InTheWings)), InMix));
        Assert.Equal(LimiterPercent, Weight.PercentOf(OneLimiter.With(new SetStage(new("b"), InMix, StageState.BehindTheCurtain)), InMix), 9);
    }

    [Fact]
    public void EveryStandIn_StatesAShare()
    {
        Assert.All(ProcessorCatalogue.All.Where(p => !p.StandsInOnly), p => Assert.True(p.SharePercent > 0, p.Id));
        Assert.All(InstrumentCatalogue.All, i => Assert.True(i.SharePercent > 0, i.Id));
    }
}
