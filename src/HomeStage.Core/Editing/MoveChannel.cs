using HomeStage.Core.Templates;

namespace HomeStage.Core.Editing;

/// <summary>Puts a channel under another: where it stands is where it goes.</summary>
/// <param name="Destination">The bus or main it shall feed; null for kinds that feed none.</param>
/// <param name="Before">The channel that it shall stand before in the order; null for the end.</param>
public sealed record MoveChannel(ChannelId Channel, ChannelId? Destination, ChannelId? Before) : ChannelEdit(Channel)
{
    public override bool ChangesRouting => true;

    protected override EditResult Change(Template template, Channel channel)
    {
        var place = template.Channels.IndexOf(Channel);
        ChannelId? next = place + 1 < template.Channels.Count ? template.Channels[place + 1].Id : null;
        var rest = template.Channels.Remove(Channel);
        if (Before is { } before && !rest.Contains(before))
            return before == Channel ? new Refusal.WrongPlace(channel.Name, "cannot stand before itself") : new Refusal.UnknownChannel(before);
        var target = Before is { } b ? rest.IndexOf(b) : rest.Count;
        var moved = rest.Insert(target, channel with { Destination = Destination });
        return new EditResult.Applied(template with { Channels = moved }, new MoveChannel(Channel, channel.Destination, next));
    }
}
