using HomeStage.Core.Editing;
using HomeStage.Core.Kits;
using HomeStage.Core.Making;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Machines;

/// <summary>A machine that stands outside and is cabled to hardware inputs, jack by jack: a bus, and under it a monitored channel for every output
/// that carries something.</summary>
internal static class OutsideBox
{
    /// <param name="kit">What it plays, over its outputs.</param>
    /// <param name="firstInput">The hardware input of its first jack, from 1.</param>
    public static MachineResult Of(Template template, MachineWish wish, Kit kit, int firstInput, Sequence<string> notUnderstood)
    {
        var jacks = kit.Outputs.Sum(o => o.Width);
        if (!(firstInput >= 1 && firstInput + jacks - 1 <= InputSource.Last))
            return new MachineResult.Refused(new Refusal.OutOfRange("The first input", firstInput, 1, InputSource.Last - jacks + 1, ""));
        var bus = ChannelFactory.Make(template, new(ChannelKind.Bus) { Name = wish.Name, Under = wish.Under });
        var edits = new List<Edit> { new AddChannel(bus) };
        foreach (var number in Enumerable.Range(1, kit.Outputs.Count).Where(n => kit.Lines.Any(l => l.Output == n)))
        {
            // Each finds those before it there, so that its name and id are its own.
            if (Batch.Apply(template, edits) is not BatchResult.Applied { Template: var so })
                break;
            edits.Add(new AddChannel(Cabled(so, bus.Id, kit, number, firstInput)));
        }

        return Batch.Apply(template, edits) is BatchResult.Refused refused
            ? new MachineResult.Refused(refused.Why)
            : new MachineResult.Made(new(bus.Id, kit, edits.ToSequence(), notUnderstood));
    }

    private static Channel Cabled(Template template, ChannelId bus, Kit kit, int number, int firstInput)
    {
        var output = kit.Outputs[number - 1];
        var input = firstInput + kit.Outputs.Take(number - 1).Sum(o => o.Width);
        var isPair = output.Format == ChannelFormat.Stereo;
        return ChannelFactory.Make(template, new(ChannelKind.Audio) { Name = output.Name, Under = bus, Format = output.Format }) with
        {
            Source = new InputSource(input, isPair ? input + 1 : null, Monitored: true),
            Pan = isPair ? 0 : kit.MiddleAt(number),
        };
    }
}
