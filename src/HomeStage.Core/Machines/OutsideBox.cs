using HomeStage.Core.Editing;
using HomeStage.Core.Kits;
using HomeStage.Core.Making;
using HomeStage.Core.Outputs;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Machines;

/// <summary>A machine that stands outside and is cabled to hardware inputs, jack by jack: a bus, and under it a monitored channel for every output
/// that carries something.</summary>
internal static class OutsideBox
{
    /// <param name="kit">What it plays, over its outputs.</param>
    /// <param name="firstInput">The hardware input of its first jack, from 1.</param>
    /// <returns>The bus and the edits, or why it cannot be.</returns>
    public static (ChannelId Bus, Sequence<Edit> Edits, Refusal? Why) Of(Template template, MachineWish wish, Kit kit, int firstInput)
    {
        var jacks = kit.Outputs.Sum(o => Width(o));
        if (!(firstInput >= 1 && firstInput + jacks - 1 <= InputSource.Last))
            return (EmptyStage.MixBus, [], new Refusal.OutOfRange("The first input", firstInput, 1, InputSource.Last - jacks + 1, ""));
        var after = template;
        var edits = new List<Edit>();
        ChannelId Add(Channel channel)
        {
            var add = new AddChannel(channel);
            after = ((EditResult.Applied)add.ApplyTo(after)).Template;
            edits.Add(add);
            return channel.Id;
        }

        var bus = Add(ChannelFactory.Make(after, new(ChannelKind.Bus) { Name = wish.Name, Under = wish.Under }));
        for (var (number, input) = (1, firstInput); number <= kit.Outputs.Count; input += Width(kit.Outputs[number - 1]), number++)
        {
            var output = kit.Outputs[number - 1];
            if (kit.Lines.All(l => l.Output != number))
                continue;
            var isPair = output.Format == ChannelFormat.Stereo;
            Add(ChannelFactory.Make(after, new(ChannelKind.Audio) { Name = output.Name, Under = bus, Format = output.Format }) with
            {
                Source = new InputSource(input, isPair ? input + 1 : null, Monitored: true),
                Pan = isPair ? 0 : kit.MiddleAt(number),
            });
        }

        return (bus, edits.ToSequence(), null);
    }

    /// <summary>The kit over its outputs as the plan has it, as finely as it can be or as is wished.</summary>
    public static Kit Planned(Kit kit, int? over)
    {
        if (over == 0 || KitJacks.Of(kit) is not { Outputs: > 0 } jacks || jacks.Plans(kit) is not PlanResult.Planned { Plans: { Count: > 0 } plans })
            return kit;
        var plan = plans.LastOrDefault(p => p.Outputs <= (over ?? KitRules.MostOutputs)) ?? plans[0];
        return jacks.LaidOut(kit, plan, [.. plan.Groups.Select(g => g.Name)]).Kit;
    }

    private static int Width(KitOutput output) => output.Format == ChannelFormat.Stereo ? 2 : 1;
}
