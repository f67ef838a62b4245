using HomeStage.Core.Kits;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Catalogue;

/// <summary>A stand-in instrument.</summary>
/// <param name="About">What it sounds like, in a few words.</param>
/// <param name="Kit">The kit it comes with, for instruments that play pieces; null for the others.</param>
public sealed record InstrumentKind(string Id, string Name, string About, Sequence<Parameter> Parameters, Kit? Kit = null)
{
    /// <summary>What it takes of one core at 48 kHz while it plays eighths at 120, in percent; measured by the bench.</summary>
    public double SharePercent { get; init; }

    /// <summary>What a channel that plays it is for, where its name does not tell.</summary>
    public required string Role { get; init; }

    public Parameter? Find(string parameterId) => Parameters.FirstOrDefault(p => p.Id == parameterId);

    /// <exception cref="KeyNotFoundException">The instrument has no such parameter.</exception>
    public double Value(Map<double> settings, string parameterId) =>
        (Find(parameterId) ?? throw new KeyNotFoundException($"{Id} has no parameter '{parameterId}'.")).In(settings);
}
