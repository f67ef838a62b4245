using HomeStage.Core.Editing;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Shelf;

/// <summary>Lays a strip or a chain of the shelf on channels of a template.</summary>
internal static class StripTake
{
    /// <param name="onto">Ids of channels, parted by spaces.</param>
    /// <returns>Null where one of them is no channel.</returns>
    public static ShelfTake? Of(Template template, ShelfItem item, StripContent content, string? onto)
    {
        if (Channels(template, onto) is not { } places)
            return null;
        // The first is noted by whoever takes the item.
        return new([new LayStrip(places, content.Strip), .. places.Skip(1).Select(p => ShelfTake.Noted(item, p.Value, Map<string>.Empty))], places[0].Value);
    }

    /// <param name="onto">Ids of channels, parted by spaces.</param>
    /// <returns>Null where one of them is no channel, or has no strip.</returns>
    public static ShelfTake? Of(Template template, ShelfItem item, ChainContent content, string? onto)
    {
        if (Channels(template, onto) is not { } channels || new LayChain(channels, content.Strip) is var lay && lay.ApplyTo(template) is not EditResult.Applied { Template: var after })
            return null;
        var name = content.Strip.Chains[0].Name;
        var places = channels.Select(id => ShelfCopy.PlaceOf(id, after.Channels[id].Chains.First(c => string.Equals(c.Name, name, StringComparison.OrdinalIgnoreCase)))).Distinct().ToList();
        return new([lay, .. places.Skip(1).Select(p => ShelfTake.Noted(item, p, Map<string>.Empty))], places[0]);
    }

    private static Sequence<ChannelId>? Channels(Template template, string? onto)
    {
        var places = (onto ?? "").Split(' ', StringSplitOptions.RemoveEmptyEntries);
        return places.Length == 0 || places.Any(p => !Identifier.IsValid(p) || !template.Channels.Contains(new ChannelId(p))) ? null : places.Select(p => new ChannelId(p)).ToSequence();
    }
}
