using HomeStage.Core.Fitting;
using HomeStage.Core.Soundcheck.Findings;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Soundcheck.Rules;

/// <summary>A pair of outputs that the studio's interface does not have.</summary>
public sealed class OutputBeyondInterface : ISoundcheckRule
{
    public string Id => "output-beyond-interface";

    public string Group => "Studio";

    public IEnumerable<Finding> Look(Template template, string act) => [];

    public IEnumerable<Finding> Look(Template template, string act, Surroundings around) =>
        around.Studio is not { } studio ? []
        : from line in OutputFit.Lines(template, studio.Interface)
          let channel = template.Channels[line.Channel]
          where channel.OutputPair > studio.Interface.OutputPairs
          select new Finding(Id, Severity.Blocker, [channel.Id], $"{channel.Name} goes to outputs {line.MadeFor}; {studio.Interface.Name} has {studio.Interface.Outputs.Count}.",
              [new($"{channel.Name} {line.Choices[0].Name}", line.Choices[0].Edits)]);
}
