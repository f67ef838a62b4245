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
          group fit by (fit.Channel, fit.Device.Name) into one
          let first = one.First()
          let channel = template.Channels[first.Channel]
          where InputFit.Runs(channel, act)
          select new Finding(Id, first.Standing == DeviceStanding.Missing ? Severity.Warning : Severity.Hint, [channel.Id],
              $"{first.Device.Name} on {channel.Name} is {(first.Standing == DeviceStanding.Missing ? "missing in this studio" : "not known in this studio")}; {(first.StandIn == "nothing" ? "sound passes through" : $"{first.StandIn} stands in")}.",
              Itself(template, [.. one]));

    /// <summary>What stands in, meant itself from then on; what passes sound through goes.</summary>
    private static Sequence<Mend> Itself(Template template, IReadOnlyList<DeviceFit> fits)
    {
        var edits = fits.Select(f => f.StandIn == "nothing" && f.Insert is { } gone ? (Edit)new RemoveInsert(f.Channel, gone) : new SetDevice(f.Channel, f.Insert, null)).ToSequence();
        return Batch.Apply(template, edits) is BatchResult.Refused ? [] : [new($"Do without {fits[0].Device.Name}", edits)];
    }
}
