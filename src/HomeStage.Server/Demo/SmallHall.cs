using HomeStage.Core.Editing;
using HomeStage.Core.Templates;

namespace HomeStage.Server.Demo;

/// <summary>Night Ferry for a hall without room for the chorus: based on it, so that what changes there is offered here.</summary>
internal static class SmallHall
{
    public const string Name = "Night Ferry, Small Hall";

    /// <param name="ferry">Night Ferry.</param>
    public static IEnumerable<Edit> Edits(Template ferry) =>
    [
        new Describe(Name, "Plays", ["small hall", "6/8"], "Night Ferry without its chorus, drier. It is based on Night Ferry: what changes there is offered here."),
        .. ferry.Channels.Where(c => c.Destination == new ChannelId("chorus")).Select(c => new RemoveChannel(c.Id)),
        new RemoveChannel(new("chorus")),
        new SetLevel(new("voices"), new(0)),
        new SetLevel(new("drums"), new(-3)),
    ];
}
