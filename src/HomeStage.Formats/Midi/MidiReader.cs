using HomeStage.Core.Templates;
using HomeStage.Core.Timing;
using NAudio.Midi;

namespace HomeStage.Formats.Midi;

/// <summary>Reads Standard MIDI Files of type 0 and 1, wherever they come from.</summary>
public static class MidiReader
{
    public const int MostBytes = 4 * 1024 * 1024;
    private const int HeaderBytes = 14;

    /// <summary>The parts that have notes. Everything else is left out and said.</summary>
    public static FormatResult<MidiContent> Read(byte[] bytes)
    {
        if (CheckHeader(bytes) is { } wrong)
            return wrong;
        try
        {
            using var stream = new MemoryStream(bytes, writable: false);
            var file = new MidiFile(stream, strictChecking: false);
            return Content(file);
        }
        catch (Exception e) when (e is not OutOfMemoryException)
        {
            // The reader has no one exception for a damaged file: it runs into the end, the index or the format.
            return Refused("damaged", "This MIDI file is damaged: it breaks off or holds events that cannot be.");
        }
    }

    private static FormatResult<MidiContent>? CheckHeader(byte[] bytes)
    {
        if (bytes.Length > MostBytes)
            return Refused("too-large", $"A MIDI file may have {MostBytes / 1024 / 1024} MB.");
        if (bytes.Length < HeaderBytes || !bytes.AsSpan(0, 4).SequenceEqual("MThd"u8))
            return Refused("not-midi", "This is not a Standard MIDI File: it does not begin like one.");
        var type = (bytes[8] << 8) | bytes[9];
        if (type > 1)
            return Refused("midi-type", $"This MIDI file is of type {type}; types 0 and 1 can be read.");
        return (bytes[12] & 0x80) != 0
            ? Refused("midi-timing", "This MIDI file counts time in film frames; only files that count in beats can be read.")
            : null;
    }

    private static FormatResult<MidiContent> Content(MidiFile file)
    {
        var events = Enumerable.Range(0, file.Tracks).Select(t => file.Events.GetTrackEvents(t)).ToList();
        var all = events.SelectMany(e => e).ToList();
        var meterEvent = all.OfType<TimeSignatureEvent>().MinBy(e => e.AbsoluteTime);
        var meter = meterEvent is null ? null : MeterOf(meterEvent);
        var bar = (meter ?? new Meter(4, 4)).TicksPerBar;
        var parts = events.SelectMany((track, i) => Parts(track, i + 1, file.DeltaTicksPerQuarterNote, bar)).ToList();
        if (parts.Count == 0)
            return Refused("no-notes", "This MIDI file has no notes in it.");
        if (parts.Select(p => PatternRules.Check(p.Pattern)).FirstOrDefault(r => r is not null) is { } refusal)
            return Refused(refusal.Code, refusal.Sentence);
        var tempo = all.OfType<TempoEvent>().MinBy(e => e.AbsoluteTime)?.Tempo;
        return new FormatResult<MidiContent>.Read(new(parts, tempo, meter, LeftOut(all)));
    }

    private static Meter? MeterOf(TimeSignatureEvent e) =>
        e.Numerator is >= 1 and <= 32 && e.Denominator is >= 0 and <= 5 ? new(e.Numerator, 1 << e.Denominator) : null;

    private static IEnumerable<MidiPart> Parts(IList<MidiEvent> track, int number, int ticksPerQuarter, int barTicks)
    {
        var name = track.OfType<TextEvent>().FirstOrDefault(t => t.MetaEventType == MetaEventType.SequenceTrackName)?.Text.Trim() ?? "";
        return track.OfType<NoteOnEvent>()
            .Where(n => n.Velocity > 0)
            .GroupBy(n => n.Channel)
            .OrderBy(g => g.Key)
            .Select(g => Part(number, g.Key, Cleaned(name), [.. g], ticksPerQuarter, barTicks));
    }

    private static MidiPart Part(int track, int channel, string trackName, List<NoteOnEvent> notes, int ticksPerQuarter, int barTicks)
    {
        int Rescaled(long ticks) => checked((int)Math.Round((double)ticks * Ticks.PerQuarter / ticksPerQuarter));
        var skipped = Rescaled(notes.Min(n => n.AbsoluteTime)) / barTicks;
        var placed = notes
            // A note that is never let go, or at once, still sounds: a sixteenth.
            .Select(n => new Note(
                Rescaled(n.AbsoluteTime) - skipped * barTicks,
                n.OffEvent is null ? Ticks.PerQuarter / 4 : Math.Max(1, Rescaled(n.NoteLength)),
                n.NoteNumber,
                n.Velocity))
            .OrderBy(n => n.StartTick).ThenBy(n => n.Number)
            .ToSequence();
        var bars = Math.Max(1, (placed.Max(n => n.StartTick + n.LengthTicks) + barTicks - 1) / barTicks);
        var name = trackName.Length > 0 ? trackName : $"Track {track}, channel {channel}";
        return new(track, channel, trackName, skipped, new(name, bars * barTicks, placed, []));
    }

    private static string Cleaned(string name)
    {
        var clean = new string([.. name.Where(c => !char.IsControl(c))]).Trim();
        return clean.Length > 60 ? clean[..60] : clean;
    }

    private static List<string> LeftOut(List<MidiEvent> events)
    {
        var kinds = new (string Name, Func<MidiEvent, bool> Is)[]
        {
            ("controllers", e => e is ControlChangeEvent),
            ("pitch bend", e => e is PitchWheelChangeEvent),
            ("programs", e => e is PatchChangeEvent),
            ("pressure", e => e is ChannelAfterTouchEvent || e.CommandCode == MidiCommandCode.KeyAfterTouch),
            ("system messages", e => e is SysexEvent),
        };
        return [.. kinds.Select(k => (k.Name, Count: events.Count(k.Is))).Where(k => k.Count > 0).Select(k => $"{k.Count} {k.Name}")];
    }

    private static FormatResult<MidiContent>.Refused Refused(string code, string sentence) => new(code, sentence);
}
