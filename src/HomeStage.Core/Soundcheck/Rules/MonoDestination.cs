using HomeStage.Core.Editing;
using HomeStage.Core.Soundcheck.Findings;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Soundcheck.Rules;

/// <summary>A stereo channel whose bus has one lane: its sides are added up there, and its pan means nothing.</summary>
public sealed class MonoDestination : ISoundcheckRule
{
    public string Id => "mono-destination";

    public string Group => "Routing";

    public IEnumerable<Finding> Look(Template template, string act) =>
        from bus in template.Channels
        where bus is { Format: ChannelFormat.Mono, Kind: ChannelKind.Bus or ChannelKind.Main }
        let wide = template.Channels.Where(c => c.Destination == bus.Id && c.Format == ChannelFormat.Stereo).ToList()
        where wide.Count > 0
        select new Finding(Id, Severity.Warning, wide.Select(c => c.Id).Prepend(bus.Id).ToSequence(),
            $"{bus.Name} is mono, so {string.Join(", ", wide.Select(c => c.Name))} {(wide.Count == 1 ? "loses its" : "lose their")} sides there.",
            [new($"Make {bus.Name} stereo", [new SetFormat(bus.Id, ChannelFormat.Stereo)])]);
}
