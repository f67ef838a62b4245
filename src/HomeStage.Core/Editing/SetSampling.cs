using HomeStage.Core.Editing.Rules;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Editing;

/// <summary>Chooses the sample rate and the pan law.</summary>
/// <param name="SampleRateHz">44,100, 48,000, 88,200 or 96,000.</param>
public sealed record SetSampling(int SampleRateHz, PanLaw PanLaw) : Edit
{
    public override EditResult ApplyTo(Template template)
    {
        var after = template with { SampleRateHz = SampleRateHz, PanLaw = PanLaw };
        return TemplateRules.CheckAbout(after) is { } wrong ? wrong : new EditResult.Applied(after, new SetSampling(template.SampleRateHz, template.PanLaw));
    }
}
