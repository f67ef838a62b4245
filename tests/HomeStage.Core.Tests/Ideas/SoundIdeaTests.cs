using FsCheck.Xunit;
using HomeStage.Core.Editing;
using HomeStage.Core.Ideas;
using HomeStage.Core.Media;
using HomeStage.Core.Templates;
using static HomeStage.TestKit.Stages;

namespace HomeStage.Core.Tests.Ideas;

/// <summary>Sound that was sung to a loop lies on its beat; what clicks need for their way is found again.</summary>
public class SoundIdeaTests
{
    private const int Rate = 44100;

    private static readonly ChannelId Voice = new("voice");

    /// <summary>At 120 in 4/4 two bars, four seconds; then one bar of 3/4 at 90, two seconds.</summary>
    private static readonly Template Stage = OneBar(
        new AddChannel(new() { Id = Voice, Name = "Voice", Kind = ChannelKind.Audio, Destination = EmptyStage.MixBus }), Tone("keys", "mix-bus"), new SetTimeline(new(120, new(4, 4), [new("Reef", 2), new("Sand", 1, 90, new(3, 4))])));

    /// <summary>A recording that begins at a place of the loop and holds a spike at each of the seconds, from where it began, that the ear heard.</summary>
    private static MediaSound Recorded(double seconds, double roundTrip, params double[] spikes)
    {
        var lane = new float[(int)(seconds * Rate)];
        foreach (var spike in spikes)
            lane[(int)Math.Round((spike + roundTrip) * Rate)] = 1;
        return new([lane], Rate);
    }

    private static (SoundIdea Idea, IEnumerable<double> Spikes) Kept(MediaSound sound, double start, double roundTrip, int? bars, string? section = "reef")
    {
        var (idea, why) = SoundIdea.Of(Stage, new(Voice, section, start, roundTrip, bars), sound);
        Assert.Null(why);
        var lane = idea!.Sound.Lanes[0];
        return (idea, Enumerable.Range(0, lane.Length).Where(n => lane[n] > 0.5f).Select(n => (double)n / Rate));
    }

    [Fact]
    public void TheLastTimeAroundThatCameToItsEnd_IsKept_OnItsBeat()
    {
        // It begins half a second into the loop and lasts until the third time around has begun; spikes on beats 2 and 5 of each.
        var sound = Recorded(9, 0.031, 0, 1.5, 4, 5.5, 8);
        var (idea, spikes) = Kept(sound, 0.5, 0.031, null);

        Assert.Equal((4 * Rate, 2, "reef"), (idea.Sound.Lanes[0].Length, idea.Bars, idea.Section));
        Assert.Equal([0.5, 2], spikes.Select(s => Math.Round(s, 3)));
        var starter = SoundIdea.StarterOf(Stage.Channels[Voice], new(new('b', 64), "Voice", Rate, 1, 4 * Rate), "reef");
        Assert.Equal(("Idea", true, "reef"), (starter.Name, starter.Loops, Assert.Single(starter.Sections)));
        Assert.IsType<EditResult.Applied>(new PutStarter(Voice, starter).ApplyTo(Stage));
    }

    [Fact]
    public void OfFewerBars_TheLastWhole()
    {
        // Until 3 s before the end of the second time around, so its first bar is whole.
        var (idea, spikes) = Kept(Recorded(6.2, 0.02, 1, 3, 5), 0, 0.02, 1);

        Assert.Equal((2 * Rate, 1), (idea.Sound.Lanes[0].Length, idea.Bars));
        Assert.Equal([1], spikes.Select(s => Math.Round(s, 3)));
    }

    [Fact]
    public void WhatCameToNoEnd_IsKeptWithSilenceAfterIt_AndWhatBeganLateWithSilenceBefore()
    {
        Assert.Equal([1.25], Kept(Recorded(2, 0.1, 0.75), 0.5, 0.1, null).Spikes.Select(s => Math.Round(s, 3)));
        Assert.Equal([3], Kept(Recorded(3, 0, 1), 2, 0, null).Spikes.Select(s => Math.Round(s, 3)));
    }

    [Fact]
    public void OverTheWholeTimeline_ASectionIsKept_AsLongAsItIs()
    {
        var (idea, spikes) = Kept(Recorded(6.05, 0.01, 4.5), 0, 0.01, null, section: null);

        Assert.Equal(("sand", 2 * Rate), (idea.Section, idea.Sound.Lanes[0].Length));
        Assert.Equal([0.5], spikes.Select(s => Math.Round(s, 3)));
    }

    [Fact]
    public void WhatCannotBeKept_IsRefused()
    {
        string? code(HeardSound heard, MediaSound? sound = null) => SoundIdea.Of(Stage, heard, sound ?? Recorded(1, 0)).Why?.Code;

        Assert.Equal("unknown-channel", code(new(new("gone"), "reef", 0, 0, null)));
        Assert.Equal("wrong-place", code(new(new("keys"), "reef", 0, 0, null)));
        Assert.Equal("missing", code(new(Voice, "shoal", 0, 0, null)));
        Assert.Equal("out-of-range", code(new(Voice, "reef", 4, 0, null)));
        Assert.Equal("out-of-range", code(new(Voice, "reef", double.NaN, 0, null)));
        Assert.Equal("out-of-range", code(new(Voice, "reef", 0, 1.5, null)));
        Assert.Equal("out-of-range", code(new(Voice, "reef", 0, 0, 0)));
        Assert.Equal("out-of-range", code(new(Voice, "reef", 0, 0, null), Recorded(0.01, 0)));
    }

    /// <summary>Clicks come back late, soft, upside down now and then, dulled, with an echo and in noise 20 dB below them.</summary>
    [Property(MaxTest = 40)]
    public void TheWayOutAndIn_IsFoundWithinAMillisecond(int seed)
    {
        var chance = new Random(seed);
        double[] clicks = [0.1, 0.61, 1.27, 1.8];
        var delay = 0.45 * chance.NextDouble();
        var click = RoundTrip.Click(Rate);
        var gain = (chance.Next(2) == 0 ? -1 : 1) * Math.Pow(10, -2 * chance.NextDouble());
        var recorded = new float[(int)(2.6 * Rate)];
        foreach (var (late, soft) in new[] { (0.0, 1.0), (0.011, 0.5) })
            foreach (var at in clicks.Select(c => (int)Math.Round((c + delay + late) * Rate)))
                for (var n = 0; n < click.Length; n++)
                    recorded[at + n] += (float)(gain * soft * (click[n] + (n > 0 ? click[n - 1] : 0)) / 2);
        for (var n = 0; n < recorded.Length; n++)
            recorded[n] += (float)(0.05 * Math.Abs(gain) * (2 * chance.NextDouble() - 1));

        Assert.InRange(RoundTrip.Of(recorded, Rate, clicks)!.Value - delay, -0.001, 0.001);
    }

    [Fact]
    public void WhereNothingComesBack_NothingIsSaid()
    {
        var chance = new Random(3);
        Assert.Null(RoundTrip.Of(new float[2 * Rate], Rate, [0.1, 0.6]));
        Assert.Null(RoundTrip.Of([.. Enumerable.Range(0, 2 * Rate).Select(_ => (float)(0.1 * chance.NextDouble()))], Rate, [0.1, 0.6, 1.1]));
    }
}
