namespace HomeStage.Core.Recording;

/// <summary>What must be taken off: of each need, as much as its items give, or any one that meets it whole.</summary>
/// <param name="Excess">What is too much; above 0.</param>
/// <param name="Gives">By item: what it takes off.</param>
/// <param name="Whole">Items that meet the need alone.</param>
public sealed record Need(long Excess, IReadOnlyDictionary<int, long> Gives, IReadOnlySet<int> Whole)
{
    public bool IsMetBy(IReadOnlyCollection<int> items) => items.Any(Whole.Contains) || items.Sum(i => Gives.GetValueOrDefault(i)) >= Excess;

    /// <summary>What is left of it when some items are taken.</summary>
    /// <returns>Null where they meet it.</returns>
    internal Need? After(IReadOnlySet<int> taken)
    {
        var given = Gives.Where(g => taken.Contains(g.Key)).Sum(g => g.Value);
        return Whole.Any(taken.Contains) || given >= Excess ? null
            : new(Excess - given, Gives.Where(g => !taken.Contains(g.Key)).ToDictionary(), Whole.Where(i => !taken.Contains(i)).ToHashSet());
    }
}

/// <summary>The smallest set of items that meets every need.</summary>
/// <remarks>Fewest items, then least taken off, then the order of the items. Exact by search with bounds up to
/// <see cref="MostExact"/> items; greedy beyond, most of what is still needed first.</remarks>
public static class Covering
{
    public const int MostExact = 25;

    /// <param name="cost">By item: what parking it takes off in itself; the order of its keys is the items' order.</param>
    /// <returns>Items in their order; null where all together do not do.</returns>
    public static (IReadOnlyList<int> Items, bool IsExact)? Of(IReadOnlyList<Need> needs, IReadOnlyDictionary<int, long> cost)
    {
        var all = ItemsOf(needs);
        if (!needs.All(n => n.IsMetBy(all)))
            return null;
        var forced = needs.SelectMany(Forced).ToHashSet();
        var open = needs.Select(n => n.After(forced)).OfType<Need>().ToList();
        var (rest, isExact) = Smallest(open, ItemsOf(open), cost);
        return ([.. forced.Concat(rest).Order()], isExact);
    }

    private static int[] ItemsOf(IReadOnlyList<Need> needs) => [.. needs.SelectMany(n => n.Gives.Keys.Concat(n.Whole)).Distinct().Order()];

    /// <summary>Items without which a need is not met by all the others.</summary>
    private static IEnumerable<int> Forced(Need need)
    {
        if (need.Whole.Count > 1)
            return [];
        var sum = need.Gives.Values.Sum();
        if (need.Whole.Count == 1)
            return sum - need.Whole.Sum(i => need.Gives.GetValueOrDefault(i)) < need.Excess ? need.Whole : [];
        return need.Gives.Where(g => sum - g.Value < need.Excess).Select(g => g.Key);
    }

    private static (IReadOnlyList<int> Items, bool IsExact) Smallest(IReadOnlyList<Need> needs, int[] items, IReadOnlyDictionary<int, long> cost)
    {
        if (items.Length > MostExact)
            return (Greedy(needs, items, cost), false);
        for (var size = 0; ; size++)
            if (new Search(needs, items, cost, size).Best is { } best)
                return (best, true);
    }

    private static List<int> Greedy(IReadOnlyList<Need> needs, int[] items, IReadOnlyDictionary<int, long> cost)
    {
        var needsOf = needs.SelectMany((n, at) => n.Gives.Keys.Concat(n.Whole).Distinct().Select(item => (item, at))).ToLookup(x => x.item, x => x.at);
        var left = needs.Select(n => n.Excess).ToArray();
        var taken = new List<int>();
        long Helps(int item) => needsOf[item].Where(n => left[n] > 0).Sum(n => needs[n].Whole.Contains(item) ? left[n] : Math.Min(needs[n].Gives.GetValueOrDefault(item), left[n]));
        for (var open = items.ToHashSet(); left.Any(l => l > 0);)
        {
            var best = open.OrderByDescending(Helps).ThenBy(i => cost[i]).ThenBy(i => i).First();
            open.Remove(best);
            taken.Add(best);
            foreach (var n in needsOf[best])
                left[n] = needs[n].Whole.Contains(best) ? 0 : left[n] - needs[n].Gives.GetValueOrDefault(best);
        }

        // What later ones made needless goes again.
        foreach (var item in taken.ToList())
            if (taken.Where(t => t != item).ToHashSet() is var others && needsOf[item].All(n => needs[n].IsMetBy(others)))
                taken.Remove(item);
        return [.. taken.Order()];
    }

    /// <summary>All sets of one size, but for branches that cannot meet a need any more.</summary>
    private sealed class Search
    {
        private readonly IReadOnlyList<Need> _needs;
        private readonly int[] _items;
        private readonly IReadOnlyDictionary<int, long> _cost;
        private readonly long[][] _most;
        private readonly List<int> _taken = [];
        private long _bestCost = long.MaxValue;

        public Search(IReadOnlyList<Need> needs, int[] items, IReadOnlyDictionary<int, long> cost, int size)
        {
            (_needs, _items, _cost) = (needs, items, cost);
            // By need and first item: the most that one of the items from there on gives.
            _most = [.. needs.Select(n => Enumerable.Range(0, items.Length + 1).Select(from => items.Skip(from).Select(i => n.Whole.Contains(i) ? n.Excess : n.Gives.GetValueOrDefault(i)).DefaultIfEmpty(0).Max()).ToArray())];
            Try(0, size, 0);
        }

        public IReadOnlyList<int>? Best { get; private set; }

        private void Try(int from, int left, long cost)
        {
            if (cost >= _bestCost)
                return;
            if (left == 0)
            {
                if (_needs.All(n => n.IsMetBy(_taken)))
                    (Best, _bestCost) = ([.. _taken], cost);
                return;
            }

            if (_items.Length - from < left || !CanStill(from, left))
                return;
            for (var at = from; at <= _items.Length - left; at++)
            {
                _taken.Add(_items[at]);
                Try(at + 1, left - 1, cost + _cost[_items[at]]);
                _taken.RemoveAt(_taken.Count - 1);
            }
        }

        private bool CanStill(int from, int left)
        {
            for (var n = 0; n < _needs.Count; n++)
                if (!_needs[n].IsMetBy(_taken) && _taken.Sum(i => _needs[n].Gives.GetValueOrDefault(i)) + left * _most[n][from] < _needs[n].Excess)
                    return false;
            return true;
        }
    }
}
