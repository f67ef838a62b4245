using HomeStage.Core.Catalogue;
using HomeStage.Core.Kits;
using HomeStage.Core.Media;
using HomeStage.Core.Sound.Signals;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Sound.Instruments;

/// <summary>Sets instruments to play.</summary>
/// <param name="law">By which pieces stand in a stereo output.</param>
/// <param name="shelf">Where uploaded sound is found.</param>
public sealed class PlayerFactory(PanLaw law, int sampleRateHz, IMediaShelf shelf)
{
    private static readonly DrumRecipe Tick = DrumRecipes.Of(DrumSound.HighWoodBlock);

    private readonly Microphones _microphones = new(law, sampleRateHz);

    /// <param name="source">Held against the rules before.</param>
    /// <param name="notes">In order of their start.</param>
    /// <param name="settingsAt">Settings as they stand at a frame; null where they stand still.</param>
    /// <exception cref="ArgumentException">The catalogue's instrument has no voice here.</exception>
    public Player Create(InstrumentSource source, IReadOnlyList<NoteEvent> notes, Func<long, Map<double>>? settingsAt = null)
    {
        var gain = new Decibels(InstrumentCatalogue.Find(source.Instrument)!.CalibrationDb).Linear;
        if (source.Kit is { } kit)
            return KitPlayer(kit, notes, gain);
        IReadOnlyList<Heard> both = [new(1, new(gain, gain))];
        var make = Maker(source.Instrument);
        return new(notes, n => new(make(n, settingsAt?.Invoke(n.StartFrame) ?? source.Settings), both), sampleRateHz);
    }

    /// <summary>Someone who sings or plays in place of a hardware input.</summary>
    public Player Create(Performer performer, IReadOnlyList<NoteEvent> notes)
    {
        (double Db, Func<NoteEvent, IVoice> Make) plays = performer switch
        {
            Performer.Guitar => (Performers.GuitarDb, n => new StringVoice(n, 2400, 75, 500, sampleRateHz)),
            Performer.Organ => (Performers.OrganDb, n => new OrganVoice(n, Map<double>.Empty, sampleRateHz)),
            _ => (Performers.VoiceDb, n => new SingingVoice(n, sampleRateHz)),
        };
        var gain = new Decibels(plays.Db).Linear;
        IReadOnlyList<Heard> both = [new(1, new(gain, gain))];
        return new(notes, n => new(plays.Make(n), both), sampleRateHz);
    }

    private Func<NoteEvent, Map<double>, IVoice> Maker(string instrument) => instrument switch
    {
        InstrumentCatalogue.Undertow => (n, s) => new BassVoice(n, s, sampleRateHz),
        InstrumentCatalogue.Bellbuoy => (n, s) => new KeysVoice(n, s, sampleRateHz),
        InstrumentCatalogue.Gullwing => (n, s) => new PadVoice(n, s, sampleRateHz),
        InstrumentCatalogue.Driftwood => (n, s) => new StringVoice(n, s, sampleRateHz),
        InstrumentCatalogue.Reedbox => (n, s) => new OrganVoice(n, s, sampleRateHz),
        InstrumentCatalogue.Squall => (n, s) => new RiserVoice(n, s, sampleRateHz),
        InstrumentCatalogue.KeyTone => (n, s) => new KeyToneVoice(n, s, sampleRateHz),
        InstrumentCatalogue.CountInTick => (n, _) => new DrumVoice(Tick, n, sampleRateHz),
        _ => throw new ArgumentException($"No instrument '{instrument}' is built in.", nameof(instrument)),
    };

    private Player KitPlayer(Kit kit, IReadOnlyList<NoteEvent> notes, double gain)
    {
        var pieces = kit.Pieces.ToDictionary(p => p.Note);
        var recipes = kit.Pieces.Select(p => p.Sound).Distinct().ToDictionary(s => s, DrumRecipes.Of);
        // What is never struck is never read.
        var samples = kit.Pieces.Where(p => p.Sample is not null).ToDictionary(p => p.Note, LayersOf);
        // What people bring is as loud in every instrument.
        var sampleGain = new Decibels(Calibration.SampleDb).Linear;
        var heard = kit.Pieces.ToDictionary(p => p.Note, p => _microphones.Of(kit, p, p.Sample is null ? gain : sampleGain));
        return new(notes, Strike, sampleRateHz);

        Struck? Strike(NoteEvent note)
        {
            if (!pieces.TryGetValue(note.Number, out var piece))
                return null;
            if (!samples.TryGetValue(note.Number, out var layers))
                return new(new DrumVoice(recipes[piece.Sound], note, sampleRateHz), heard[note.Number]);
            return layers.Last(l => l.From <= note.Velocity).Sound.Value is { } sample ? new(new SampleVoice(sample, note), heard[note.Number]) : null;
        }
    }

    private List<(int From, Lazy<float[][]?> Sound)> LayersOf(Piece piece) =>
        [(0, new(() => SampleOf(piece.Sample!))), .. piece.Layers.Select(l => (l.FromVelocity, new Lazy<float[][]?>(() => SampleOf(l.Sample))))];

    /// <summary>At the render's rate; null where it is not on the shelf.</summary>
    private float[][]? SampleOf(MediaRef sound) => shelf.Find(sound.Content) is { } found
        ? [.. found.Lanes.Select(l => Resampler.Convert(l, found.SampleRateHz, sampleRateHz))]
        : null;
}
