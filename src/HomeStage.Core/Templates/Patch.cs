using HomeStage.Core.Automation;
using HomeStage.Core.Devices;

namespace HomeStage.Core.Templates;

/// <summary>A named set of an instrument's or processor's parameters.</summary>
/// <param name="Of">Id in the instrument or processor catalogue.</param>
/// <param name="Name">1 to 40 characters, unique among patches of the same thing.</param>
/// <param name="Settings">Values that differ from the defaults.</param>
public sealed record Patch(string Of, string Name, Map<double> Settings)
{
    public const int MostInATemplate = 500;

    /// <summary>The key input with its filter, for what listens to one; null for none.</summary>
    public KeyInput? Key { get; init; }

    /// <summary>The drawn curve of a note-driven ducker, in shares of its depth; empty for the plain one.</summary>
    public Sequence<ShapePoint> Curve { get; init; } = [];

    /// <summary>Everything that a patch can hold of an insert.</summary>
    public static Patch FromInsert(Insert insert, string name) => new(insert.Processor, name, DeviceSettings.Without(insert.Settings)) { Key = insert.Key, Curve = insert.Trigger?.Curve ?? [] };

    /// <returns>The insert with what the patch holds. Whether a key input is on, and what restarts a ducker, stay as they are.</returns>
    public Insert On(Insert insert) => insert with
    {
        Settings = DeviceSettings.Onto(insert.Settings, Settings),
        Key = Key is { } key && (insert.Device?.Key ?? KeyWidth.Mono) != KeyWidth.None ? key with { On = insert.Key?.On ?? key.On } : insert.Key,
        Trigger = Curve.Count > 0 ? (insert.Trigger ?? NoteTrigger.Plain) with { Curve = Curve } : insert.Trigger,
    };
}
