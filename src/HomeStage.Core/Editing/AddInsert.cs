using HomeStage.Core.Templates;

namespace HomeStage.Core.Editing;

/// <summary>Puts a processor into a channel's strip.</summary>
/// <param name="Place">Index in the strip, in [0, count]; null for the end.</param>
public sealed record AddInsert(ChannelId Channel, Insert Insert, int? Place = null) : ChannelEdit(Channel)
{
    protected override EditResult Change(Template template, Channel channel)
    {
        var place = Place ?? channel.Inserts.Count;
        return place >= 0 && place <= channel.Inserts.Count
            ? With(template, channel with { Inserts = channel.Inserts.Insert(place, Insert) }, new RemoveInsert(Channel, Insert.Id))
            : new Refusal.OutOfRange($"The place in the strip of {channel.Name}", place, 0, channel.Inserts.Count, "");
    }
}
