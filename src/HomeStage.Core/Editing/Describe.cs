using HomeStage.Core.Editing.Rules;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Editing;

/// <summary>Names a template and says what it is for.</summary>
public sealed record Describe(string Name, string Category, Sequence<string> Tags, string Note) : Edit
{
    public override EditResult ApplyTo(Template template)
    {
        var after = template with { Name = Name, Category = Category, Tags = Tags, Note = Note };
        return TemplateRules.CheckAbout(after) is { } wrong
            ? wrong
            : new EditResult.Applied(after, new Describe(template.Name, template.Category, template.Tags, template.Note));
    }
}
