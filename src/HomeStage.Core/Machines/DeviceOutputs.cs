using HomeStage.Core.Editing;
using HomeStage.Core.Kits;
using HomeStage.Core.Outputs;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Machines;

/// <summary>A kit that stands in for a device which says by what it leaves.</summary>
public static class DeviceOutputs
{
    /// <summary>Whether the kit leaves by other outputs than its device has, in their number or in the width of any; names are anybody's.</summary>
    public static bool Differ(InstrumentSource played) =>
        played is { Kit: { } kit, Device.Outputs: { Count: > 0 } outputs } && !kit.Outputs.Select(o => o.Format).SequenceEqual(outputs.Select(o => o.Format));

    /// <summary>Lays the kit over the outputs of its device, with a split for each by which something leaves.</summary>
    /// <remarks>A piece goes to the output that is called after its drum. Where fewer than half are called after any, neighbours share as a plan of so many
    /// outputs has it.</remarks>
    /// <param name="player">A channel whose kit and device <see cref="Differ"/>.</param>
    /// <returns>Edits that apply whole to the template, as far as the device's outputs keep the rules of a kit's.</returns>
    public static Sequence<Edit> Of(Template template, ChannelId player)
    {
        var played = (InstrumentSource)template.Channels[player].Source!;
        var outputs = played.Device!.Outputs;
        var kit = played.Kit!;
        var numbers = ByName(kit, outputs) ?? ByPlan(kit, outputs.Count);
        return KitFromFile.Of(template, player, kit.Rewired(l => l.Microphone with { Output = numbers[l.Index], AlsoOnFirst = false }) with { Outputs = outputs, Jacks = null });
    }

    /// <returns>By line, from 1; what no output is called after leaves by the first. Null where too few are called after a drum.</returns>
    private static int[]? ByName(Kit kit, Sequence<KitOutput> outputs)
    {
        var drums = outputs.Select((o, i) => (Drum: SaidDrums.Of(o.Name), Number: i + 1)).Where(o => o.Drum is not null).DistinctBy(o => o.Drum).ToDictionary(o => o.Drum!, o => o.Number);
        return 2 * drums.Count < outputs.Count ? null : [.. kit.Lines.Select(l => SaidDrums.Of(l.Name) is { } drum && drums.TryGetValue(drum, out var number) ? number : 1)];
    }

    private static int[] ByPlan(Kit kit, int outputs)
    {
        var reserved = kit.FirstReserved ? 1 : 0;
        var numbers = Enumerable.Repeat(1, kit.Lines.Count).ToArray();
        if (outputs == reserved)
            return numbers;
        // As many as it has, whatever their width: so each counts as one.
        var plan = new KitJacks(outputs, reserved, JackUse.Singles, ChannelFormat.Mono).Finest(kit);
        foreach (var (group, place) in plan.Groups.Select((g, i) => (g, i)))
            foreach (var line in group.Pieces)
                numbers[line] = reserved + place + 1;
        return numbers;
    }
}
