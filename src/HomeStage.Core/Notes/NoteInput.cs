namespace HomeStage.Core.Notes;

/// <summary>How an instrument is played from outside.</summary>
public sealed record NoteInput
{
    /// <summary>Name of the MIDI device, 1 to 80 characters; null for any.</summary>
    public string? Device { get; init; }

    /// <summary>In [1, 16]; null for any.</summary>
    public int? MidiChannel { get; init; }

    /// <summary>Kinds of message that do not come in; in the order of the enumeration, each once.</summary>
    public Sequence<NoteMessage> KeptOut { get; init; } = [];

    /// <summary>What recording does with notes that are there already.</summary>
    public NoteRecording Recording { get; init; }

    public Arming Arming { get; init; }

    /// <summary>Other instruments that sound whatever this one is given to play.</summary>
    public Sequence<ChannelId> Layers { get; init; } = [];

    /// <summary>Which note each pad or key plays, where that differs from its own; each pad once.</summary>
    public Sequence<PadNote> PadMap { get; init; } = [];

    /// <summary>Controllers that are shown on the channel and open to automation; each number once.</summary>
    public Sequence<ShownController> Controllers { get; init; } = [];

    /// <returns>The note that plays when this pad or key is struck.</returns>
    public int NoteOf(int pad) => PadMap.FirstOrDefault(p => p.Pad == pad)?.Note ?? pad;
}

/// <summary>Kinds of MIDI message beside notes.</summary>
public enum NoteMessage
{
    /// <summary>Controller 1.</summary>
    Modulation,

    PitchBend,

    ChannelPressure,

    KeyPressure,

    /// <summary>Controller 64.</summary>
    SustainPedal,

    ProgramChange,

    /// <summary>Every controller that is not named here.</summary>
    OtherControllers,
}

public enum NoteRecording
{
    Adds,
    Replaces,
}

/// <summary>When a channel takes what is played.</summary>
public enum Arming
{
    WithSelection,
    ByHand,
}

/// <summary>A pad or key and the note that it plays.</summary>
/// <param name="Pad">The note number that the pad sends, in [0, 127].</param>
/// <param name="Note">In [0, 127].</param>
public sealed record PadNote(int Pad, int Note);

/// <summary>A controller with the name under which it is shown.</summary>
/// <param name="Number">In [0, 127].</param>
/// <param name="Name">1 to 40 characters.</param>
public sealed record ShownController(int Number, string Name);

/// <summary>Where a notes channel goes outside.</summary>
/// <param name="Device">Name of the MIDI device, 1 to 80 characters.</param>
/// <param name="MidiChannel">In [1, 16].</param>
public sealed record MidiPort(string Device, int MidiChannel);
