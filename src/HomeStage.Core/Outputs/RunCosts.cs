namespace HomeStage.Core.Outputs;

/// <summary>What every run of neighbours costs.</summary>
internal sealed class RunCosts
{
    private readonly long[,] _cost;

    public RunCosts(IReadOnlyList<PlanPiece> pieces)
    {
        var paths = new FamilyPaths(pieces.Select(p => p.Family));
        long Between(int one, int other) => (long)pieces[one].Importance * pieces[other].Importance * paths.Distance(one, other);
        _cost = new long[pieces.Count + 1, pieces.Count + 1];
        for (var end = 1; end <= pieces.Count; end++)
        {
            // What the last piece adds to a run that starts here.
            var added = 0L;
            for (var start = end - 2; start >= 0; start--)
            {
                added += Between(start, end - 1);
                _cost[start, end] = _cost[start, end - 1] + added;
            }
        }
    }

    /// <param name="start">First piece.</param>
    /// <param name="end">One after the last.</param>
    public long this[int start, int end] => _cost[start, end];
}
