using HomeStage.Core.Controls;
using HomeStage.Core.Kits;

namespace HomeStage.Core.Catalogue;

/// <summary>A stand-in instrument.</summary>
/// <param name="About">What it sounds like, in a few words.</param>
/// <param name="Kit">The kit it comes with, for instruments that play pieces; null for the others.</param>
public sealed record InstrumentKind(string Id, string Name, string About, Sequence<Parameter> Parameters, Kit? Kit = null)
{
    /// <summary>What it takes of one core at 48 kHz while it plays eighths at 120, in percent; measured by the bench.</summary>
    public double SharePercent { get; init; }

    /// <summary>What it is turned by so that its calibration phrase, played alone, mono and centred with all faders at 0 dB, has
    /// −18 LUFS at the main; 0 for what states its own level.</summary>
    public double CalibrationDb { get; init; }

    /// <summary>The phrase: these notes in turn at velocity 100, over and over for 8 bars of 4/4 at 120; none for the pieces of its
    /// kit in their order.</summary>
    public Sequence<int> CalibrationNotes { get; init; } = [];

    /// <summary>How long each note of the phrase is.</summary>
    public double CalibrationQuarters { get; init; } = 1;

    /// <summary>Whether it has as many jacks as its kit says, and not those that it came with.</summary>
    public bool HasJacksOfItsOwn { get; init; }

    /// <summary>What a channel that plays it is for, where its name does not tell.</summary>
    public required string Role { get; init; }

    public Parameter? Find(string parameterId) => Parameters.FirstOrDefault(p => p.Id == parameterId);

    /// <exception cref="KeyNotFoundException">The instrument has no such parameter.</exception>
    public double Value(Map<double> settings, string parameterId) =>
        (Find(parameterId) ?? throw new KeyNotFoundException($"{Id} has no parameter '{parameterId}'.")).In(settings);
}
