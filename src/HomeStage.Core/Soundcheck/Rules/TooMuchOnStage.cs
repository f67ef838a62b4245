using HomeStage.Core.Editing;
using HomeStage.Core.Soundcheck.Findings;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Soundcheck.Rules;

/// <summary>More channels on stage in the first act, where one writes, than a screen shows and a mind holds.</summary>
public sealed class TooMuchOnStage : ISoundcheckRule
{
    /// <summary>About one and a half screens of rows (common practice: few channels while writing).</summary>
    public const int Most = 36;

    public string Id => "too-much-on-stage";

    public string Group => "Order";

    public IEnumerable<Finding> Look(Template template, string act)
    {
        if (act != template.Acts[0].Id)
            yield break;
        var onStage = template.Channels.Where(c => c.StageIn(act) == StageState.OnStage).ToList();
        if (onStage.Count <= Most)
            yield break;
        // Splits sound all the same behind the curtain; they are the first that one need not see.
        var hidden = onStage.Where(c => c.Kind == ChannelKind.Split).Take(onStage.Count - Most).ToList();
        Mend[] mends = hidden.Count == onStage.Count - Most
            ? [new($"Draw the curtain before {hidden.Count} splits", hidden.Select(c => (Edit)new SetStage(c.Id, act, StageState.BehindTheCurtain)).ToSequence())]
            : [];
        yield return new(Id, Severity.Hint, [], $"{onStage.Count} channels are on stage in {template.Acts[0].Name}; {Most} are enough to write with.", mends.ToSequence());
    }
}
