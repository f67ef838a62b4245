using HomeStage.Core.Catalogue;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Editing;

/// <summary>Sets inserts of several channels as one of them is set: all of its settings, or one field alone. The first insert of the same processor
/// or device on each channel is meant; a channel that has none is passed over.</summary>
/// <param name="Channels">Those that are set.</param>
/// <param name="From">The channel whose insert it is.</param>
/// <param name="Parameter">Id of the one field; null for all, with the key's filter and the drawn curve.</param>
public sealed record SetAlike(Sequence<ChannelId> Channels, ChannelId From, InsertId Insert, string? Parameter = null) : ManyChannelsEdit
{
    protected override ManyResult Change(Template template)
    {
        if (Unknown(template, Channels) is { } unknown)
            return unknown;
        if (!template.Channels.TryGet(From, out var from))
            return new Refusal.UnknownChannel(From);
        if (from.Inserts.FirstOrDefault(i => i.Id == Insert) is not { } pattern)
            return new Refusal.UnknownInsert(from.Name, Insert);
        if (Parameter is not null && pattern.Find(Parameter) is null)
            return new Refusal.Missing("control", Parameter, $"on {pattern.Title()}");
        return Channels.Distinct().Where(id => id != From).Select(id => template.Channels[id]).Aggregate(template, (t, c) =>
        {
            var place = c.Inserts.IndexWhere(pattern.IsLike);
            return place < 0 || Alike(c.Inserts[place], pattern) is var set && set == c.Inserts[place] ? t : t.Replace(c with { Inserts = c.Inserts.SetItem(place, set) });
        });
    }

    private Insert Alike(Insert insert, Insert pattern)
    {
        if (Parameter is { } field)
            return insert with { Settings = pattern.Settings.TryGetValue(field, out var value) ? insert.Settings.With(field, value) : insert.Settings.Without(field) };
        // Device controls may differ in what they are; only those that both have are set.
        var known = insert.Parameters().Select(p => p.Id).ToHashSet(StringComparer.Ordinal);
        var alike = Patch.FromInsert(pattern, "").On(insert);
        return alike with { Settings = Map<double>.From(pattern.Settings.Where(s => known.Contains(s.Key))) };
    }
}
