using HomeStage.Core.Catalogue;
using HomeStage.Core.Kits;
using HomeStage.Core.Playing;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Levels;

/// <summary>How loud the players of a template are by themselves.</summary>
/// <remarks>A stand-in has its nominal loudness; a kit's is shared out among its outputs by the strokes that they get, each
/// counted by its velocity squared, and by how its microphones hear it. Who plays no notes is silent.</remarks>
internal sealed class SourceLevels(NoteRoute notes)
{
    private static readonly double Nominal = Math.Pow(10, Calibration.NominalLufs / 20);

    /// <returns>Amplitude of one lane; 1 is 0 LUFS.</returns>
    public double Of(Channel channel, int output)
    {
        if (channel.Source is not InstrumentSource source)
            return Nominal;
        var played = notes.Of(channel);
        if (played.Count == 0)
            return 0;
        if (source.Instrument == InstrumentCatalogue.KeyTone)
            return Math.Pow(10, (source.Settings.TryGetValue("level-db", out var db) ? db : -6) / 20) / Math.Sqrt(2);
        if (source.Kit is not { } kit)
            return Nominal;
        var heard = kit.Pieces.ToDictionary(p => p.Note, p => PowerAt(kit, p, output));
        var strokes = played.Where(n => heard.ContainsKey(n.Number)).Select(n => (Heard: heard[n.Number], Power: (double)n.Velocity * n.Velocity)).ToList();
        var all = strokes.Sum(s => s.Power);
        return all == 0 ? 0 : Nominal * Math.Sqrt(strokes.Sum(s => s.Heard * s.Power) / all);
    }

    /// <summary>What comes at the same time adds as amplitudes, what comes later as powers.</summary>
    private static double PowerAt(Kit kit, Piece piece, int output)
    {
        var ways = Hearing.Of(kit, piece).Where(h => h.Output == output).ToLookup(h => h.Metres);
        return ways.Sum(at => Math.Pow(at.Sum(h => h.Gain), 2));
    }
}
