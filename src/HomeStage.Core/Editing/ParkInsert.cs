using HomeStage.Core.Templates;

namespace HomeStage.Core.Editing;

/// <summary>Switches a processor off or on for a set of acts.</summary>
/// <param name="ParkedIn">The acts in which it waits.</param>
public sealed record ParkInsert(ChannelId Channel, InsertId Insert, Sequence<string> ParkedIn) : InsertEdit(Channel, Insert)
{
    protected override EditResult ChangeInsert(Template template, Channel channel, int place)
    {
        var insert = channel.Inserts[place];
        return With(template, channel, place, insert with { ParkedIn = ParkedIn }, new ParkInsert(Channel, Insert, insert.ParkedIn));
    }
}
