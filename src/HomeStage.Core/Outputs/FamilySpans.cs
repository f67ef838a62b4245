namespace HomeStage.Core.Outputs;

/// <summary>Where families begin and end in an order of units, and which runs leave them whole.</summary>
/// <remarks>A run holds no part of a family together with anything outside that family. The outermost families count as one, so that a lone
/// shaker does not keep an output to itself.</remarks>
internal sealed class FamilySpans
{
    // By place: the last end of what is begun before it and not ended, and the families that begin there, their ends ascending.
    private readonly int[] _within;
    private readonly List<int>[] _begin;

    public FamilySpans(FamilyPaths paths, int count)
    {
        _within = new int[count];
        _begin = [.. Enumerable.Range(0, count).Select(_ => new List<int>())];
        Array.Fill(_within, count);
        for (var start = 0; start < count; start++)
            foreach (var (family, depth) in paths[start].Select((family, depth) => (family, depth)).Where(f => f.depth > 0))
            {
                if (start > 0 && depth < paths[start - 1].Length && paths[start - 1][depth] == family)
                    continue;
                var end = start + 1;
                while (end < count && depth < paths[end].Length && paths[end][depth] == family)
                    end++;
                _begin[start].Add(end);
                for (var inside = start + 1; inside < end; inside++)
                    _within[inside] = Math.Min(_within[inside], end);
            }
    }

    /// <returns>Ends of the runs that may begin at a place, ascending.</returns>
    public IEnumerable<int> EndsFrom(int start)
    {
        var inside = 0;
        for (var end = start + 1; end <= _within[start]; end++)
        {
            // What begins after the start must be held whole.
            foreach (var open in end - 1 > start ? _begin[end - 1] : [])
                inside = Math.Max(inside, open);
            if (end >= inside)
                yield return end;
        }
    }
}
