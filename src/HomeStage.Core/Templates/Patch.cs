namespace HomeStage.Core.Templates;

/// <summary>A named set of an instrument's or processor's parameters.</summary>
/// <param name="Of">Id in the instrument or processor catalogue.</param>
/// <param name="Name">1 to 40 characters, unique among patches of the same thing.</param>
/// <param name="Settings">Values that differ from the defaults.</param>
public sealed record Patch(string Of, string Name, Map<double> Settings)
{
    public const int MostInATemplate = 500;
}
