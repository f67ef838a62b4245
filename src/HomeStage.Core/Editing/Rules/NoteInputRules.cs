using System.Globalization;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Editing.Rules;

/// <summary>What note input, note processors and the targets of notes must keep to.</summary>
internal static class NoteInputRules
{
    public const int MostTargets = 64;
    public const int MostProcessors = 16;

    /// <returns>The first thing that is wrong, or null.</returns>
    public static Refusal? Check(Template template, Channel channel) =>
        CheckInput(template, channel)
        ?? CheckTargets(template, channel)
        ?? CheckProcessors(channel)
        ?? CheckGroove(template, channel);

    private static Refusal? CheckInput(Template template, Channel channel)
    {
        if (channel.NoteInput is not { } input)
            return null;
        if (!TakesNotes(channel))
            return new Refusal.WrongPlace(channel.Name, "takes no notes, so it has no note input");
        if (input.MidiChannel is { } midi && !(midi is >= 1 and <= 16))
            return new Refusal.OutOfRange($"The MIDI channel of {channel.Name}", midi, 1, 16, "");
        return (input.Device is null ? null : TextRules.Name("A MIDI device's name", input.Device))
            ?? CheckInstruments(template, channel, input.Layers, "layer")
            ?? input.PadMap.Select(p => CheckNumber($"A pad of {channel.Name}", p.Pad) ?? CheckNumber($"The note of a pad of {channel.Name}", p.Note)).FirstOrDefault(r => r is not null)
            ?? input.Controllers.Select(c => CheckNumber($"A controller of {channel.Name}", c.Number) ?? TextRules.Name("A controller's name", c.Name, TextRules.LongestSection)).FirstOrDefault(r => r is not null)
            ?? Doubles.Check(input.KeptOut.Select(m => m.ToString()), $"kept-out message on {channel.Name}")
            ?? Doubles.Check(input.PadMap.Select(p => Text(p.Pad)), $"pad on {channel.Name}")
            ?? Doubles.Check(input.Controllers.Select(c => Text(c.Number)), $"controller on {channel.Name}");
    }

    private static Refusal? CheckTargets(Template template, Channel channel)
    {
        if (channel.Kind != ChannelKind.Notes && (channel.Plays.Count > 0 || channel.MidiOut is not null))
            return new Refusal.WrongPlace(channel.Name, "is no notes channel, so it plays no other instruments");
        if (channel.MidiOut is { } port && !(port.MidiChannel is >= 1 and <= 16))
            return new Refusal.OutOfRange($"The MIDI channel that {channel.Name} goes out on", port.MidiChannel, 1, 16, "");
        return CheckInstruments(template, channel, channel.Plays, "target")
            ?? (channel.MidiOut is null ? null : TextRules.Name("A MIDI device's name", channel.MidiOut.Device));
    }

    private static Refusal? CheckInstruments(Template template, Channel channel, Sequence<ChannelId> targets, string what)
    {
        if (targets.Count > MostTargets)
            return new Refusal.TooMany($"{what}s on {channel.Name}", MostTargets);
        foreach (var id in targets)
        {
            if (!template.Channels.TryGet(id, out var target))
                return new Refusal.UnknownChannel(id);
            if (id == channel.Id || !Capabilities.Of(target.Kind).IsPlayed)
                return new Refusal.WrongPlace(channel.Name, $"cannot play {target.Name}: only another channel with an instrument takes its notes");
        }

        return Doubles.Check(targets.Select(t => t.Value), $"{what} on {channel.Name}");
    }

    private static Refusal? CheckProcessors(Channel channel)
    {
        if (channel.NoteProcessors.Count > 0 && !TakesNotes(channel))
            return new Refusal.WrongPlace(channel.Name, "takes no notes, so no note processor stands in it");
        if (channel.NoteProcessors.Count > MostProcessors)
            return new Refusal.TooMany($"note processors on {channel.Name}", MostProcessors);
        return channel.NoteProcessors.Select(p => p.Check(channel.Name)).FirstOrDefault(r => r is not null);
    }

    private static Refusal? CheckGroove(Template template, Channel channel)
    {
        if (channel.Groove is not { } name)
            return null;
        if (!TakesNotes(channel))
            return new Refusal.WrongPlace(channel.Name, "takes no notes, so it follows no groove");
        return template.Grooves.Any(g => g.Name == name) ? null : new Refusal.Missing("groove", name, "in this template");
    }

    private static Refusal? CheckNumber(string what, int number) => number is >= 0 and <= 127 ? null : new Refusal.OutOfRange(what, number, 0, 127, "");

    private static bool TakesNotes(Channel channel) => channel.Kind == ChannelKind.Notes || channel.Source is InstrumentSource;

    private static string Text(int number) => number.ToString(CultureInfo.InvariantCulture);
}
