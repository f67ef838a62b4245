using HomeStage.Core.Editing.Rules;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Editing;

/// <summary>Accepts a finding of the soundcheck as intended, with a note that says why; null takes that back.</summary>
/// <param name="Key">What the finding is known by.</param>
/// <param name="Note">1 to 4,000 characters.</param>
public sealed record AcceptFinding(string Key, string? Note) : Edit
{
    public override EditResult ApplyTo(Template template)
    {
        template.Accepted.TryGetValue(Key, out var before);
        var after = template with { Accepted = Note is null ? template.Accepted.Without(Key) : template.Accepted.With(Key, Note) };
        return TemplateRules.CheckAccepted(after.Accepted) is { } wrong ? wrong : new EditResult.Applied(after, new AcceptFinding(Key, before));
    }
}
