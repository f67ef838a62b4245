using System.Runtime.CompilerServices;
using HomeStage.Core.Templates;

namespace HomeStage.Server.Api.Views;

/// <summary>The rows of templates that are in use, computed once for each and, where one came of another by turning values, taken over from it.</summary>
internal sealed class RowBook
{
    private readonly ConditionalWeakTable<Template, ChannelView[]> _rows = [];

    /// <returns>In running order, without roles.</returns>
    public IReadOnlyList<ChannelView> Of(Template template) => _rows.GetValue(template, t => [.. ChannelRows.WithoutRoles(t)]);

    /// <param name="before">What <paramref name="after"/> came of.</param>
    public IReadOnlyList<ChannelView> After(Template before, Template after) =>
        _rows.GetValue(after, t => Turned(before, t) ?? Recomputed(before, t));

    /// <summary>Rows that came out as they were stay the same objects: they are many, and long-lived copies cost pauses.</summary>
    private ChannelView[] Recomputed(Template before, Template after)
    {
        var known = Of(before).ToDictionary(r => r.Channel.Id);
        return [.. ChannelRows.WithoutRoles(after).Select(row => known.TryGetValue(row.Channel.Id, out var was) && was.SaysTheSameAs(row) ? was : row)];
    }

    /// <returns>The rows from before with the channels of now, or null where more than values changed.</returns>
    private ChannelView[]? Turned(Template before, Template after)
    {
        if (before.Channels.Count != after.Channels.Count)
            return null;
        var changed = new Dictionary<ChannelId, Channel>();
        for (var i = 0; i < after.Channels.Count; i++)
        {
            var (was, now) = (before.Channels[i], after.Channels[i]);
            if (ReferenceEquals(was, now))
                continue;
            if (!StandsAlike(was, now))
                return null;
            changed[now.Id] = now;
        }

        return [.. Of(before).Select(row => changed.TryGetValue(row.Channel.Id, out var now) ? row with { Channel = now } : row)];
    }

    /// <summary>Whether nothing differs that another row, or this row's place, colour or words depend on.</summary>
    private static bool StandsAlike(Channel a, Channel b) =>
        a.Id == b.Id && a.Name == b.Name && a.Kind == b.Kind && a.Destination == b.Destination && a.HueDegrees == b.HueDegrees
        && a.OutputPair == b.OutputPair && a.OutputName == b.OutputName && ReferenceEquals(a.Source, b.Source) && ReferenceEquals(a.Feeds, b.Feeds)
        && ReferenceEquals(a.Sends, b.Sends) && ReferenceEquals(a.Starters, b.Starters) && ReferenceEquals(a.Plays, b.Plays)
        && a.MidiOut == b.MidiOut && a.Spare == b.Spare;
}
