namespace HomeStage.Core.Outputs;

/// <summary>The cheapest cuts of an order of units into runs that divide no family with others, for every number of places.</summary>
internal sealed class BestCuts
{
    private readonly FamilySpans _spans;
    private readonly int _count;
    private readonly bool[] _isStereo;
    private readonly int _mono;
    private readonly int _stereo;
    private readonly (long Cost, int Runs, int End)[,] _best;

    /// <param name="widthOf">Places that a run takes, by whether it holds a stereo one.</param>
    /// <param name="places">Most places, at least 0.</param>
    public BestCuts(IReadOnlyList<PlanUnit> units, Func<bool, int> widthOf, int places)
    {
        var paths = new FamilyPaths(units.Select(u => u.Family));
        _spans = new(paths, units.Count);
        _count = units.Count;
        _isStereo = [.. units.Select(u => u.Format == ChannelFormat.Stereo)];
        (_mono, _stereo) = (widthOf(false), widthOf(true));
        _best = new (long, int, int)[Math.Max(0, places) + 1, _count + 1];
        var costs = new RunCosts([.. units.Select(u => u.Importance)], paths);
        for (var left = 0; left <= places; left++)
            for (var start = _count - 1; start >= 0; start--)
                _best[left, start] = Best(costs, left, start);
    }

    /// <param name="Runs">Each from its first unit to one after its last.</param>
    public sealed record Cuts(long Cost, IReadOnlyList<(int Start, int End)> Runs);

    /// <returns>Null where that many places do not do.</returns>
    public Cuts? With(int places)
    {
        if (places < 0 || _best[places, 0].Cost == long.MaxValue)
            return null;
        var runs = new List<(int, int)>();
        var left = places;
        for (var start = 0; start < _count;)
        {
            var end = _best[left, start].End;
            runs.Add((start, end));
            left -= Enumerable.Range(start, end - start).Any(i => _isStereo[i]) ? _stereo : _mono;
            start = end;
        }

        return new(_count == 0 ? 0 : _best[places, 0].Cost, runs);
    }

    private (long, int, int) Best(RunCosts costs, int left, int start)
    {
        var best = (Cost: long.MaxValue, Runs: int.MaxValue, End: 0);
        var (wide, seen) = (false, start);
        foreach (var end in _spans.EndsFrom(start))
        {
            while (seen < end)
                wide |= _isStereo[seen++];
            var width = wide ? _stereo : _mono;
            if (width > left)
                continue;
            var then = _best[left - width, end];
            if (then.Cost == long.MaxValue)
                continue;
            var (cost, runs) = (costs[start, end] + then.Cost, 1 + then.Runs);
            // Ends come in ascending order, so of equals the earlier cut stays.
            if (cost < best.Cost || (cost == best.Cost && runs < best.Runs))
                best = (cost, runs, end);
        }

        return best;
    }
}
