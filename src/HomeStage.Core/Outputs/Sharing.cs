namespace HomeStage.Core.Outputs;

/// <summary>What it costs that pieces share an output, whoever decided it: the sum over their pairs of importance × importance × distance.</summary>
internal sealed class Sharing(IReadOnlyList<PlanPiece> pieces)
{
    private readonly FamilyPaths _paths = new(pieces.Select(p => p.Family));

    /// <param name="run">Indices of pieces.</param>
    public long Cost(IReadOnlyList<int> run)
    {
        var cost = 0L;
        for (var i = 1; i < run.Count; i++)
            for (var j = 0; j < i; j++)
                cost += (long)pieces[run[i]].Importance * pieces[run[j]].Importance * _paths.Distance(run[i], run[j]);
        return cost;
    }
}
