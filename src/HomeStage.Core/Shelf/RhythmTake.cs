using HomeStage.Core.Editing;
using HomeStage.Core.Kits;
using HomeStage.Core.Notes;
using HomeStage.Core.Outputs;
using HomeStage.Core.Templates;
using HomeStage.Core.Timing;

namespace HomeStage.Core.Shelf;

/// <summary>Puts a rhythm of the shelf on a channel that has notes: what its notes struck is found again among the pieces that are there.</summary>
internal static class RhythmTake
{
    /// <param name="onto">A channel's id, or a <see cref="ShelfCopy.PlaceOf(ChannelId, Pattern)"/>.</param>
    /// <returns>Null where there is no such channel.</returns>
    public static ShelfTake? Of(Template template, ShelfItem item, RhythmContent content, string? onto)
    {
        var at = (onto ?? "").Split('/', 2);
        if (!Identifier.IsValid(at[0]) || !template.Channels.TryGet(new(at[0]), out var channel))
            return null;
        var left = new List<string>();
        var before = at is [_, var said] ? said : CopyOn(template, item, channel.Id);
        bool IsTaken(string name) => channel.Patterns.Any(p => p.Name == name);
        var name = before ?? Numbering.Free(content.Pattern.Name, IsTaken);
        var sections = channel.Patterns.FirstOrDefault(p => p.Name == name)?.Sections ?? [];
        var numbers = Struck(content, channel, left);
        var pattern = content.Pattern with
        {
            Name = name,
            Sections = sections,
            Notes = content.Pattern.Notes.Select(n => n with { Number = numbers.GetValueOrDefault(n.Number, n.Number) }).ToSequence(),
        };
        return new([new PutPattern(channel.Id, pattern), .. Felt(template, channel, content.Groove, left)], ShelfCopy.PlaceOf(channel.Id, pattern)) { Left = left.ToSequence() };
    }

    private static string? CopyOn(Template template, ShelfItem item, ChannelId channel) =>
        template.Copies.FirstOrDefault(c => c.Kind == ShelfKind.Rhythm && c.Item == item.Id && c.Place.StartsWith($"{channel}/", StringComparison.Ordinal) && c.IsIn(template))?.Place[(channel.Value.Length + 1)..];

    /// <returns>By note of the rhythm that of the piece here that stands in for what it struck.</returns>
    private static Dictionary<int, int> Struck(RhythmContent content, Channel channel, List<string> left)
    {
        var numbers = new Dictionary<int, int>();
        if (content.Pieces.Count == 0 || channel.Source is not InstrumentSource { Kit: { } kit })
            return numbers;
        var here = Pads(kit.Pieces.Select(p => (p.Name, p.Note, p.Family)));
        var struck = Pads(content.Pieces.Select(p => (p.Name, p.Note, p.Family)));
        foreach (var (line, match) in struck.Zip(KitMatch.Of(here, struck)))
        {
            if (match is var (found, _))
                numbers[line.Piece!.Note] = found.Piece!.Note;
            else if (kit.Pieces.All(p => p.Note != line.Piece!.Note))
                left.Add($"{line.Name} has no counterpart on {channel.Name}: its notes strike nothing.");
            else
                left.Add($"{line.Name} has no counterpart on {channel.Name}: its notes strike {kit.Pieces.First(p => p.Note == line.Piece!.Note).Name}.");
        }

        return numbers;
    }

    private static IReadOnlyList<KitLine> Pads(IEnumerable<(string Name, int Note, string Family)> pieces) =>
        new Kit(pieces.Select(p => Piece.Pad(p.Name, p.Note, p.Family, 1, DrumSound.Kick)).ToSequence(), [new KitOutput("All", ChannelFormat.Stereo)]).Lines;

    /// <summary>Its groove comes along where the channel has none.</summary>
    private static IEnumerable<Edit> Felt(Template template, Channel channel, Groove? groove, List<string> left)
    {
        if (groove is null || template.Grooves.FirstOrDefault(g => g.Name == channel.Groove) is { } own && own with { Name = groove.Name } == groove)
            yield break;
        if (channel.Groove is { } kept)
        {
            left.Add($"{channel.Name} keeps its groove {kept}: {groove.Name} is not taken.");
            yield break;
        }

        var known = template.Grooves.FirstOrDefault(g => g with { Name = groove.Name } == groove);
        var called = known?.Name ?? Numbering.Free(groove.Name, n => template.Grooves.Any(g => g.Name == n));
        if (known is null)
            yield return new PutGroove(groove with { Name = called });
        yield return new SetGroove(channel.Id, called);
    }
}
