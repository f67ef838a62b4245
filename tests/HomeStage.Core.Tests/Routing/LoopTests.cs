using HomeStage.Core.Catalogue;
using HomeStage.Core.Editing;
using HomeStage.Core.Templates;
using HomeStage.TestKit;
using static HomeStage.TestKit.Stages;

namespace HomeStage.Core.Tests.Routing;

public class LoopTests
{
    private static readonly Insert Comp = Insert("comp", ProcessorCatalogue.Compressor) with { Key = new(true) };

    [Fact]
    public void MoveChannel_ABusUnderItsOwnFeeder_IsRefusedWithTheLoop()
    {
        var template = OneBar(Bus("a", "mix-bus"), Bus("b", "a"));

        var refusal = template.RefusalOf(new MoveChannel(new("a"), new("b"), null));

        Assert.Equal(3, refusal.Path.Count);
        Assert.Equal(["Bus a", "Bus b"], refusal.Path.Distinct().Order());
        Assert.Equal(refusal.Path[0], refusal.Path[^1]);
    }

    [Fact]
    public void PutSend_FromAReturnToOneThatFeedsIt_IsRefused()
    {
        var template = OneBar(Return("r1", "mix-bus"), Return("r2", "mix-bus"), new PutSend(new("r1"), new(new("r2"), new(-6))));

        Assert.Equal("closes-loop", template.RefusalOf(new PutSend(new("r2"), new(new("r1"), new(-6)))).Code);
    }

    [Fact]
    public void PutSend_ThatIsClosed_StillClosesALoop_BecauseOpeningItWouldSound()
    {
        var template = OneBar(Return("r1", "mix-bus"), Bus("b", "mix-bus"));

        Assert.Equal("closes-loop", template.RefusalOf(
            new PutSend(new("b"), new(new("r1"), new(0), Open: false)), new MoveChannel(new("r1"), new("b"), null)).Code);
    }

    [Fact]
    public void PutFeed_IntoTheChannelsOwnStrip_IsRefused()
    {
        var refusal = OneBar(Bus("a", "mix-bus", Comp)).RefusalOf(new PutFeed(new("a"), new(new("a"), Comp.Id, new(0))));

        Assert.Equal(["Bus a", "Bus a"], refusal.Path);
    }

    [Fact]
    public void PutFeed_FromABusToAMemberOfIt_IsRefused()
    {
        var template = OneBar(Bus("a", "mix-bus"), Tone("t", "a", strip: Comp));

        Assert.Equal(["Bus a", "Tone t"], template.RefusalOf(new PutFeed(new("a"), new(new("t"), Comp.Id, new(0)))).Path.Distinct().Order());
    }

    [Fact]
    public void PutFeed_BetweenTwoChannelsBothWays_IsALoop()
    {
        var template = OneBar(Tone("t", "mix-bus", strip: Comp), Tone("u", "mix-bus", strip: Comp), new PutFeed(new("t"), new(new("u"), Comp.Id, new(0))));

        Assert.Equal("closes-loop", template.RefusalOf(new PutFeed(new("u"), new(new("t"), Comp.Id, new(0)))).Code);
    }

    [Fact]
    public void Refusal_AmongSeveralLoops_NamesAShortestOne()
    {
        var template = OneBar(Bus("a", "mix-bus"), Bus("b", "a"), Bus("c", "b"), Bus("d", "c"));

        // Both sends close a loop: one of four channels, one of two.
        var refusal = template.RefusalOf(new PutSend(new("a"), new(new("d"), new(0))), new PutSend(new("c"), new(new("d"), new(0))));

        Assert.Equal(3, refusal.Path.Count);
        Assert.Equal(["Bus c", "Bus d"], refusal.Path.Distinct().Order());
    }
}
