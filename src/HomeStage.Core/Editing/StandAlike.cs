using HomeStage.Core.Templates;

namespace HomeStage.Core.Editing;

/// <summary>Has the inserts of several channels that are like one of them live or off, in an act or everywhere. The first insert of the same processor
/// or device on each channel is meant; a channel that has none is passed over.</summary>
/// <param name="From">The channel whose insert it is; it goes along where it is among the channels.</param>
/// <param name="Act">Id of the act; null for off, or on again, everywhere.</param>
/// <param name="Live">Whether they shall work.</param>
public sealed record StandAlike(Sequence<ChannelId> Channels, ChannelId From, InsertId Insert, string? Act, bool Live) : ManyChannelsEdit
{
    protected override ManyResult Change(Template template)
    {
        if (Unknown(template, Channels) is { } unknown)
            return unknown;
        if (!template.Channels.TryGet(From, out var from))
            return new Refusal.UnknownChannel(From);
        if (from.Inserts.FirstOrDefault(i => i.Id == Insert) is not { } pattern)
            return new Refusal.UnknownInsert(from.Name, Insert);
        if (Act is not null && template.Acts.All(a => a.Id != Act))
            return new Refusal.Missing("act", Act, "in this template");
        return Channels.Distinct().Select(id => template.Channels[id]).Aggregate(template, (t, c) =>
        {
            var place = c.Id == From ? c.Inserts.IndexWhere(i => i.Id == Insert) : c.Inserts.IndexWhere(pattern.IsLike);
            return place < 0 || Standing(c.Inserts[place]) is var set && set == c.Inserts[place] ? t : t.Replace(c with { Inserts = c.Inserts.SetItem(place, set) });
        });
    }

    private Insert Standing(Insert insert)
    {
        if (Act is not { } act)
            return insert with { Off = !Live };
        var others = insert.ParkedIn.Where(id => id != act);
        return insert.ParkedIn.Contains(act) == !Live ? insert : insert with { ParkedIn = Live ? others.ToSequence() : [.. others, act] };
    }
}
