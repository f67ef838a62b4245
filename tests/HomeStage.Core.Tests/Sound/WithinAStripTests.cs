using HomeStage.Core.Catalogue;
using HomeStage.Core.Sound;
using HomeStage.Core.Sound.Listening;
using HomeStage.Core.Strips;
using HomeStage.Core.Templates;
using static HomeStage.TestKit.Stages;

namespace HomeStage.Core.Tests.Sound;

/// <summary>Listening at one insert: what goes in, what comes out, what lies between.</summary>
public class WithinAStripTests
{
    private static readonly ChannelId T = new("t");

    [Fact]
    public void BeforeAfterAndBetween_AreThreeSounds_OfWhichOneIsTheOthersDifference()
    {
        // A late limiter before it, so that every point lies at another time within the render.
        var template = OneBar(Tone("t", "mix-bus", ChannelFormat.Stereo, Insert("late", ProcessorCatalogue.Limiter, ("ceiling-db", 0)), Insert("half", ProcessorCatalogue.Gain, ("gain-db", -6.0206)), Insert("last", ProcessorCatalogue.Saturator)));

        var (before, after, between) = (Heard(template, "half", ListeningPoint.BeforeInsert), Heard(template, "half", ListeningPoint.AfterInsert), Heard(template, "half", ListeningPoint.TakenOff));

        Assert.Equal(0.501, before.Left.Max(), 0.002);
        Assert.All(Enumerable.Range(0, before.Left.Length), i =>
        {
            Assert.Equal(before.Left[i] / 2, after.Left[i], 1e-5f);
            Assert.Equal(before.Left[i] - after.Left[i], between.Left[i], 1e-6f);
        });
    }

    [Fact]
    public void WhatALateProcessorDoesNotTouch_TakesNothingOff()
    {
        var template = OneBar(Tone("t", "mix-bus", ChannelFormat.Mono, Insert("limit", ProcessorCatalogue.Limiter, ("look-ahead-ms", 7), ("ceiling-db", 0))));

        Assert.True(Heard(template, "limit", ListeningPoint.TakenOff).PeakDbfs is null or < -120);
        Assert.Equal(-6, Heard(template, "limit", ListeningPoint.AfterInsert).PeakDbfs!.Value + 3.0103, 0.05);
    }

    [Fact]
    public void ReductionsOverTime_AreThoseOfTheLaw()
    {
        // A steady sine of −6 dBFS: peaks go over a threshold of −20 by 14 dB; 4 : 1 leaves a quarter of that.
        var template = OneBar(Tone("t", "mix-bus", ChannelFormat.Stereo, Insert("comp", ProcessorCatalogue.Compressor, ("threshold-db", -20), ("ratio", 4), ("knee-db", 0), ("attack-ms", 5), ("release-ms", 2000))));

        var reductions = Heard(template, "comp", ListeningPoint.AfterInsert).ReductionsDb;

        Assert.Equal((2 * 48000 + RenderedSound.ReductionFrames - 1) / RenderedSound.ReductionFrames, reductions.Count);
        var law = -6 - CompressorLaw.OutputDb(-6, -20, 4, 0);
        Assert.Equal(10.5, law, 1e-9);
        Assert.All(reductions.Skip(40).Take(200), r => Assert.Equal(law, r, 0.15));
        Assert.Empty(Heard(template, "comp", ListeningPoint.BeforeInsert).ReductionsDb);
    }

    private static RenderedSound Heard(Template template, string insert, ListeningPoint point) =>
        Renderer.Render(template, new(InMix, T) { Point = point, Insert = new(insert) });
}
