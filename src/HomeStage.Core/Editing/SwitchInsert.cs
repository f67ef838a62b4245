using HomeStage.Core.Templates;

namespace HomeStage.Core.Editing;

/// <summary>Switches a processor off everywhere, or on again where its acts and what it waits for let it work.</summary>
public sealed record SwitchInsert(ChannelId Channel, InsertId Insert, bool Off) : InsertEdit(Channel, Insert)
{
    protected override EditResult ChangeInsert(Template template, Channel channel, int place)
    {
        var insert = channel.Inserts[place];
        return With(template, channel, place, insert with { Off = Off }, new SwitchInsert(Channel, Insert, insert.Off));
    }
}
