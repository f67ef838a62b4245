using FsCheck.Xunit;
using HomeStage.Core.Editing;
using HomeStage.Core.Routing;
using HomeStage.Core.Templates;
using HomeStage.TestKit;
using static HomeStage.TestKit.Stages;

namespace HomeStage.Core.Tests.Routing;

public class RunningOrderTests
{
    [Property(MaxTest = 100)]
    public void Of_AnyTemplate_HoldsEveryChannelOnce_EachUnderWhatItFeeds(int seed)
    {
        var template = new RandomTemplates(seed).Grown(60);

        var rows = RunningOrder.Of(template);

        Assert.Equal(template.Channels.Select(c => c.Id.Value).Order(), rows.Select(r => r.Channel.Id.Value).Order());
        for (var i = 0; i < rows.Count; i++)
        {
            var above = rows.Take(i).LastOrDefault(r => r.Depth == rows[i].Depth - 1);
            Assert.Equal(rows[i].Channel.Destination, rows[i].Depth == 0 ? null : above?.Channel.Id);
        }
    }

    [Fact]
    public void Of_AChannelAroundTheMain_StandsAfterIt_WhereverItIsInTheTemplate()
    {
        var template = OneBar(Bus("drums", "mix-bus"), new AddChannel(new() { Id = new("count"), Name = "Count", Kind = ChannelKind.Direct, OutputPair = 2 }, 0));
        Assert.Equal("count", template.Channels[0].Id.Value);

        Assert.Equal([("main", 0), ("mix-bus", 1), ("drums", 2), ("count", 0)], RunningOrder.Of(template).Select(r => (r.Channel.Id.Value, r.Depth)));
    }

    [Fact]
    public void Of_AChannelWithoutHue_TakesThatOfTheNearestBusItFeeds()
    {
        var template = OneBar(Bus("drums", "mix-bus"), new SetHue(new("drums"), 38), Bus("toms", "drums"), Tone("low", "toms"));

        Assert.Equal(38, RunningOrder.Of(template).Single(r => r.Channel.Id.Value == "low").HueDegrees);
    }
}
