using HomeStage.Core.Soundcheck.Findings;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Soundcheck.Rules;

/// <summary>A template that does not say how it is to be used. Only a person can mend that.</summary>
public sealed class NoPromptNote : ISoundcheckRule
{
    public string Id => "no-prompt-note";

    public string Group => "Order";

    public IEnumerable<Finding> Look(Template template, string act)
    {
        if (string.IsNullOrWhiteSpace(template.Note))
            yield return new(Id, Severity.Hint, [], $"{template.Name} has no prompt note: whoever opens it next must guess what it is for.", []);
    }
}
