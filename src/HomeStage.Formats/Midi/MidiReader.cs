using HomeStage.Core.Timing;

namespace HomeStage.Formats.Midi;

/// <summary>Reads Standard MIDI Files of type 0 and 1, wherever they come from.</summary>
public static class MidiReader
{
    public const int MostBytes = 4 * 1024 * 1024;
    public const int MostNotes = 200_000;
    private const int MostTracks = 2000;
    private const int HeaderBytes = 14;
    private const int ChunkHeader = 8;

    private static readonly (MidiOther Kind, string Words)[] Others =
    [
        (MidiOther.Controllers, "controllers"), (MidiOther.PitchBend, "pitch bend"), (MidiOther.Programs, "programs"),
        (MidiOther.Pressure, "pressure"), (MidiOther.SystemMessages, "system messages"),
    ];

    /// <summary>The parts that have notes. Everything else is left out and said.</summary>
    public static FormatResult<MidiContent> Read(byte[] bytes)
    {
        if (CheckHeader(bytes) is { } wrong)
            return wrong;
        try
        {
            return Content(Tracks(bytes), (bytes[12] << 8) | bytes[13]);
        }
        catch (TooManyNotesException)
        {
            return Refused("too-many", $"This MIDI file has more than {MostNotes:N0} notes.");
        }
        catch (Exception e) when (e is InvalidDataException or OverflowException)
        {
            return Refused("damaged", "This MIDI file is damaged: it breaks off or holds events that cannot be.");
        }
    }

    /// <returns>Tempos, meters and markers of a file that <see cref="Read"/> refuses because it has no notes; null for one that cannot be read at all.</returns>
    public static MidiContent? ReadTime(byte[] bytes)
    {
        try
        {
            return CheckHeader(bytes) is null ? TimeOf(Tracks(bytes), (bytes[12] << 8) | bytes[13]) : null;
        }
        catch (Exception e) when (e is InvalidDataException or OverflowException or TooManyNotesException)
        {
            return null;
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
        if ((bytes[12] & 0x80) != 0)
            return Refused("midi-timing", "This MIDI file counts time in film frames; only files that count in beats can be read.");
        return bytes[12] == 0 && bytes[13] == 0 ? Refused("midi-timing", "This MIDI file does not say how many ticks a quarter note has.") : null;
    }

    /// <summary>Chunks that are no tracks are passed over, as the format asks.</summary>
    private static List<MidiTrack> Tracks(ReadOnlySpan<byte> file)
    {
        var tracks = new List<MidiTrack>();
        var notesLeft = MostNotes;
        var bytes = new MidiBytes(file);
        bytes.Take(4);
        bytes.Take(MidiBytes.Whole(bytes.Take(4)));
        while (!bytes.AtEnd)
        {
            var header = bytes.Take(ChunkHeader);
            var body = bytes.Take(MidiBytes.Whole(header[4..]));
            if (!header[..4].SequenceEqual("MTrk"u8))
                continue;
            if (tracks.Count == MostTracks)
                throw new InvalidDataException($"It has more than {MostTracks:N0} tracks.");
            tracks.Add(MidiTrack.Of(body, ref notesLeft));
        }

        return tracks;
    }

    private static FormatResult<MidiContent> Content(List<MidiTrack> tracks, int ticksPerQuarter)
    {
        var time = TimeOf(tracks, ticksPerQuarter);
        var bar = (time.Meter ?? new Meter(4, 4)).TicksPerBar;
        if (tracks.SelectMany(t => t.Notes.Values).Any(n => n.Count > PatternRules.MostNotes))
            return Refused("too-many", $"A part of this MIDI file has more than {PatternRules.MostNotes:N0} notes.");
        var parts = tracks.SelectMany((track, i) => track.Notes.Select(n => Part(i + 1, n.Key, Cleaned(track.Name), n.Value, ticksPerQuarter, bar))).ToList();
        if (parts.Count == 0)
            return Refused("no-notes", "This MIDI file has no notes in it.");
        if (parts.Select(p => PatternRules.Check(p.Pattern)).FirstOrDefault(r => r is not null) is { } refusal)
            return Refused(refusal.Code, refusal.Sentence);
        var leftOut = Others.Select(o => (o.Words, Count: tracks.Sum(t => t.Count(o.Kind)))).Where(o => o.Count > 0).Select(o => $"{o.Count} {o.Words}");
        return new FormatResult<MidiContent>.Read(time with { Parts = parts, LeftOut = [.. leftOut] });
    }

    private static MidiContent TimeOf(List<MidiTrack> tracks, int ticksPerQuarter)
    {
        double Quarters(long tick) => (double)tick / ticksPerQuarter;
        var meters = tracks.SelectMany(t => t.Meters).OrderBy(m => m.Tick).Select(m => (At: Quarters(m.Tick), Meter: MeterOf(m.Numerator, m.DenominatorPower))).ToList();
        var tempos = tracks.SelectMany(t => t.Tempos).OrderBy(t => t.Tick).Select(t => (At: Quarters(t.Tick), t.Bpm)).ToList();
        return new([], tempos.Select(t => (double?)t.Bpm).FirstOrDefault(), meters.Select(m => m.Meter).FirstOrDefault(), [])
        {
            Key = tracks.Select(t => t.Key).FirstOrDefault(k => k is not null),
            Tempos = tempos,
            Meters = [.. meters.Where(m => m.Meter is not null).Select(m => (m.At, m.Meter!))],
            Markers = [.. tracks.SelectMany(t => t.Markers).OrderBy(m => m.Tick).Select(m => (m.Name, Quarters(m.Tick)))],
        };
    }

    private static Meter? MeterOf(int numerator, int power) => numerator is >= 1 and <= 32 && power is >= 0 and <= 5 ? new(numerator, 1 << power) : null;

    private static MidiPart Part(int track, int channel, string trackName, List<MidiNote> notes, int ticksPerQuarter, int barTicks)
    {
        int Rescaled(long ticks) => checked((int)Math.Round((double)ticks * Ticks.PerQuarter / ticksPerQuarter));
        var skipped = Rescaled(notes[0].StartTick) / barTicks;
        var placed = notes
            // A note that is never let go, or at once, still sounds: a sixteenth.
            .Select(n => new Note(
                Rescaled(n.StartTick) - skipped * barTicks,
                n.EndTick is { } end ? Math.Max(1, Rescaled(end - n.StartTick)) : Ticks.PerQuarter / 4,
                n.Number,
                n.Velocity))
            .OrderBy(n => n.StartTick).ThenBy(n => n.Number)
            .ToSequence();
        var end = placed.Max(n => (long)n.StartTick + n.LengthTicks);
        var bars = Math.Max(1, (end + barTicks - 1) / barTicks);
        var name = trackName.Length > 0 ? trackName : $"Track {track}, channel {channel}";
        return new(track, channel, trackName, skipped, new(name, checked((int)(bars * barTicks)), placed, [])) { SkippedTicks = (long)skipped * barTicks };
    }

    private static string Cleaned(string name) => TextRules.Cleaned(name, 60);

    private static FormatResult<MidiContent>.Refused Refused(string code, string sentence) => new(code, sentence);
}
