using HomeStage.Core.Editing;
using HomeStage.Core.Media;
using HomeStage.Core.Templates;
using HomeStage.Core.Timing;
using HomeStage.TestKit;
using static HomeStage.TestKit.Stages;

namespace HomeStage.Core.Tests.Templates;

public class TemplateTests
{
    [Fact]
    public void EmptyStage_IsEightBarsOfFourFourAt120_IntoOutputsOneAndTwo()
    {
        var empty = EmptyStage.Create("Nothing yet");

        Assert.Equal(16, new TimeMap(empty.Timeline).LengthSeconds, 9); // 8 bars × 4 beats × 0.5 s
        Assert.Equal("4/4", empty.Timeline.Meter.ToString());
        Assert.Equal((EmptyStage.Main, 1), (empty.Main.Id, empty.Main.OutputPair));
    }

    [Fact]
    public void Main_IsFoundWhereverItStands()
    {
        var template = OneBar(Bus("a", "mix-bus"), Bus("b", "mix-bus"));

        Assert.Equal(EmptyStage.Main, (template with { Channels = ChannelList.From(template.Channels.Reverse()) }).Main.Id);
    }

    [Fact]
    public void ChannelLists_AreEqualByTheirChannels()
    {
        var list = OneBar(Bus("a", "mix-bus")).Channels;

        Assert.True(list.Equals(ChannelList.From([.. list])));
        Assert.Equal(list.GetHashCode(), ChannelList.From([.. list]).GetHashCode());
        Assert.False(list.Equals(ChannelList.From(list.Reverse())));
        Assert.False(list.Equals(null));
    }

    [Fact]
    public void AnInsert_IsLiveWhereItIsNotParked()
    {
        var insert = Insert("g", "gain") with { ParkedIn = ["record"] };

        Assert.Equal((true, false), (insert.IsLiveIn(EmptyStage.Create("Any"), "mix"), insert.IsLiveIn(EmptyStage.Create("Any"), "record")));
    }

    [Fact]
    public void NewSounds_AreThoseThatWereNotUsedAnywhereBefore()
    {
        var (rain, wind) = (Sound('a'), Sound('b'));
        var before = OneBar(Audio("one"), Audio("two"), new PutStarter(new("one"), new("Rain", rain, true, new(0), [])));
        var moved = before.With(new PutStarter(new("two"), new("Rain again", rain, true, new(0), [])));
        var more = moved.With(new PutStarter(new("two"), new("Wind", wind, true, new(0), [])));

        Assert.Equal([rain.Content], UsedSounds.New(null, before));
        Assert.Equal([], UsedSounds.New(before, moved));
        Assert.Equal([wind.Content], UsedSounds.New(before, more));
        Assert.Equal([], UsedSounds.New(more, before));
    }

    private static AddChannel Audio(string id) => new(new() { Id = new(id), Name = id, Kind = ChannelKind.Audio, Destination = EmptyStage.MixBus });

    private static MediaRef Sound(char name) => new(new string(name, 64), $"Sound {name}", 48000, 1, 480);
}
