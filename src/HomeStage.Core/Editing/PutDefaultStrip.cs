using HomeStage.Core.Editing.Rules;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Editing;

/// <summary>Says what new channels of some sort get by themselves, or says it anew. Channels that are there stay as they are.</summary>
public sealed record PutDefaultStrip(DefaultStrip Default) : Edit
{
    public override EditResult ApplyTo(Template template)
    {
        var old = template.Defaults.FirstOrDefault(d => d.For == Default.For);
        var after = template with { Defaults = Sorted(template.Defaults.Where(d => d.For != Default.For).Append(Default)) };
        return TemplateRules.CheckParts(after) is { } wrong
            ? wrong
            : new EditResult.Applied(after, old is null ? new RemoveDefaultStrip(Default.For) : new PutDefaultStrip(old));
    }

    internal static Sequence<DefaultStrip> Sorted(IEnumerable<DefaultStrip> defaults) =>
        defaults.OrderBy(d => d.For.Weight).ThenBy(d => d.For.Kind).ThenBy(d => d.For.Role, StringComparer.Ordinal).ThenBy(d => d.For.Family, StringComparer.Ordinal).ToSequence();
}
