namespace HomeStage.Core.Outputs;

/// <summary>Which pieces share an output, for one number of outputs.</summary>
/// <param name="Outputs">How many outputs it may take, those for the rest aside; pairs where jacks are used by halves.</param>
/// <param name="Cost">What the plan's own sharing costs: the sum over pairs in a run of importance × importance × distance, where what is kept
/// together counts as one.</param>
/// <param name="LikenessKept">1 − what all sharing costs, that of pins too, ÷ the cost of all on one output, in [0, 1]; 1 where nothing shares.</param>
/// <param name="Groups">By ascending jack.</param>
/// <param name="OnFirst">Pieces that stay on the first output, by index.</param>
public sealed record OutputPlan(int Outputs, long Cost, double LikenessKept, Sequence<PlanGroup> Groups, Sequence<int> OnFirst)
{
    /// <summary>The same in whole percent, rounded down: 100 only where nothing shares.</summary>
    public int LikenessPercent => Groups.Any(g => g.Pieces.Count > 1) ? (int)Math.Min(99, Math.Floor(100 * LikenessKept)) : 100;
}

/// <summary>One output of a plan.</summary>
/// <param name="Name">Its lowest common family, or its pieces' names.</param>
/// <param name="Pieces">Indices of the pieces, in the order of the tree.</param>
/// <param name="FirstJack">From 1; jacks that are kept for the rest are not counted.</param>
/// <param name="Format">Mono takes one jack, stereo two.</param>
public sealed record PlanGroup(string Name, Sequence<int> Pieces, int FirstJack, ChannelFormat Format);

/// <summary>What came of planning.</summary>
public abstract record PlanResult
{
    /// <param name="Plans">By ascending number of outputs; beyond the last one nothing changes.</param>
    public sealed record Planned(Sequence<OutputPlan> Plans) : PlanResult;

    public sealed record Refused(Refusal Why) : PlanResult;
}
