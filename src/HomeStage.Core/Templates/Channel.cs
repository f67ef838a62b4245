using HomeStage.Core.Automation;
using HomeStage.Core.Media;
using HomeStage.Core.Notes;
using HomeStage.Core.Timing;

namespace HomeStage.Core.Templates;

/// <summary>One line of the running order: source → polarity → inserts → mute → pre point → fader → pan → post point → destination.</summary>
public sealed record Channel
{
    public required ChannelId Id { get; init; }

    /// <summary>1 to 80 characters.</summary>
    public required string Name { get; init; }

    public required ChannelKind Kind { get; init; }

    /// <summary>What the channel is for, as a person has said; null where its name tells.</summary>
    public string? Role { get; init; }

    public ChannelFormat Format { get; init; } = ChannelFormat.Stereo;

    /// <summary>Hue in degrees, in [0, 360), chosen on this channel; null takes the hue of what it feeds.</summary>
    public double? HueDegrees { get; init; }

    /// <summary>Prompt notes: up to 4,000 characters.</summary>
    public string Note { get; init; } = "";

    /// <summary>Where the sound comes from; null for sums.</summary>
    public Source? Source { get; init; }

    /// <summary>Whether the sound is turned upside down before the inserts.</summary>
    public bool PolarityFlipped { get; init; }

    /// <summary>Starters: what an instrument or notes channel plays. Sorted by name, which is unique.</summary>
    public Sequence<Pattern> Patterns { get; init; } = [];

    /// <summary>Sound that waits on an audio or direct channel. Sorted by name, which is unique.</summary>
    public Sequence<AudioStarter> Starters { get; init; } = [];

    /// <summary>How the instrument or notes channel is played; null for any device with nothing kept out.</summary>
    public NoteInput? NoteInput { get; init; }

    /// <summary>What notes pass through before the instrument hears them, in order.</summary>
    public Sequence<NoteProcessor> NoteProcessors { get; init; } = [];

    /// <summary>The instruments that a notes channel plays; one a target.</summary>
    public Sequence<ChannelId> Plays { get; init; } = [];

    /// <summary>Where a notes channel goes outside; null for nowhere.</summary>
    public MidiPort? MidiOut { get; init; }

    /// <summary>Name of the groove that its notes follow; null for straight.</summary>
    public string? Groove { get; init; }

    public Sequence<Insert> Inserts { get; init; } = [];

    /// <summary>Inserts that are one thing, with controls of their own. Sorted by id.</summary>
    public Sequence<Chain> Chains { get; init; } = [];

    /// <summary>Sorted by target; one a target.</summary>
    public Sequence<Send> Sends { get; init; } = [];

    /// <summary>Sorted by target; one a target.</summary>
    public Sequence<SidechainFeed> Feeds { get; init; } = [];

    /// <summary>Prepared curves over sections; one a target and section.</summary>
    public Sequence<Shape> Shapes { get; init; } = [];

    /// <summary>The audio channel that takes this instrument's print; null for none.</summary>
    public ChannelId? PrintTwin { get; init; }

    /// <summary>Whether it is an empty channel that waits for the next new part.</summary>
    public bool Spare { get; init; }

    /// <summary>The fader, in [−∞, +6] dB.</summary>
    public Decibels Level { get; init; }

    /// <summary>In [−1, 1]: hard left to hard right, 0 the centre.</summary>
    public double Pan { get; init; }

    public bool Muted { get; init; }

    /// <summary>The bus or main that this channel feeds; null for main, direct, trigger and notes channels.</summary>
    public ChannelId? Destination { get; init; }

    /// <summary>The hardware output pair (1 is outputs 1–2), for main and direct channels alone.</summary>
    public int? OutputPair { get; init; }

    /// <summary>What that pair is called where it was patched; null where nobody said.</summary>
    public string? OutputName { get; init; }

    /// <summary>States by act id; an act that is not named has the channel on stage.</summary>
    public Map<StageState> Stages { get; init; } = Map<StageState>.Empty;

    public StageState StageIn(string actId) => Stages.TryGetValue(actId, out var state) ? state : StageState.OnStage;
}
