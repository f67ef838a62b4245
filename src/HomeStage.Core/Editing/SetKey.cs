using HomeStage.Core.Templates;

namespace HomeStage.Core.Editing;

/// <summary>Gives a dynamics processor a key input, changes its filter, or takes it away.</summary>
public sealed record SetKey(ChannelId Channel, InsertId Insert, KeyInput? Key) : InsertEdit(Channel, Insert)
{
    protected override EditResult ChangeInsert(Template template, Channel channel, int place)
    {
        var insert = channel.Inserts[place];
        return With(template, channel, place, insert with { Key = Key }, new SetKey(Channel, Insert, insert.Key));
    }
}
