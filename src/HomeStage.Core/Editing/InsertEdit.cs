using HomeStage.Core.Templates;

namespace HomeStage.Core.Editing;

/// <summary>An edit of one insert on a channel.</summary>
public abstract record InsertEdit(ChannelId Channel, InsertId Insert) : ChannelEdit(Channel)
{
    protected sealed override EditResult Change(Template template, Channel channel)
    {
        var place = channel.Inserts.IndexWhere(i => i.Id == Insert);
        return place < 0 ? new Refusal.UnknownInsert(channel.Name, Insert) : ChangeInsert(template, channel, place);
    }

    protected abstract EditResult ChangeInsert(Template template, Channel channel, int place);

    protected static EditResult With(Template template, Channel channel, int place, Insert changed, Edit inverse) =>
        With(template, channel with { Inserts = channel.Inserts.SetItem(place, changed) }, inverse);
}
