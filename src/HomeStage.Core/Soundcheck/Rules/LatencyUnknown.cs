using HomeStage.Core.Soundcheck.Findings;
using HomeStage.Core.Studios;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Soundcheck.Rules;

/// <summary>A live device that does not say how late it is: what runs past it is not lined up with it.</summary>
public sealed class LatencyUnknown : ISoundcheckRule
{
    public string Id => "latency-unknown";

    public string Group => "Studio";

    public IEnumerable<Finding> Look(Template template, string act) => Look(template, act, Surroundings.Whole);

    public IEnumerable<Finding> Look(Template template, string act, Surroundings around)
    {
        foreach (var channel in template.Channels)
        {
            var unknown = HeldDevice.LiveIn(template, act, channel).Select(h => h.Device).Select(d => around.Studio is { } studio ? InStudio.Of(d, studio) : d).Where(d => d.Latency is null).Select(d => d.Name).Distinct().ToList();
            if (unknown.Count > 0)
                yield return new(Id, Severity.Hint, [channel.Id], $"Nobody has said how late {string.Join(" and ", unknown)} on {channel.Name} {(unknown.Count == 1 ? "is" : "are")}; it counts as not late until somebody does.", []);
        }
    }
}
