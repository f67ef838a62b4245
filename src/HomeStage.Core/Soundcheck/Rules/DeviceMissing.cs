using HomeStage.Core.Editing;
using HomeStage.Core.Fitting;
using HomeStage.Core.Soundcheck.Findings;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Soundcheck.Rules;

/// <summary>A device that is not in the studio: its stand-in is all that can be heard of it.</summary>
public sealed class DeviceMissing : ISoundcheckRule
{
    public string Id => "device-missing";

    public string Group => "Studio";

    public IEnumerable<Finding> Look(Template template, string act) => [];

    public IEnumerable<Finding> Look(Template template, string act, Surroundings around) =>
        around.Studio is not { } studio ? []
        : from fit in DeviceFit.Of(template, studio)
          where fit.Standing != DeviceStanding.Here
          group fit by fit.Channel into one
          let channel = template.Channels[one.Key]
          where InputFit.Runs(channel, act)
          let isMissing = one.Any(f => f.Standing == DeviceStanding.Missing)
          select new Finding(Id, isMissing ? Severity.Warning : Severity.Hint, [channel.Id], string.Join(" ", one.Select(f => Said(channel, f)).Distinct()), Itself(template, [.. one]));

    private static string Said(Channel channel, DeviceFit fit) =>
        $"{fit.Device.Name} on {channel.Name} is {(fit.Standing == DeviceStanding.Missing ? "missing" : "not known")} in this studio; {(fit.StandIn == "nothing" ? "sound passes through" : $"{fit.StandIn} stands in")}.";

    /// <summary>What stands in, meant itself from then on; what passes sound through goes.</summary>
    private static Sequence<Mend> Itself(Template template, IReadOnlyList<DeviceFit> fits)
    {
        var edits = fits.Select(f => f.StandIn == "nothing" && f.Insert is { } gone ? (Edit)new RemoveInsert(f.Channel, gone) : new SetDevice(f.Channel, f.Insert, null)).ToSequence();
        return Batch.Apply(template, edits) is BatchResult.Refused ? [] : [new($"Do without {string.Join(" and ", fits.Select(f => f.Device.Name).Distinct())}", edits)];
    }
}
