using HomeStage.Core.Catalogue;
using HomeStage.Core.Compiling;
using HomeStage.Core.Editing;
using HomeStage.Core.Recording;
using HomeStage.Core.Sound;
using HomeStage.Core.Studios;
using HomeStage.Core.Templates;
using HomeStage.TestKit;
using static HomeStage.TestKit.Stages;

namespace HomeStage.Core.Tests.Recording;

/// <summary>Inserts that wait do nothing until what they wait for comes.</summary>
public class WakingTests
{
    private static readonly ChannelId Singer = new("singer");

    private static readonly Template Stage = OneBar(
        new AddChannel(new() { Id = Singer, Name = "Lead vocal", Kind = ChannelKind.Audio, Format = ChannelFormat.Mono, Destination = EmptyStage.MixBus, Source = new InputSource(1, Monitored: true), Inserts = [Insert("tune", ProcessorCatalogue.PitchCorrection) with { WaitsFor = new(WaitReason.SongKey) }] }),
        Tone("organ", "mix-bus", ChannelFormat.Stereo, Insert("tune", ProcessorCatalogue.PitchCorrection) with { WaitsFor = new(WaitReason.SongKey) }));

    [Theory]
    [InlineData(WaitReason.SongKey)]
    [InlineData(WaitReason.Person)]
    [InlineData(WaitReason.Other)]
    public void AnInsertThatWaits_TurnsNothing_AndIsNotLate(WaitReason reason)
    {
        var limiter = Insert("x", ProcessorCatalogue.Limiter, ("input-db", 12), ("look-ahead-ms", 10));
        var plain = OneBar(Tone("t", "mix-bus"));
        var waiting = OneBar(Tone("t", "mix-bus", ChannelFormat.Stereo, limiter with { WaitsFor = new(reason) }));

        Assert.Equal(Renderer.Render(plain, new(InMix)).Left, Renderer.Render(waiting, new(InMix)).Left);
        Assert.Equal(0, new CompiledTemplate(waiting).In(InMix).Compensation.TotalFrames);
        Assert.NotEqual(0, new CompiledTemplate(waiting.With(new SetWaitsFor(new("t"), new("x"), null))).In(InMix).Compensation.TotalFrames);
    }

    [Fact]
    public void AKey_WakesWhatWaitsForIt_AlsoInWhatIsCompiledAfterTheEdit()
    {
        var before = new CompiledTemplate(Stage);
        Assert.Equal(0, before.In(InMix).Compensation.TotalFrames);

        var after = new CompiledTemplate(Stage.With(new SetMusicalKey(new(-2, true))), before);

        Assert.Equal(Insert("x", ProcessorCatalogue.PitchCorrection).LatencyFrames(48000), after.In(InMix).Compensation.TotalFrames);
    }

    [Fact]
    public void WhatHasWoken_AndIsTooLateToSingThrough_IsParkedForRecordingAlone()
    {
        var after = Stage.With(new SetMusicalKey(new(0, false)));

        var parked = Waking.Parked(Stage, new(after), null);

        // Nobody plays the organ through an input, so it may be late.
        Assert.Equal([new ParkInsert(Singer, new("tune"), ["record"])], parked);
        // Whoever has an hour to wait parks nothing, and so does whoever woke before.
        Assert.Empty(Waking.Parked(Stage, new(after), new Studio(new("Slow", [], [], 64)) { BudgetMs = 400 }));
        Assert.Empty(Waking.Parked(after, new(after), null));
    }
}
