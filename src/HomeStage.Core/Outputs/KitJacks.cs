using HomeStage.Core.Kits;

namespace HomeStage.Core.Outputs;

/// <summary>The jacks of a kit's instrument, whatever its outputs make of them.</summary>
/// <param name="Total">All of them.</param>
/// <param name="Reserved">Those of the first output, where it is kept for the rest; otherwise 0.</param>
/// <param name="Use">Whether they come one by one or in pairs, and how plans use the pairs.</param>
/// <param name="First">How wide the first output is.</param>
public readonly record struct KitJacks(int Total, int Reserved, JackUse Use, ChannelFormat First)
{
    public static KitJacks Of(Kit kit) => new(kit.Outputs.Sum(o => o.Width), kit.FirstReserved ? kit.Outputs[0].Width : 0, kit.Use, kit.Outputs[0].Format);

    public bool InPairs => Use != JackUse.Singles;

    /// <summary>How many outputs there are for splits: pairs where they come in pairs.</summary>
    public int Outputs => (Total - Reserved) / (InPairs ? 2 : 1);

    /// <summary>Every plan for a kit, with the pins that it holds.</summary>
    public PlanResult Plans(Kit kit) => OutputPlanner.Plans([.. kit.Lines.Select(PlanPiece.Of)], Math.Max(1, Outputs), Use, kit.Whole);

    /// <summary>The plan that shares least. Where more keep an output to themselves than there are, it decides over all of them.</summary>
    public OutputPlan Finest(Kit kit) => Plans(kit) is PlanResult.Planned { Plans: [.., var finest] } ? finest
        : ((PlanResult.Planned)Plans(kit.Rewired(l => l.Microphone with { Stay = PieceStay.ByPlan }))).Plans[^1];

    /// <summary>As finely as it can be, or as is wished.</summary>
    /// <param name="over">How many outputs; null for as many as there are, 0 for none.</param>
    /// <returns>Null where nothing is to be split, or nothing can be.</returns>
    public OutputPlan? PlanOver(Kit kit, int? over) => over != 0 && Outputs > 0 && Plans(kit) is PlanResult.Planned { Plans: { Count: > 0 } plans }
        ? plans.LastOrDefault(p => p.Outputs <= (over ?? KitRules.MostOutputs)) ?? plans[0]
        : null;

    /// <summary>The kit with its pieces on the outputs of a plan; what no group takes is left free.</summary>
    /// <returns>The kit, and by group the number of its output.</returns>
    public (Kit Kit, IReadOnlyList<int> Numbers) LaidOut(Kit kit, OutputPlan plan, IReadOnlyList<string> names)
    {
        var outputs = new List<KitOutput>();
        if (kit.FirstReserved)
            outputs.Add(kit.Outputs[0]);
        var next = 1;
        var numbers = new List<int>();
        foreach (var (group, name) in plan.Groups.Zip(names))
        {
            Free(outputs, ref next, group.FirstJack);
            outputs.Add(new(name, group.Format));
            next += outputs[^1].Width;
            numbers.Add(outputs.Count);
        }

        Free(outputs, ref next, Total - Reserved + 1);
        var outputOf = new int[kit.Lines.Count];
        Array.Fill(outputOf, 1);
        foreach (var (group, number) in plan.Groups.Zip(numbers))
            foreach (var piece in group.Pieces)
                outputOf[piece] = number;
        return (kit.Rewired(l => l.Microphone with { Output = outputOf[l.Index], AlsoOnFirst = false }) with { Outputs = outputs.ToSequence() }, numbers);
    }

    private void Free(List<KitOutput> outputs, ref int next, int until)
    {
        while (next < until)
        {
            var format = InPairs && int.IsOddInteger(next) && next + 1 < until ? ChannelFormat.Stereo : ChannelFormat.Mono;
            outputs.Add(new($"Output {outputs.Count + 1}", format));
            next += outputs[^1].Width;
        }
    }
}
