using HomeStage.Core.Templates;

namespace HomeStage.Core.Making;

/// <summary>A chain apart from any channel, and how it is put into a strip.</summary>
public static class ChainLaying
{
    /// <summary>A chain of a channel with its inserts, to be put on others. Nothing feeds or restarts what is in it.</summary>
    public static Strip Of(Channel channel, Chain chain)
    {
        var inserts = channel.Inserts.Where(i => chain.Inserts.Contains(i.Id)).Select(StripLaying.Bare).ToSequence();
        return new() { Inserts = inserts, Chains = [Only(chain, inserts.Select(i => i.Id).ToHashSet())] };
    }

    /// <summary>The channel with the chain in the place of the one of the same name, else at the end, before a gain stage that is kept for automation.</summary>
    /// <param name="strip">As <see cref="Of"/> makes it.</param>
    public static Channel On(Template template, Channel channel, Strip strip)
    {
        var chain = strip.Chains[0];
        var there = channel.Chains.FirstOrDefault(c => string.Equals(c.Name, chain.Name, StringComparison.OrdinalIgnoreCase));
        var old = channel.Inserts.Where(i => there?.Inserts.Contains(i.Id) == true).ToSequence();
        var place = old.Count > 0 ? channel.Inserts.IndexWhere(i => i.Id == old[0].Id) : EndOf(channel);
        var others = channel.Inserts.Where(i => !old.Contains(i)).ToSequence();
        var (laid, ids) = StripLaying.Laid(template, old, strip.Inserts!, others.Select(i => i.Id.Value));
        var before = channel.Inserts.Take(place).Count(i => others.Contains(i));
        var id = there?.Id ?? Numbering.FreshId(chain.Id, i => channel.Chains.Any(c => c.Id == i.Value)).Value;
        return channel with
        {
            Inserts = [.. others.Take(before), .. laid, .. others.Skip(before)],
            Chains = channel.Chains.Where(c => c.Id != id).Append(Renamed(chain with { Id = id }, ids)).OrderBy(c => c.Id, StringComparer.Ordinal).ToSequence(),
        };
    }

    /// <summary>The chain with its inserts called otherwise.</summary>
    internal static Chain Renamed(Chain chain, IReadOnlyDictionary<InsertId, InsertId> ids) => chain with
    {
        Inserts = chain.Inserts.Where(ids.ContainsKey).Select(i => ids[i]).ToSequence(),
        Controls = chain.Controls.Select(c => c with { Moves = c.Moves.Where(m => ids.ContainsKey(m.Insert)).Select(m => m with { Insert = ids[m.Insert] }).ToSequence() }).ToSequence(),
    };

    /// <summary>The chain without what is not there.</summary>
    internal static Chain Only(Chain chain, IReadOnlySet<InsertId> there) => Renamed(chain, there.ToDictionary(i => i, i => i));

    /// <summary>Where something more is put in: at the end, before what is kept for automation.</summary>
    internal static int EndOf(Channel channel)
    {
        var end = channel.Inserts.Count;
        while (end > 0 && channel.Inserts[end - 1].KeptForAutomation)
            end--;
        return end;
    }
}
