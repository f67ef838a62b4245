using HomeStage.Core.Templates;

namespace HomeStage.Core.Editing;

/// <summary>One small change of a template, as a value. Applying it is a pure function.</summary>
public abstract record Edit
{
    /// <summary>Whether it can change who feeds whom, so that loops must be looked for.</summary>
    public virtual bool ChangesRouting => false;

    /// <returns>The changed template and the edit that takes it back exactly, or a refusal.</returns>
    public abstract EditResult ApplyTo(Template template);
}
