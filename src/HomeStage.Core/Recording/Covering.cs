namespace HomeStage.Core.Recording;

/// <summary>What must be taken off: of each need, as much as its items give, or any one that meets it whole.</summary>
/// <param name="Excess">What is too much; above 0.</param>
/// <param name="Gives">By item: what it takes off.</param>
/// <param name="Whole">Items that meet the need alone.</param>
public sealed record Need(long Excess, IReadOnlyDictionary<int, long> Gives, IReadOnlySet<int> Whole)
{
    public bool IsMetBy(IReadOnlyCollection<int> items) => items.Any(Whole.Contains) || items.Sum(i => Gives.GetValueOrDefault(i)) >= Excess;
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
        var items = needs.SelectMany(n => n.Gives.Keys.Concat(n.Whole)).Distinct().Order().ToArray();
        if (!needs.All(n => n.IsMetBy(items)))
            return null;
        if (items.Length > MostExact)
            return (Greedy(needs, items, cost), false);
        for (var size = 0; size <= items.Length; size++)
            if (new Search(needs, items, cost, size).Best is { } best)
                return (best, true);
        return null;
    }

    private static List<int> Greedy(IReadOnlyList<Need> needs, int[] items, IReadOnlyDictionary<int, long> cost)
    {
        var taken = new List<int>();
        while (needs.Any(n => !n.IsMetBy(taken)))
        {
            long Helps(int item) => needs.Where(n => !n.IsMetBy(taken)).Sum(n => n.Whole.Contains(item) ? n.Excess : Math.Min(n.Gives.GetValueOrDefault(item), n.Excess - taken.Sum(t => n.Gives.GetValueOrDefault(t))));
            taken.Add(items.Except(taken).OrderByDescending(Helps).ThenBy(i => cost[i]).ThenBy(i => i).First());
        }

        // What later ones made needless goes again.
        foreach (var item in taken.ToList())
            if (taken.Where(t => t != item).ToList() is var others && needs.All(n => n.IsMetBy(others)))
                taken = others;
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
