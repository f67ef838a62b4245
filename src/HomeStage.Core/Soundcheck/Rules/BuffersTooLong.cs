using System.Globalization;
using HomeStage.Core.Fitting;
using HomeStage.Core.Soundcheck.Findings;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Soundcheck.Rules;

/// <summary>An interface whose buffers alone take longer than a musician bears: no insert can help.</summary>
public sealed class BuffersTooLong : ISoundcheckRule
{
    public string Id => "buffers-too-long";

    public string Group => "Recording";

    public IEnumerable<Finding> Look(Template template, string act) => [];

    public IEnumerable<Finding> Look(Template template, string act, Surroundings around)
    {
        if (around.Studio is not { } studio || LateInput.IsForMixing(template, act))
            yield break;
        var ms = 2000.0 * studio.Interface.BufferFrames / template.SampleRateHz;
        if (ms > studio.BudgetMs && template.Channels.Any(c => c.Source is InputSource { Monitored: true } && InputFit.Runs(c, act)))
            yield return new(Id, Severity.Warning, [], string.Create(CultureInfo.InvariantCulture,
                $"The buffers of {studio.Interface.Name} alone take {ms:0.0} ms; {studio.BudgetMs:0.#} ms are asked for. Smaller buffers help, and no insert does."), []);
    }
}
