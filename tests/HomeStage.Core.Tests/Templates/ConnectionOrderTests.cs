using HomeStage.Core.Automation;
using HomeStage.Core.Catalogue;
using HomeStage.Core.Editing;
using HomeStage.Core.Templates;
using static HomeStage.TestKit.Stages;

namespace HomeStage.Core.Tests.Templates;

/// <summary>What hangs on a channel stands in one order, whatever the order it was hung on in: equal channels are equal, and a document of
/// one is the same to the byte.</summary>
public class ConnectionOrderTests
{
    private static readonly ChannelId A = new("a");
    private static readonly Insert Keyed = Insert("z", ProcessorCatalogue.Compressor) with { Key = new(true) };

    [Fact]
    public void Sends_StandByWhereTheyGo()
    {
        var a = On(Return("slap", "mix-bus"), Return("hall", "mix-bus"), Return("room", "mix-bus"), Send("slap"), Send("hall"), Send("room"));

        Assert.Equal(["hall", "room", "slap"], a.Sends.Select(s => s.To.Value));
    }

    [Fact]
    public void Feeds_StandByChannel_ThenByInsert()
    {
        var a = On(Bus("pad", "mix-bus", Keyed), Bus("bass", "mix-bus", Keyed, Keyed with { Id = new("b") }), Feed("pad", "z"), Feed("bass", "z"), Feed("bass", "b"));

        Assert.Equal([("bass", "b"), ("bass", "z"), ("pad", "z")], a.Feeds.Select(f => (f.Channel.Value, f.Insert.Value)));
    }

    [Fact]
    public void Patterns_AndSounds_StandByName()
    {
        static PutPattern Pattern(string name) => new(A, new(name, 960, [], []));
        Assert.Equal(["Ebb", "Flood", "Neap"], On(Pattern("Flood"), Pattern("Neap"), Pattern("Ebb")).Patterns.Where(p => p.Name != "Tone").Select(p => p.Name).Where(n => n is "Ebb" or "Flood" or "Neap"));

        static PutStarter Sound(string name) => new(new("laid"), new(name, new(new string('c', 64), "Slate", 48000, 1, 480), true, new(0), []));
        var laid = OneBar(new AddChannel(new() { Id = new("laid"), Name = "Laid", Kind = ChannelKind.Audio, Destination = EmptyStage.MixBus }), Sound("Flood"), Sound("Ebb"));
        Assert.Equal(["Ebb", "Flood"], laid.Channels[new ChannelId("laid")].Starters.Select(s => s.Name));
    }

    [Fact]
    public void Shapes_StandBySection_ThenByWhatTheyMove()
    {
        static PutShape Over(Target target, string section) => new(A, new(target, section, [new(0, 0), new(1, 0)]));

        var shapes = On(Over(new PanTarget(), "verse"), Over(new LevelTarget(), "verse"), Over(new PanTarget(), "chorus")).Shapes;

        Assert.Equal([("chorus", "PanTarget"), ("verse", "LevelTarget"), ("verse", "PanTarget")], shapes.Select(s => (s.Section, s.Target.GetType().Name)));
    }

    private static Channel On(params Edit[] edits) => OneBar([Tone("a", "mix-bus"), .. edits]).Channels[A];

    private static PutSend Send(string to) => new(A, new(new(to), new(0)));

    private static PutFeed Feed(string channel, string insert) => new(A, new(new(channel), new(insert), new(0)));
}
