using HomeStage.Core.Catalogue;
using HomeStage.Core.Notes;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Making;

/// <summary>The default strips that ship, with which an empty template begins. Common practice; whoever knows better changes them.</summary>
public static class HouseStrips
{
    private static readonly Insert Equaliser = new(new("equaliser"), ProcessorCatalogue.Equaliser);
    private static readonly Insert Compressor = new(new("compressor"), ProcessorCatalogue.Compressor);
    private static readonly Insert Automated = new(new("gain"), ProcessorCatalogue.Gain) { KeptForAutomation = true };
    private static readonly StripInput Recorded = new(Monitored: true, Armed: true);
    private static readonly Sequence<StripSend> EveryReturn = [new("", new(-12))];
    private static readonly NoteInput AnyDevice = new();

    /// <summary>Wheel, bend and pressure leave the hits of a drum machine alone.</summary>
    private static readonly NoteInput Hits = new()
    {
        KeptOut = [NoteMessage.Modulation, NoteMessage.PitchBend, NoteMessage.ChannelPressure, NoteMessage.KeyPressure, NoteMessage.SustainPedal],
    };

    public static Sequence<DefaultStrip> All { get; } =
    [
        new(new(ChannelKind.Audio), new() { Inserts = [Equaliser, Automated], Input = Recorded, Sends = EveryReturn }),
        new(new(ChannelKind.Instrument), new() { Inserts = [Equaliser, Automated], NoteInput = AnyDevice, Sends = EveryReturn }),
        new(new(ChannelKind.Notes), new() { NoteInput = AnyDevice }),
        new(new(ChannelKind.Bus), new() { Inserts = [Equaliser, Automated] }),
        new(new(ChannelKind.Trigger), new() { Stages = Everywhere(StageState.BehindTheCurtain) }),
        new(new(ChannelKind.Audio, Family: "voices"), new() { Inserts = [Cut(80), Set(Compressor, ("threshold-db", -20), ("ratio", 3), ("attack-ms", 8)), Tuned, Automated] }),
        new(new(ChannelKind.Audio, Family: "guitars"), new() { Inserts = [Cut(70), Automated] }),
        new(new(ChannelKind.Instrument, Family: "bass"), new() { Inserts = [Cut(30), Set(Compressor, ("threshold-db", -18), ("ratio", 4)), Narrow, Automated], Sends = [] }),
        new(new(ChannelKind.Instrument, Family: "drums"), new() { Inserts = [Equaliser, Automated], NoteInput = Hits }),
        new(new(ChannelKind.Instrument, Family: "percussion"), new() { Inserts = [Equaliser, Automated], NoteInput = Hits }),
        new(new(ChannelKind.Audio, Role: "take"), new() { Inserts = [], Sends = [] }),
        new(new(ChannelKind.Bus, Role: "drum-bus"), new() { Inserts = [Equaliser, Set(Compressor, ("threshold-db", -14), ("ratio", 2), ("attack-ms", 30)), Automated] }),
        new(new(ChannelKind.Return, Role: "reverb"), new() { Inserts = [new(new("reverb"), ProcessorCatalogue.Reverb), Between(200, 9000)] }),
        new(new(ChannelKind.Return, Role: "delay"), new() { Inserts = [new(new("delay"), ProcessorCatalogue.Delay), Between(150, 7000)] }),
    ];

    /// <summary>Waits until the song has a key, and is too late to be sung through.</summary>
    private static Insert Tuned => new(new("pitch-correction"), ProcessorCatalogue.PitchCorrection)
    {
        WaitsFor = new(WaitReason.SongKey),
        ParkedIn = ["record", "write"],
        Settings = Map<double>.Empty.With("amount-percent", 60),
    };

    private static Insert Narrow => Set(new(new("image"), ProcessorCatalogue.Image), ("mono-below", 1), ("mono-below-hz", 120));

    private static Insert Cut(double hz) => Set(Equaliser, ("low-cut", 1), ("low-cut-hz", hz));

    private static Insert Between(double lowHz, double highHz) => Set(Equaliser, ("low-cut", 1), ("low-cut-hz", lowHz), ("high-cut", 1), ("high-cut-hz", highHz));

    private static Insert Set(Insert insert, params ReadOnlySpan<(string Parameter, double Value)> values)
    {
        foreach (var (parameter, value) in values)
            insert = insert with { Settings = insert.Settings.With(parameter, value) };
        return insert;
    }

    private static Map<StageState> Everywhere(StageState state) => Map<StageState>.From(EmptyStage.Acts.Select(a => KeyValuePair.Create(a.Id, state)));
}
