using HomeStage.Core.Making;
using HomeStage.Core.Outputs;
using HomeStage.Core.Roles;
using HomeStage.Core.Routing;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Refitting;

/// <summary>Which bus or return of an old template stands for which of the plan's, one to one.</summary>
/// <remarks>Of all pairings the one with the most equal names, of those the one with the most equal roles as the names say them, then with the most equal roles as buses,
/// then with the most of what goes in alike. The last sum before the main is what it is, in both. A bus and a return are no pair.</remarks>
internal static class SumMatch
{
    // Each outweighs the greatest sum of all that come after it, for a thousand sums.
    private const long OfShare = 1_000;
    private const long OfBusRole = 2_000_000;
    private const long OfRole = 4_000_000_000;
    private const long OfName = 8_000_000_000_000;

    /// <returns>By id of the plan's sum the old one and what they share.</returns>
    public static Dictionary<ChannelId, (ChannelId Old, string Why)> Of(Template old, Template plan)
    {
        var (oldMix, planMix) = (ChannelFactory.MixBus(old), ChannelFactory.MixBus(plan));
        var found = new Dictionary<ChannelId, (ChannelId, string)> { [plan.Main.Id] = (old.Main.Id, "the main") };
        if (oldMix != old.Main.Id && planMix != plan.Main.Id)
            found[planMix] = (oldMix, "the last sum before the main");
        var mine = old.Channels.Where(c => IsSum(c) && c.Id != oldMix).ToList();
        var theirs = plan.Channels.Where(c => IsSum(c) && c.Id != planMix).ToList();
        var likeness = new (long Worth, string Why)[theirs.Count, mine.Count];
        for (var p = 0; p < theirs.Count; p++)
            for (var o = 0; o < mine.Count; o++)
                likeness[p, o] = Likeness(old, mine[o], plan, theirs[p]);
        var best = Assignment.Best(theirs.Count, mine.Count, (p, o) => likeness[p, o].Worth);
        for (var p = 0; p < theirs.Count; p++)
            if (best[p] >= 0)
                found[theirs[p].Id] = (mine[best[p]].Id, likeness[p, best[p]].Why);
        return found;
    }

    public static bool IsSum(Channel channel) => channel.Kind is ChannelKind.Bus or ChannelKind.Return;

    private static (long Worth, string Why) Likeness(Template old, Channel mine, Template plan, Channel theirs)
    {
        if (mine.Kind != theirs.Kind)
            return default;
        var sameName = mine.Name.Equals(theirs.Name, StringComparison.OrdinalIgnoreCase);
        var (read, readThere) = (RoleReader.Read(mine.Name).Role, RoleReader.Read(theirs.Name).Role);
        var sameRole = read == readThere && read != RoleNames.Unknown;
        var (role, roleThere) = (ChannelRole.Of(mine).Role, ChannelRole.Of(theirs).Role);
        var sameBusRole = role == roleThere && role != RoleNames.Unknown;
        var share = ShareAlike(FamiliesInto(old, mine), FamiliesInto(plan, theirs));
        if (!sameName && ((!sameRole && !sameBusRole) || IsPartOfAKit(old, mine) != IsPartOfAKit(plan, theirs)))
            return default;
        var worth = (sameName ? OfName : 0) + (sameRole ? OfRole : 0) + (sameBusRole ? OfBusRole : 0) + (long)(share * OfShare) + 1;
        return (worth, sameName ? "of the same name" : $"both are for {Spoken(sameRole ? read : role)}");
    }

    /// <summary>Whether a bus sums some splits of one machine whose others go elsewhere: a snare's sum is no drum bus.</summary>
    private static bool IsPartOfAKit(Template template, Channel sum)
    {
        var into = template.Channels.Where(c => c.Destination == sum.Id).ToList();
        return into.Count > 0 && into.TrueForAll(c => c.Source is OutputSource) && into.Select(c => ((OutputSource)c.Source!).Instrument).Distinct().ToList() is [var kit]
            && template.Channels.Any(c => c.Source is OutputSource other && other.Instrument == kit && c.Destination != sum.Id);
    }

    internal static string Spoken(string role) => role.Replace('-', ' ');

    /// <summary>Families of what goes into a sum, through the sums before it as well; the empty one where nothing tells.</summary>
    private static Dictionary<string, int> FamiliesInto(Template template, Channel sum) =>
        template.Channels.Where(c => sum.Kind == ChannelKind.Return ? c.Sends.Any(s => s.To == sum.Id) : DestinationWay.LeadsTo(template, c, sum.Id))
            .Select(c => ChannelRole.Of(c).Family).Where(f => f is not ("sums" or "returns")).GroupBy(f => f).ToDictionary(g => g.Key, g => g.Count());

    /// <returns>In [0, 1]: how much two counts have in common; what nothing tells of is like nothing.</returns>
    private static double ShareAlike(Dictionary<string, int> one, Dictionary<string, int> other)
    {
        var (ones, others) = (one.Values.Sum(), other.Values.Sum());
        return ones == 0 || others == 0 ? 0 : one.Where(f => f.Key.Length > 0).Sum(f => Math.Min((double)f.Value / ones, (double)other.GetValueOrDefault(f.Key) / others));
    }
}
