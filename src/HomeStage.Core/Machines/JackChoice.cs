using HomeStage.Core.Kits;
using HomeStage.Core.Outputs;

namespace HomeStage.Core.Machines;

/// <summary>What a kit that a file brought shall leave by, where its jacks are not those that are there.</summary>
/// <param name="Jacks">How many single jacks, in [1, 64]; of <see cref="JackOrigin.Own"/> alone.</param>
/// <param name="InPairs">Whether those come in pairs; an odd one over is single.</param>
public sealed record JackChoice(JackOrigin From, int Jacks = 0, bool InPairs = false)
{
    /// <summary>Whether the outputs of two kits differ in their number or in the width of any.</summary>
    public static bool Differ(Kit brought, Kit here) => !brought.Outputs.Select(o => o.Format).SequenceEqual(here.Outputs.Select(o => o.Format));

    /// <returns>What is wrong with it, or null.</returns>
    public Refusal? Check() => From == JackOrigin.Own && !(Jacks is >= 1 and <= KitRules.MostOutputs)
        ? new Refusal.OutOfRange("The number of jacks", Jacks, 1, KitRules.MostOutputs, "")
        : null;

    /// <summary>The kit over the jacks that were chosen: as the file has it, or else planned anew, as finely as they allow. What keeps an output to
    /// itself shares where there are too few.</summary>
    /// <param name="here">The kit that is there.</param>
    public Kit Settle(Kit brought, Kit here) => From switch
    {
        JackOrigin.File => brought,
        JackOrigin.Here => Planned(brought with { Outputs = here.Outputs, FirstReserved = here.FirstReserved, Jacks = here.Jacks }),
        JackOrigin.Own => Planned(brought with { Outputs = [.. KitOutput.Row(Jacks, InPairs, brought.FirstReserved)], Jacks = InPairs ? JackUse.Pairs : JackUse.Singles }),
        _ => throw new InvalidOperationException("Unknown origin of jacks."),
    };

    private static Kit Planned(Kit kit)
    {
        kit = kit.Together();
        var jacks = KitJacks.Of(kit);
        if (jacks.Outputs == 0)
            return kit;
        var finest = jacks.Finest(kit);
        return jacks.LaidOut(kit, finest, [.. finest.Groups.Select(g => g.Name)]).Kit;
    }
}

/// <summary>Whose jacks they are.</summary>
public enum JackOrigin
{
    /// <summary>As the file tells.</summary>
    File,

    /// <summary>Those that are there.</summary>
    Here,

    /// <summary>So many as somebody says.</summary>
    Own,
}
