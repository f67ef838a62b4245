using HomeStage.Core.Editing;
using HomeStage.Core.Studios;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Fitting;

/// <summary>How MIDI devices that a template names meet those of a studio.</summary>
internal static class MidiFit
{
    public static IEnumerable<FitLine> Lines(Template template, Studio studio)
    {
        foreach (var channel in template.Channels)
        {
            if (channel.NoteInput is { Device: { } device } input && !IsHere(studio, device))
                yield return new(FitKind.MidiDevice, channel.Id, device, null, "no such MIDI device here",
                    [new("any device plays it", [new SetNoteInput(channel.Id, input with { Device = null })]), new("stays as it is", [])]);
            else if (channel.NoteInput is { Device: { } known })
                yield return new(FitKind.MidiDevice, channel.Id, known, known, null, [new($"{known} plays it", [])]);
            if (channel.MidiOut is { } port)
                yield return new(FitKind.MidiDevice, channel.Id, port.Device, IsHere(studio, port.Device) ? port.Device : null, IsHere(studio, port.Device) ? null : "no such MIDI device here",
                    [new(IsHere(studio, port.Device) ? $"plays {port.Device}" : "stays as it is", [])]);
        }
    }

    internal static bool IsHere(Studio studio, string device) => studio.MidiDevices.Any(m => string.Equals(m, device, StringComparison.OrdinalIgnoreCase));
}
