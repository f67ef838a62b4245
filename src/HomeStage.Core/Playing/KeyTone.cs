using HomeStage.Core.Catalogue;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Playing;

/// <summary>How long and how loud a plain key tone is.</summary>
public static class KeyTone
{
    public static bool Is(InstrumentSource source) => source is { Instrument: InstrumentCatalogue.KeyTone, Device: null };

    /// <summary>Of one note: what it holds, else as long as the note, and its release.</summary>
    /// <param name="noteMs">The note's own length.</param>
    public static double LengthMs(InstrumentSource tone, double noteMs) => (Value(tone, "hold-ms") is > 0 and var hold ? hold : noteMs) + Value(tone, "release-ms");

    /// <summary>Whether it ends as it began, at once: what fades is under a threshold before it is over.</summary>
    public static bool EndsAtOnce(InstrumentSource tone) => Value(tone, "release-ms") == 0;

    /// <returns>dBFS.</returns>
    public static double LevelDb(InstrumentSource tone) => Value(tone, "level-db");

    private static double Value(InstrumentSource tone, string parameter) => InstrumentCatalogue.Find(InstrumentCatalogue.KeyTone)!.Value(tone.Settings, parameter);
}
