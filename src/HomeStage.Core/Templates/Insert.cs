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

    /// <summary>The acts in which the insert waits, switched off.</summary>
    public Sequence<string> ParkedIn { get; init; } = [];

    /// <summary>The key input of a dynamics processor; null where the detector hears the channel itself.</summary>
    public KeyInput? Key { get; init; }

    /// <summary>What restarts a note-driven ducker, and its curve; null for the plain one.</summary>
    public NoteTrigger? Trigger { get; init; }

    /// <summary>What it waits for before it is of use; null for nothing.</summary>
    public WaitsFor? WaitsFor { get; init; }

    public bool IsLiveIn(string actId) => !ParkedIn.Contains(actId);
}

/// <summary>A detector's outside ear: the sum of the sidechain feeds, between two cuts.</summary>
/// <param name="LowCutHz">Corner below which the detector hears little, in [20, 20 000]; null for none. 12 dB an octave.</param>
/// <param name="HighCutHz">Corner above which the detector hears little, in [20, 20 000]; null for none. 12 dB an octave.</param>
public sealed record KeyInput(bool On, double? LowCutHz = null, double? HighCutHz = null);
