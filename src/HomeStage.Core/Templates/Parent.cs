namespace HomeStage.Core.Templates;

/// <summary>What a template is based on.</summary>
/// <param name="Template">Id of that template in the library that this one was made in: 1 to 80 characters.</param>
/// <param name="Name">As it was called then, for a library that does not have it: 1 to 80 characters.</param>
/// <param name="Revision">Up to which of its revisions its changes were looked through: 0 or more.</param>
public sealed record Parent(string Template, string Name, int Revision)
{
    /// <returns>What is wrong, or null.</returns>
    public Refusal? Check() =>
        TextRules.Name("The id of the template that this one is based on", Template)
        ?? TextRules.Name("The name of the template that this one is based on", Name)
        ?? (Revision < 0 ? new Refusal.OutOfRange("The revision of the template that this one is based on", Revision, 0, int.MaxValue, "") : null);
}
