using HomeStage.Core.Editing;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Shelf;

/// <summary>Lays a strip of the shelf on channels of a template.</summary>
internal static class StripTake
{
    /// <param name="onto">Ids of channels, parted by spaces.</param>
    /// <returns>Null where one of them is no channel.</returns>
    public static ShelfTake? Of(Template template, ShelfItem item, StripContent content, string? onto)
    {
        var places = (onto ?? "").Split(' ', StringSplitOptions.RemoveEmptyEntries);
        if (places.Length == 0 || places.Any(p => !Identifier.IsValid(p) || !template.Channels.Contains(new ChannelId(p))))
            return null;
        // The first is noted by whoever takes the item.
        return new([new LayStrip(places.Select(p => new ChannelId(p)).ToSequence(), content.Strip), .. places.Skip(1).Select(p => ShelfTake.Noted(item, p, Map<string>.Empty))], places[0]);
    }
}
