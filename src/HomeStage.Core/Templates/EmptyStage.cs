
namespace HomeStage.Core.Templates;

/// <summary>What a template is before anybody touches it: a main, and a mix bus before it.</summary>
public static class EmptyStage
{
    public static readonly ChannelId Main = new("main");
    public static readonly ChannelId MixBus = new("mix-bus");

    public static readonly Sequence<Act> Acts = [new("write", "Write"), new("record", "Record"), new("mix", "Mix")];

    public static Template Create(string name) => new()
    {
        Name = name,
        Acts = Acts,
        Timeline = new(120, new(4, 4), [new("song", "Song", 8)]),
        Channels = ChannelList.From(
        [
            new() { Id = Main, Name = "Main", Kind = ChannelKind.Main, OutputPair = 1 },
            new() { Id = MixBus, Name = "Mix bus", Kind = ChannelKind.Bus, Destination = Main },
        ]),
    };
}
