using HomeStage.Core.Fitting;
using HomeStage.Core.Soundcheck.Findings;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Soundcheck.Rules;

/// <summary>Two channels that are heard by one hardware input at once.</summary>
public sealed class InputShared : ISoundcheckRule
{
    public string Id => "input-shared";

    public string Group => "Recording";

    public IEnumerable<Finding> Look(Template template, string act) =>
        LateInput.IsForMixing(template, act) ? []
        : from line in InputFit.Shared(template, act)
          let channel = template.Channels[line.Channel]
          select new Finding(Id, Severity.Warning, [channel.Id], $"{channel.Name} is heard by input {line.MadeFor}, and {line.Note}.",
              [new($"Monitor {channel.Name} no more", line.ProposedEdits)]);
}
