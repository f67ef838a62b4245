using HomeStage.Core.Templates;

namespace HomeStage.Core.Soundcheck.Findings;

/// <summary>One rule of the soundcheck.</summary>
public interface ISoundcheckRule
{
    /// <summary>A stable id in words with hyphens.</summary>
    string Id { get; }

    /// <summary>The group under which it is listed: "Routing", "Outputs", "Order".</summary>
    string Group { get; }

    /// <param name="act">Id of the act that the template is looked at in.</param>
    IEnumerable<Finding> Look(Template template, string act);

    /// <summary>The same, for a rule that needs to know what lies around the template.</summary>
    IEnumerable<Finding> Look(Template template, string act, Surroundings around) => Look(template, act);
}
