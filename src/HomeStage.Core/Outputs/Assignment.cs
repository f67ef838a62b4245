namespace HomeStage.Core.Outputs;

/// <summary>Who stands in for whom, one to one, so that the sum of what the pairs are worth is the greatest.</summary>
/// <remarks>Kuhn 1955, by shortest augmenting paths with potentials (Jonker and Volgenant 1987), O(rows² · columns).</remarks>
public static class Assignment
{
    /// <param name="rows">At least 0.</param>
    /// <param name="columns">At least 0.</param>
    /// <param name="worth">Of a pair, at least 0, each sum of them within 2⁶²; 0 for a pair that must not be.</param>
    /// <returns>By row the column that it gets; −1 for none.</returns>
    public static int[] Best(int rows, int columns, Func<int, int, long> worth)
    {
        // As many columns of its own as there are rows stand for getting none.
        var width = columns + rows;
        var cost = new long[rows, width];
        for (var r = 0; r < rows; r++)
            for (var c = 0; c < columns; c++)
                cost[r, c] = -worth(r, c);
        var byColumn = new int[width + 1];
        Array.Fill(byColumn, -1);
        var (ofRow, ofColumn) = (new long[rows], new long[width + 1]);
        for (var r = 0; r < rows; r++)
            Place(r, cost, byColumn, ofRow, ofColumn);
        var byRow = new int[rows];
        Array.Fill(byRow, -1);
        for (var c = 0; c < columns; c++)
            if (byColumn[c] >= 0 && cost[byColumn[c], c] < 0)
                byRow[byColumn[c]] = c;
        return byRow;
    }

    /// <summary>Gives one more row a column, and others another one, by the cheapest way to a column that is free.</summary>
    private static void Place(int row, long[,] cost, int[] byColumn, long[] ofRow, long[] ofColumn)
    {
        var start = byColumn.Length - 1;
        var (least, before, seen) = (new long[start], new int[start], new bool[start + 1]);
        Array.Fill(least, long.MaxValue);
        byColumn[start] = row;
        var at = start;
        while (byColumn[at] >= 0)
        {
            seen[at] = true;
            var (from, step, next) = (byColumn[at], long.MaxValue, -1);
            for (var c = 0; c < start; c++)
            {
                if (seen[c])
                    continue;
                if (cost[from, c] - ofRow[from] - ofColumn[c] is var reduced && reduced < least[c])
                    (least[c], before[c]) = (reduced, at);
                if (least[c] < step)
                    (step, next) = (least[c], c);
            }

            for (var c = 0; c <= start; c++)
            {
                if (seen[c])
                    (ofRow[byColumn[c]], ofColumn[c]) = (ofRow[byColumn[c]] + step, ofColumn[c] - step);
                else
                    least[c] -= step;
            }

            at = next;
        }

        for (; at != start; at = before[at])
            byColumn[at] = byColumn[before[at]];
        byColumn[start] = -1;
    }
}
