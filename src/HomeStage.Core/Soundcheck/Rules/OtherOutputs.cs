using HomeStage.Core.Devices;
using HomeStage.Core.Editing;
using HomeStage.Core.Kits;
using HomeStage.Core.Machines;
using HomeStage.Core.Soundcheck.Findings;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Soundcheck.Rules;

/// <summary>A kit that leaves by other outputs than the device that it stands in for: splits are made for jacks that are not there.</summary>
public sealed class OtherOutputs : ISoundcheckRule
{
    private const int MostNamed = 8;

    public string Id => "other-outputs";

    public string Group => "Outputs";

    public IEnumerable<Finding> Look(Template template, string act) =>
        from channel in template.Channels
        where channel.StageIn(act) != StageState.InTheWings && channel.Source is InstrumentSource played && DeviceOutputs.Differ(played)
        let kit = ((InstrumentSource)channel.Source!).Kit!
        let device = ((InstrumentSource)channel.Source!).Device!
        select new Finding(Id, kit.Outputs.Sum(o => o.Width) > device.Outputs.Sum(o => o.Width) ? Severity.Blocker : Severity.Warning, [channel.Id],
            $"{channel.Name} leaves by {KitOutput.Spoken(kit.Outputs)}; {device.Name} has {KitOutput.Spoken(device.Outputs)}: {Named(device)}.", Laid(template, channel, device));

    private static string Named(OutsideDevice device) => device.Outputs.Count <= MostNamed
        ? string.Join(", ", device.Outputs.Select(o => o.Name))
        : $"{string.Join(", ", device.Outputs.Take(MostNamed - 1).Select(o => o.Name))} and {device.Outputs.Count - MostNamed + 1} more";

    private static Sequence<Mend> Laid(Template template, Channel channel, OutsideDevice device)
    {
        var edits = DeviceOutputs.Of(template, channel.Id);
        return Batch.Apply(template, edits) is BatchResult.Refused ? [] : [new($"Lay it over those of {device.Name}", edits)];
    }
}
