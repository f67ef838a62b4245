using HomeStage.Core.Kits;
using HomeStage.Core.Outputs;

namespace HomeStage.Core.Machines;

/// <summary>The outputs that a file says its pieces leave by.</summary>
public static class FileOutputs
{
    /// <returns>How many carry something; 0 where all leave by the first, so that nothing is said.</returns>
    public static int Said(Kit brought) => brought.Lines.Select(l => l.Output).Distinct().Count() is > 1 and var count ? count : 0;

    /// <summary>As many as the file counts; a pair where all of them are, where the file has it so, or where something with two sides leaves by it.</summary>
    internal static IEnumerable<KitOutput> Of(Kit brought, bool inPairs, bool firstReserved) =>
        Enumerable.Range(1, brought.Outputs.Count).Select(number => new KitOutput(
            number == 1 && firstReserved ? "The rest" : $"Output {number}",
            inPairs || brought.Outputs[number - 1].Format == ChannelFormat.Stereo || brought.Lines.Any(l => l.Output == number && l.Microphone.Format == ChannelFormat.Stereo) ? ChannelFormat.Stereo : ChannelFormat.Mono));

    /// <summary>A split for each that carries something; the first has none where it is kept for the rest.</summary>
    /// <param name="kit">With its pieces on the outputs that they leave by.</param>
    internal static OutputPlan Plan(Kit kit)
    {
        var names = SplitNames.Of(kit);
        var carried = FamilyTree.Order([.. kit.Lines.Select(l => l.Family)]).ToLookup(i => kit.Lines[i].Output);
        var groups = new List<PlanGroup>();
        for (var (number, jack) = (kit.FirstReserved ? 2 : 1, 1); number <= kit.Outputs.Count; jack += kit.Outputs[number - 1].Width, number++)
            if (carried[number].Any())
                groups.Add(new(names[number], carried[number].ToSequence(), jack, kit.Outputs[number - 1].Format));
        return new(groups.Count, 0, 1, groups.ToSequence(), kit.FirstReserved ? carried[1].ToSequence() : []);
    }
}
