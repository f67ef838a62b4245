namespace HomeStage.Core.Outputs;

/// <summary>What every run of neighbours costs: the sum over its pairs of importance × importance × distance.</summary>
internal sealed class RunCosts
{
    private readonly long[,] _cost;

    /// <param name="paths">Of as many families as there are importances.</param>
    public RunCosts(IReadOnlyList<long> importances, FamilyPaths paths)
    {
        long Between(int one, int other) => importances[one] * importances[other] * paths.Distance(one, other);
        _cost = new long[importances.Count + 1, importances.Count + 1];
        for (var end = 1; end <= importances.Count; end++)
        {
            // What the last one adds to a run that starts here.
            var added = 0L;
            for (var start = end - 2; start >= 0; start--)
            {
                added += Between(start, end - 1);
                _cost[start, end] = _cost[start, end - 1] + added;
            }
        }
    }

    /// <param name="start">The first of the run.</param>
    /// <param name="end">One after the last.</param>
    public long this[int start, int end] => _cost[start, end];
}
