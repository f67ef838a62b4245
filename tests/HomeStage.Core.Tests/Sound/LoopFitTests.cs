using HomeStage.Core.Editing;
using HomeStage.Core.Media;
using HomeStage.Core.Sound;
using HomeStage.Core.Templates;
using HomeStage.TestKit;
using static HomeStage.TestKit.Stages;

namespace HomeStage.Core.Tests.Sound;

/// <summary>Loops of four quarters that were recorded at 120 and play in a song at another tempo. Times are closed forms: a
/// quarter lasts 60 / BPM s.</summary>
public class LoopFitTests
{
    private const int RateHz = 48000;
    private const int LoopFrames = 2 * RateHz;
    private static readonly string Content = new('d', 64);

    [Theory]
    [InlineData(LoopFit.CutAtBeats, 96)]
    [InlineData(LoopFit.CutAtBeats, 150)]
    [InlineData(LoopFit.Resampled, 96)]
    [InlineData(LoopFit.Resampled, 150)]
    public void Loop_ThatFollows_HasItsBeatsOnThoseOfTheSong_InEveryTurn(LoopFit fit, double bpm)
    {
        var sound = Rendered(OnEachBeat(), fit, bpm, bars: 2);

        for (var beat = 0; beat < 8; beat++)
            Assert.Equal(beat * 60 / bpm * RateHz, LoudestNear(sound.Left, beat * 60 / bpm), 2.0);
    }

    [Fact]
    public void Loop_AsRecorded_KeepsItsOwnBeats()
    {
        var sound = Rendered(OnEachBeat(), LoopFit.AsRecorded, 96, bars: 1);

        Assert.Equal(0.5 * RateHz, LoudestNear(sound.Left, 0.5), 1.0);
    }

    [Theory]
    [InlineData(96)]
    [InlineData(150)]
    public void Loop_Resampled_TakesItsPitchAlong_AndOneThatIsCutKeepsIt(double bpm)
    {
        float[] sine = [.. Enumerable.Range(0, LoopFrames).Select(i => (float)(0.5 * Math.Sin(2 * Math.PI * 1000 * i / RateHz)))];

        Assert.Equal(1000 * bpm / 120, Pitch(Rendered(sine, LoopFit.Resampled, bpm, bars: 1)), 2.0);
        Assert.Equal(1000, Pitch(Rendered(sine, LoopFit.CutAtBeats, bpm, bars: 1)), 2.0);
    }

    [Fact]
    public void Loop_CutAtItsOwnTempo_IsTheLoopItself()
    {
        float[] noise = Signals.Noise(LoopFrames, 3);

        Assert.Equal(noise, Rendered(noise, LoopFit.CutAtBeats, 120, bars: 1).Left);
    }

    [Fact]
    public void Loop_CutAtBeats_LeavesNoClickWhereAPieceEnds()
    {
        var steady = Enumerable.Repeat(0.5f, LoopFrames).ToArray();
        var left = Rendered(steady, LoopFit.CutAtBeats, 96, bars: 1).Left;

        // Every piece begins at once, as its stroke does; none ends so.
        Assert.All(left.Zip(left.Skip(1)), x => Assert.True(x.Second - x.First > -0.01));
    }

    [Theory]
    [InlineData(0)]
    [InlineData(257)]
    public void Loop_OfNoSensibleLength_IsRefused(int quarters)
    {
        var refusal = OneBar(Audio()).RefusalOf(new PutStarter(new("loop"), Starter(LoopFrames) with { Quarters = quarters }));

        Assert.Equal("out-of-range", refusal.Code);
    }

    [Fact]
    public void WhatGoesThrough_SoundsOnceOverTheEndsOfSections_AlsoWhereARenderBeginsLater()
    {
        float[] ramp = [.. Enumerable.Range(0, 3 * RateHz).Select(i => i / (4f * RateHz))];
        var template = OneBar(Audio(), new PutStarter(new("loop"), Starter(ramp.Length) with { Through = true, Loops = false }))
            .With(new SetTimeline(new(120, new(4, 4), [new("One", 1), new("Two", 1)])));

        var whole = Renderer.Render(template, new(InMix), shelf: new OneLane(ramp));
        var second = Renderer.Render(template, new(InMix, null, "two"), shelf: new OneLane(ramp));

        Assert.Equal([.. ramp, .. new float[RateHz]], whole.Left);
        Assert.Equal(whole.Left[(2 * RateHz)..], second.Left);
    }

    private static float[] OnEachBeat() => [.. Enumerable.Range(0, LoopFrames).Select(i => i % (RateHz / 2) == 0 ? 0.9f : 0)];

    private static double LoudestNear(float[] lane, double seconds)
    {
        var from = Math.Max(0, (int)((seconds - 0.1) * RateHz));
        return from + Enumerable.Range(0, Math.Min(lane.Length - from, RateHz / 5)).MaxBy(i => Math.Abs(lane[from + i]));
    }

    /// <summary>By the zeros that it crosses upwards in the middle of a piece.</summary>
    private static double Pitch(RenderedSound sound)
    {
        const int From = RateHz / 10;
        const int Frames = RateHz / 4;
        var crossings = Enumerable.Range(From, Frames).Where(i => sound.Left[i - 1] < 0 && sound.Left[i] >= 0).ToList();
        return (crossings.Count - 1) * (double)RateHz / (crossings[^1] - crossings[0]);
    }

    private static AddChannel Audio() => new(new() { Id = new("loop"), Name = "Loop", Kind = ChannelKind.Audio, Destination = new("mix-bus") });

    private static AudioStarter Starter(int frames) => new("Beat", new(Content, "Beat", RateHz, 1, frames), true, new(0), []);

    private static RenderedSound Rendered(float[] lane, LoopFit fit, double bpm, int bars)
    {
        var template = OneBar(Audio(), new PutStarter(new("loop"), Starter(lane.Length) with { Fit = fit, Quarters = 4 }))
            .With(new SetTimeline(new(bpm, new(4, 4), [new("Song", bars)])));
        return Renderer.Render(template, new(InMix), shelf: new OneLane(lane));
    }

    private sealed class OneLane(float[] lane) : IMediaShelf
    {
        public MediaSound? Find(string content) => content == Content ? new([lane], RateHz) : null;
    }
}
