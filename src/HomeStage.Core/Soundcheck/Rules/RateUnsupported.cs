using System.Globalization;
using HomeStage.Core.Editing;
using HomeStage.Core.Soundcheck.Findings;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Soundcheck.Rules;

/// <summary>A sample rate that the studio's interface does not run at.</summary>
public sealed class RateUnsupported : ISoundcheckRule
{
    public string Id => "rate-unsupported";

    public string Group => "Studio";

    public IEnumerable<Finding> Look(Template template, string act) => [];

    public IEnumerable<Finding> Look(Template template, string act, Surroundings around)
    {
        if (around.Studio?.Interface is not { RatesHz: { Count: > 0 } rates } audio || rates.Contains(template.SampleRateHz))
            yield break;
        var mends = rates.OrderBy(r => Math.Abs(r - template.SampleRateHz)).Select(r => new SetSampling(r, template.PanLaw)).Where(e => e.ApplyTo(template) is EditResult.Applied).Take(1)
            .Select(e => new Mend(string.Create(CultureInfo.InvariantCulture, $"Run at {e.SampleRateHz / 1000.0:0.###} kHz"), [e]));
        yield return new(Id, Severity.Warning, [], string.Create(CultureInfo.InvariantCulture,
            $"{audio.Name} does not run at {template.SampleRateHz / 1000.0:0.###} kHz; it runs at {string.Join(", ", rates.Select(r => (r / 1000.0).ToString("0.###", CultureInfo.InvariantCulture)))} kHz."), mends.ToSequence());
    }
}
