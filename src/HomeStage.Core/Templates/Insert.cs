using HomeStage.Core.Automation;
using HomeStage.Core.Devices;

namespace HomeStage.Core.Templates;

/// <summary>One processor in a channel's strip.</summary>
/// <param name="Processor">Id in the processor catalogue: what it is, or what stands in for its device.</param>
public sealed record Insert(InsertId Id, string Processor)
{
    /// <summary>Values that differ from the processor's defaults, by parameter id, and those of the device's controls.</summary>
    public Map<double> Settings { get; init; } = Map<double>.Empty;

    /// <summary>The device that it is, of which the processor is only the stand-in; null where the processor is meant itself.</summary>
    public OutsideDevice? Device { get; init; }

    /// <summary>Whether it is switched off in every act, whatever its acts say.</summary>
    public bool Off { get; init; }

    /// <summary>The acts in which the insert waits, switched off.</summary>
    public Sequence<string> ParkedIn { get; init; } = [];

    /// <summary>The key input of a dynamics processor; null where the detector hears the channel itself.</summary>
    public KeyInput? Key { get; init; }

    /// <summary>What restarts a note-driven ducker, and its curve; null for the plain one.</summary>
    public NoteTrigger? Trigger { get; init; }

    /// <summary>What it waits for before it is of use; null for nothing.</summary>
    public WaitsFor? WaitsFor { get; init; }

    /// <summary>Whether it is a gain stage that stands here to be automated, so that the fader stays free.</summary>
    public bool KeptForAutomation { get; init; }

    /// <summary>What people are told, by parameter id; by the empty name what they are told of the whole insert.</summary>
    public Map<string> Notes { get; init; } = Map<string>.Empty;

    /// <summary>Whether it is of the same processor, or the same device, however it is set.</summary>
    public bool IsLike(Insert other) => Processor == other.Processor && (Device, other.Device) switch
    {
        (null, null) => true,
        ({ } mine, { } theirs) => mine.IsSameAs(theirs),
        _ => false,
    };

    /// <summary>Whether it works in an act: it is on, not parked there, and waits for nothing.</summary>
    public bool IsLiveIn(Template template, string actId) => !Off && !ParkedIn.Contains(actId) && !IsIdle(template);

    /// <summary>Whether it is idle because what it waits for has not come: the song's key, or a person's word.</summary>
    public bool IsIdle(Template template) => WaitsFor is { } waits && (waits.What != WaitReason.SongKey || template.Key is null);
}

/// <summary>A detector's outside ear: the sum of the sidechain feeds, between two cuts.</summary>
/// <param name="LowCutHz">Corner below which the detector hears little, in [20, 20 000]; null for none. 12 dB an octave.</param>
/// <param name="HighCutHz">Corner above which the detector hears little, in [20, 20 000]; null for none. 12 dB an octave.</param>
public sealed record KeyInput(bool On, double? LowCutHz = null, double? HighCutHz = null);
