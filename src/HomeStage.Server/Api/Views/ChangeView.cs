using HomeStage.Server.Data;

namespace HomeStage.Server.Api.Views;

/// <summary>What a change did to the screen: only the rows that differ travel.</summary>
/// <param name="Changed">Rows that are new or differ.</param>
/// <param name="Order">Every channel's id in running order, where that changed; null otherwise.</param>
/// <param name="Made">Ids of the channels that were not there before, in running order.</param>
public sealed record ChangeView(HeadView Head, IReadOnlyList<ChannelView> Changed, IReadOnlyList<string>? Order, IReadOnlyList<string> Made)
{
    internal static ChangeView Between(OpenDocument before, OpenDocument after, RowBook book)
    {
        var old = book.Of(before.Template);
        var now = book.After(before.Template, after.Template);
        var known = old.ToDictionary(r => r.Channel.Id);
        var changed = now.Where(r => !known.TryGetValue(r.Channel.Id, out var was) || !was.SaysTheSameAs(r)).Select(ChannelRows.WithRole).ToList();
        var moved = !old.Select(r => r.Channel.Id).SequenceEqual(now.Select(r => r.Channel.Id));
        return new(HeadView.Of(after), changed, moved ? [.. now.Select(r => r.Channel.Id.Value)] : null,
            [.. changed.Where(r => !known.ContainsKey(r.Channel.Id)).Select(r => r.Channel.Id.Value)]);
    }
}
