using HomeStage.Core.Fitting;
using HomeStage.Core.Soundcheck.Findings;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Soundcheck.Rules;

/// <summary>A hardware input that the studio's interface does not have.</summary>
public sealed class InputBeyond : ISoundcheckRule
{
    public string Id => "input-beyond";

    public string Group => "Recording";

    public IEnumerable<Finding> Look(Template template, string act) => [];

    public IEnumerable<Finding> Look(Template template, string act, Surroundings around)
    {
        if (around.Studio is not { } studio)
            return [];
        var inputs = studio.Interface.Inputs.Count;
        return from line in new InputFit(template, studio.Interface).Lines()
               let channel = template.Channels[line.Channel]
               let input = (InputSource)channel.Source!
               where InputFit.Runs(channel, act) && Math.Max(input.First, input.Second ?? 0) > inputs
               select new Finding(Id, Severity.Blocker, [channel.Id], $"{channel.Name} takes input {InputFit.Spoken(input)}; {studio.Interface.Name} has {inputs}.",
                   line.Choices.Where(c => c.Edits.Count > 0).Select(c => new Mend($"{channel.Name} {c.Name}", c.Edits)).ToSequence());
    }
}
