using HomeStage.Core.Templates;

namespace HomeStage.Core.Editing;

/// <summary>Sets every control of an instrument or insert at once, as a patch does.</summary>
/// <param name="Insert">The insert; null for the channel's instrument.</param>
/// <param name="Settings">Values that differ from the defaults.</param>
/// <param name="Patch">Name of the patch that an instrument then starts from; not kept for inserts.</param>
public sealed record SetSettings(ChannelId Channel, InsertId? Insert, Map<double> Settings, string? Patch = null) : ChannelEdit(Channel)
{
    protected override EditResult Change(Template template, Channel channel)
    {
        if (Insert is { } id)
        {
            var place = channel.Inserts.IndexWhere(i => i.Id == id);
            return place < 0
                ? new Refusal.UnknownInsert(channel.Name, id)
                : With(template, channel with { Inserts = channel.Inserts.SetItem(place, channel.Inserts[place] with { Settings = Settings }) },
                    new SetSettings(Channel, id, channel.Inserts[place].Settings));
        }

        return channel.Source is InstrumentSource source
            ? With(template, channel with { Source = source with { Settings = Settings, Patch = Patch } }, new SetSettings(Channel, null, source.Settings, source.Patch))
            : new Refusal.WrongPlace(channel.Name, "plays no instrument");
    }
}
