using HomeStage.Core.Kits;

namespace HomeStage.Core.Outputs;

/// <summary>The best way to share outputs, for every number of outputs at once.</summary>
/// <remarks>Pieces stand in the order of the family tree. A plan cuts that order into runs of neighbours, none of which holds a part of a
/// family together with anything outside it; the cheapest total wins, ties by fewer runs, then by the earlier cut. Exact, by dynamic
/// programming over intervals from the end: the best of what stands from i on with u places left is the cheapest first run and the best
/// of what remains. Pieces that keep an output to themselves are taken out first, one output each, and those that stay on the first output
/// are out too; what is kept together, or whole, is planned as one.</remarks>
public static class OutputPlanner
{
    public const int MostPieces = KitRules.MostLines;
    public const int MostOutputs = 64;

    /// <param name="outputs">How many there are for splits, in [1, 64]; pairs where jacks are used by pairs or halves.</param>
    /// <param name="whole">Families, by their paths, that are not divided.</param>
    public static PlanResult Plans(IReadOnlyList<PlanPiece> pieces, int outputs, JackUse use, IReadOnlyList<string>? whole = null)
    {
        if (Check(pieces, outputs) is { } wrong)
            return new PlanResult.Refused(wrong);
        var order = FamilyTree.Order([.. pieces.Select(p => p.Family)]);
        var alone = order.Where(i => pieces[i].Stay == PieceStay.Alone).ToList();
        var rest = order.Where(i => pieces[i].Stay == PieceStay.ByPlan).ToList();
        int PlacesOf(int outputCount) => use == JackUse.Halves ? 2 * outputCount : outputCount;
        int WidthOf(bool anyStereo) => use == JackUse.Halves && anyStereo ? 2 : 1;
        var taken = alone.Sum(i => WidthOf(pieces[i].Format == ChannelFormat.Stereo));
        var fewest = taken + (rest.Count == 0 ? 0 : WidthOf(rest.Exists(i => pieces[i].Format == ChannelFormat.Stereo)));
        if (fewest > PlacesOf(outputs))
            return new PlanResult.Refused(new Refusal.TooMany("pieces that keep an output to themselves", outputs - (rest.Count == 0 ? 0 : 1)));

        var units = PlanUnit.Of(pieces, rest, whole ?? []);
        var best = new BestCuts(units, WidthOf, PlacesOf(outputs) - taken);
        var sharing = new Sharing(pieces);
        var together = sharing.Cost([.. alone, .. rest]);
        var names = new PlanNames(pieces);
        var plans = new List<OutputPlan>();
        for (var count = 1; count <= outputs; count++)
        {
            if (best.With(PlacesOf(count) - taken) is not { } cuts)
                continue;
            var runs = cuts.Runs.Select(r => units[r.Start..r.End].SelectMany(u => u.Pieces).ToList()).Concat(alone.Select(i => new List<int> { i })).ToList();
            var shared = runs.Sum(sharing.Cost);
            plans.Add(new(count, cuts.Cost, together == 0 ? 1 : 1 - (double)shared / together, Placed(runs, pieces, order, use, names).ToSequence(),
                order.Where(i => pieces[i].Stay == PieceStay.OnFirst).ToSequence()));
            if (runs.Count == alone.Count + units.Count)
                break;
        }

        return new PlanResult.Planned(plans.ToSequence());
    }

    private static Refusal? Check(IReadOnlyList<PlanPiece> pieces, int outputs)
    {
        if (!(pieces.Count is >= 1 and <= MostPieces))
            return new Refusal.OutOfRange("The number of pieces", pieces.Count, 1, MostPieces, "");
        if (!(outputs is >= 1 and <= MostOutputs))
            return new Refusal.OutOfRange("The number of outputs", outputs, 1, MostOutputs, "");
        if (pieces.FirstOrDefault(p => !(p.Importance is >= 1 and <= Microphone.MostImportance)) is { } wrong)
            return new Refusal.OutOfRange($"The importance of {wrong.Name}", wrong.Importance, 1, Microphone.MostImportance, "");
        return pieces.Select(p => TextRules.Name("A piece's name", p.Name) ?? TextRules.Note($"The family of {p.Name}", p.Family, TextRules.LongestName)).FirstOrDefault(r => r is not null)
            ?? Doubles.Check(pieces.Select(p => p.Name), "piece");
    }

    /// <summary>Outputs ascend in the order of the tree; by halves a mono run takes a half that was left open before it opens a pair.</summary>
    private static IEnumerable<PlanGroup> Placed(List<List<int>> runs, IReadOnlyList<PlanPiece> pieces, IReadOnlyList<int> order, JackUse use, PlanNames names)
    {
        var standing = order.Select((piece, place) => (piece, place)).ToDictionary(p => p.piece, p => p.place);
        var inOrder = runs.OrderBy(r => standing[r[0]]).ToList();
        var called = names.Of(inOrder);
        var (next, open) = (1, 0);
        var groups = new List<PlanGroup>();
        foreach (var (run, name) in inOrder.Zip(called))
        {
            var mono = use == JackUse.Singles || (use == JackUse.Halves && run.TrueForAll(i => pieces[i].Format == ChannelFormat.Mono));
            var first = mono && open > 0 ? open : next;
            groups.Add(new(name, run.ToSequence(), first, mono ? ChannelFormat.Mono : ChannelFormat.Stereo));
            if (use != JackUse.Halves)
                next += mono ? 1 : 2;
            else if (mono && open > 0)
                open = 0;
            else
                (open, next) = (mono ? next + 1 : open, next + 2);
        }

        return groups.OrderBy(g => g.FirstJack);
    }
}
