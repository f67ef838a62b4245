using HomeStage.Core.Editing;
using HomeStage.Core.Fitting;
using HomeStage.Core.Soundcheck.Findings;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Soundcheck.Rules;

/// <summary>A channel that takes the next recording and is not heard while it does, in a studio where nothing else lets it be heard.</summary>
public sealed class ArmedUnheard : ISoundcheckRule
{
    public string Id => "armed-unheard";

    public string Group => "Recording";

    public IEnumerable<Finding> Look(Template template, string act) => [];

    public IEnumerable<Finding> Look(Template template, string act, Surroundings around) =>
        around.Studio is not { Interface: { MonitorsDirectly: false } audio } ? []
        : from channel in template.Channels
          where channel.Source is InputSource { Armed: true, Monitored: false } && InputFit.Runs(channel, act)
          select new Finding(Id, Severity.Warning, [channel.Id], $"{channel.Name} is armed and not monitored, and {audio.Name} lets nobody hear an input beside the workstation.",
              [new($"Monitor {channel.Name}", [new MonitorInputs([channel.Id], true)])]);
}
