using HomeStage.Core.Defaults;
using HomeStage.Core.Editing;
using HomeStage.Core.Making;
using HomeStage.Core.Templates;
using HomeStage.TestKit;
using static HomeStage.TestKit.Stages;

namespace HomeStage.Core.Tests.Defaults;

public class ComesWithTests
{
    private static readonly Template Stage = OneBar(new MakeChannel(new(ChannelKind.Audio) { Name = "Zither", Input = 1 }));

    private static ChannelWish Voice(string name, ChannelFormat? format = null) => new(ChannelKind.Audio) { Name = name, Format = format };

    [Theory]
    [InlineData(1, "input 2")]
    [InlineData(2, "inputs 2 and 3")]
    [InlineData(4, "inputs 2–5")]
    public void SeveralThatComeWithTheSame_StandTogether_WithTheInputsThatTheyTake(int count, string inputs)
    {
        var names = Enumerable.Range(1, count).Select(i => $"Bowed {i}").ToList();

        var group = Assert.Single(ComesWith.Of(Stage, [.. names.Select(n => Voice(n))]).Groups!);

        Assert.Equal(names, group.Names);
        Assert.StartsWith($"{inputs}, ", group.Parts[0], StringComparison.Ordinal);
        // What is said is what making them gives.
        var made = Stage.With([.. names.Select(n => new MakeChannel(Voice(n)))]).Channels.TakeLast(count);
        Assert.Equal(Enumerable.Range(2, count), made.Select(c => ((InputSource)c.Source!).First));
    }

    [Fact]
    public void ThoseThatDiffer_StandApart()
    {
        var groups = ComesWith.Of(Stage, [Voice("Lead vox"), new(ChannelKind.Bus) { Name = "Strings bus" }, Voice("Second lead vox")]).Groups!;

        Assert.Equal([["Lead vox", "Second lead vox"], ["Strings bus"]], groups.Select(g => g.Names));
    }

    [Fact]
    public void AWishThatCannotBe_OrTooMany_AreRefused()
    {
        Assert.Equal("unknown-channel", ComesWith.Of(Stage, [Voice("Fine"), Voice("Lost") with { Under = new("nowhere") }]).Why?.Code);
        Assert.Equal("out-of-range", ComesWith.Of(Stage, [.. Enumerable.Repeat(Voice("Many"), ComesWith.MostWishes + 1)]).Why?.Code);
    }
}
