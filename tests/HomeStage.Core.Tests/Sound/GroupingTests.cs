using HomeStage.Core.Editing;
using HomeStage.Core.Sound;
using HomeStage.Core.Sound.Listening;
using HomeStage.Core.Sound.Tapes;
using HomeStage.Core.Templates;
using static HomeStage.TestKit.Stages;

namespace HomeStage.Core.Tests.Sound;

/// <summary>Channels whose strips are alike are worked through together; that must not be heard.</summary>
public class GroupingTests
{
    [Theory]
    [InlineData(ChannelFormat.Mono, 11)]
    [InlineData(ChannelFormat.Stereo, 7)]
    public void AChannel_SoundsTheSameAloneAndInCompany(ChannelFormat format, int channels)
    {
        var edits = Enumerable.Range(0, channels).Select(i => (Edit)Tone($"t{i}", "mix-bus", format,
            Insert("eq", "equaliser", ("low-shelf-db", i - 4), ("bell-1-hz", 200 * (i + 1)), ("bell-1-db", 3)),
            Insert("comp", "compressor", ("threshold-db", -30 + i), ("ratio", 2 + i))));
        var template = OneBar([.. edits]);
        var tapes = new TapeShelf(256 * 1024 * 1024);
        var together = Renderer.Render(template, new(InMix), tapes: tapes);

        for (var i = 0; i < channels; i++)
        {
            var request = new RenderRequest(InMix, new($"t{i}"));
            var (recorded, alone) = (Renderer.Render(template, request, tapes: tapes), Renderer.Render(template, request));
            Assert.Equal(1, recorded.ChannelsFromTape);
            Assert.Equal(alone.Left, recorded.Left);
            Assert.Equal(alone.Right, recorded.Right);
            Assert.Equal(alone.Channels, together.Channels.Where(c => c.Channel.Value == $"t{i}"));
        }
    }

    [Fact]
    public void WhatIsKeyedParkedOrMoved_KeepsItsPlaceAmongThoseThatRunTogether()
    {
        Insert[] Strip(int i) => [Insert("eq", "equaliser", ("bell-1-db", 6)), Insert("comp", "compressor", ("threshold-db", -20 - i))];
        var template = OneBar(
            [Trigger("pulse"), .. Enumerable.Range(0, 6).Select(i => (Edit)Tone($"t{i}", "mix-bus", ChannelFormat.Stereo, Strip(i))),
                new SetKey(new("t1"), new("comp"), new(true)), new PutFeed(new("pulse"), new(new("t1"), new("comp"), new(0))),
                new ParkInsert(new("t2"), new("eq"), [InMix]), new SetMute(new("t3"), true), new SetPolarity(new("t4"), true)]);

        var sound = Renderer.Render(template, new(InMix));

        // Each alone, added up: the same but for the order of the sums.
        var sums = new double[sound.Left.Length];
        foreach (var i in Enumerable.Range(0, 6))
            foreach (var (x, t) in Renderer.Render(template, new(InMix, new($"t{i}"))).Left.Select((x, t) => (x, t)))
                sums[t] += x;
        Assert.All(sound.Left.Zip(sums), x => Assert.Equal(x.Second, x.First, 1e-5));
    }
}
