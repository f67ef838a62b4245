using HomeStage.Core.Catalogue;
using HomeStage.Core.Kits;
using HomeStage.Core.Strips;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Sound.Instruments;

/// <summary>Sets instruments to play.</summary>
public static class PlayerFactory
{
    private static readonly DrumRecipe Tick = DrumRecipes.Of(DrumSound.HighWoodBlock);

    /// <param name="source">Held against the rules before.</param>
    /// <param name="notes">In order of their start.</param>
    /// <param name="settingsAt">Settings as they stand at a frame; null where they stand still.</param>
    /// <exception cref="ArgumentException">The catalogue's instrument has no voice here.</exception>
    public static Player Create(InstrumentSource source, IReadOnlyList<NoteEvent> notes, Func<long, Map<double>>? settingsAt, PanLaw law, int sampleRateHz)
    {
        if (source.Kit is { } kit)
            return KitPlayer(kit, notes, law, sampleRateHz);
        Map<double> Settings(NoteEvent note) => settingsAt?.Invoke(note.StartFrame) ?? source.Settings;
        return source.Instrument switch
        {
            InstrumentCatalogue.Undertow => new(notes, n => new BassVoice(n, Settings(n), sampleRateHz)),
            InstrumentCatalogue.Bellbuoy => new(notes, n => new KeysVoice(n, Settings(n), sampleRateHz)),
            InstrumentCatalogue.KeyTone => new(notes, n => new KeyToneVoice(n, Settings(n), sampleRateHz)),
            InstrumentCatalogue.CountInTick => new(notes, n => new DrumVoice(Tick, n, 1, new(1, 1), sampleRateHz)),
            _ => throw new ArgumentException($"No instrument '{source.Instrument}' is built in.", nameof(source)),
        };
    }

    private static Player KitPlayer(Kit kit, IReadOnlyList<NoteEvent> notes, PanLaw law, int sampleRateHz)
    {
        var pieces = kit.Pieces.ToDictionary(p => p.Note);
        var recipes = kit.Pieces.Select(p => p.Sound).Distinct().ToDictionary(s => s, DrumRecipes.Of);
        return new(notes, Strike);

        IVoice? Strike(NoteEvent note)
        {
            if (!pieces.TryGetValue(note.Number, out var piece))
                return null;
            var stereo = kit.Outputs[piece.Output - 1].Format == ChannelFormat.Stereo;
            var pan = stereo ? PanGains.Mono(piece.Pan, law) : new(1, 1);
            return new DrumVoice(recipes[piece.Sound], note, piece.Output, pan, sampleRateHz);
        }
    }
}
