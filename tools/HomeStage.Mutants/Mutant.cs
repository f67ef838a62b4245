namespace HomeStage.Mutants;

/// <summary>One small fault.</summary>
/// <param name="Id">From 1; by which the built core is told to have this fault.</param>
/// <param name="Place">File below the core, and line.</param>
internal sealed record Mutant(int Id, string Place, string Was, string Becomes)
{
    public override string ToString() => $"{Place}: {Was}  →  {Becomes}";
}
