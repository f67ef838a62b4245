using HomeStage.Core.Templates;

namespace HomeStage.Formats.DawProject;

/// <summary>Gives what was read of a project the ids that it has in the document of which the project was made.</summary>
internal static class KnownAgain
{
    /// <param name="read">As it was read, under ids made of its names.</param>
    /// <param name="known">The document, or an earlier reading that bears its ids.</param>
    /// <param name="channels">By id in what was read the one in what is known; others are new.</param>
    public static Template As(Template read, Template known, IReadOnlyDictionary<ChannelId, ChannelId> channels)
    {
        var taken = known.Channels.Select(c => c.Id.Value).ToHashSet(StringComparer.Ordinal);
        var ids = new Dictionary<ChannelId, ChannelId>(channels);
        foreach (var channel in read.Channels.Where(c => !channels.ContainsKey(c.Id)))
        {
            var free = Numbering.FreshId(channel.Id.Value, id => taken.Contains(id.Value));
            taken.Add(free.Value);
            ids[channel.Id] = free;
        }

        var sections = Sections(read, known);
        return read with
        {
            Timeline = read.Timeline with { Sections = read.Timeline.Sections.Select(s => s with { Id = sections[s.Id] }).ToSequence() },
            Channels = ChannelList.From(read.Channels.Select(c =>
            {
                var led = ChannelReferences.Redirected(c, (_, to) => ids[to]) with { Id = ids[c.Id] };
                return led with
                {
                    Inserts = known.Channels.TryGet(led.Id, out var same) ? Inserts(led.Inserts, same.Inserts) : led.Inserts,
                    Patterns = led.Patterns.Select(p => p with { Sections = p.Sections.Select(s => sections[s]).ToSequence() }).ToSequence(),
                };
            })),
        };
    }

    /// <returns>By id in what was read the id in what is known: of the section of that name, else one that is free.</returns>
    private static Dictionary<string, string> Sections(Template read, Template known)
    {
        var taken = known.Timeline.Sections.Select(s => s.Id).ToHashSet(StringComparer.Ordinal);
        var ids = new Dictionary<string, string>(StringComparer.Ordinal);
        foreach (var section in read.Timeline.Sections)
        {
            var same = known.Timeline.Sections.FirstOrDefault(s => s.Name == section.Name);
            ids[section.Id] = same?.Id ?? Numbering.Fresh(section.Id, taken.Contains);
            taken.Add(ids[section.Id]);
        }

        return ids;
    }

    /// <summary>One after the other, each takes the id of the next that is like it; what is left is new.</summary>
    private static Sequence<Insert> Inserts(Sequence<Insert> read, Sequence<Insert> known)
    {
        var (made, next) = (new List<Insert>(), 0);
        var taken = known.Select(i => i.Id.Value).ToHashSet(StringComparer.Ordinal);
        foreach (var insert in read)
        {
            var same = Enumerable.Range(next, known.Count - next).Where(n => known[n].IsLike(insert)).Select(n => (int?)n).FirstOrDefault();
            // As many as there were, in the same places, are the same, whatever the format made of them.
            same ??= read.Count == known.Count && next < known.Count ? next : null;
            var id = same is { } place ? known[place].Id : new(Numbering.Fresh(insert.Id.Value, taken.Contains));
            next = same + 1 ?? next;
            taken.Add(id.Value);
            made.Add(insert with { Id = id });
        }

        return made.ToSequence();
    }
}
