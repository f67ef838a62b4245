using HomeStage.Core.Kits;
using HomeStage.Core.Notes;
using HomeStage.Core.Sound.Listening;
using HomeStage.Core.Templates;
using HomeStage.Core.Timing;
using NAudio.Midi;

namespace HomeStage.Formats.Midi;

/// <summary>Writes a template's timeline, and its starters in their grooves, as a Standard MIDI File of type 1.</summary>
/// <remarks>The first track holds tempo, meter, key and a marker at each section; each channel that can have notes has a named track, triggers and the count-in among them.</remarks>
public static class MidiWriter
{
    /// <param name="countedIn">Whether what the template counts is in it: a section before all others, and a track of clicks.</param>
    public static byte[] Write(Template template, bool countedIn = false)
    {
        var count = countedIn ? template.Timeline.CountIn : null;
        var map = new TimeMap(template.Timeline);
        var whole = count is null ? map : new TimeMap(count.Before(template.Timeline));
        var lead = whole.LengthTicks - map.LengthTicks;
        var file = new MidiEventCollection(1, Ticks.PerQuarter);
        AddConductor(file.AddTrack(), template, whole);
        var channels = new MelodicChannels();
        foreach (var channel in template.Channels.Where(c => c.Kind == ChannelKind.Notes || c.Source is InstrumentSource))
        {
            var isKit = channel.Source is InstrumentSource { Kit: not null };
            var groove = template.Grooves.FirstOrDefault(g => g.Name == channel.Groove);
            var notes = map.Lay(channel.Patterns).Select(n => new TimedNote(n.StartTick, n.LengthTicks, n.Number, n.Velocity));
            AddTrack(file.AddTrack(), channel.Name, isKit ? GeneralMidiPercussion.Channel : channels.Next(), notes.Select(n => groove?.Felt(n) ?? n).Select(n => n with { StartTick = lead + n.StartTick }), whole);
        }

        if (count is not null)
            AddTrack(file.AddTrack(), "Count-in", GeneralMidiPercussion.Channel, CountNotes.Of(template.Timeline).Select(n => new TimedNote(n.StartTick, n.LengthTicks, n.Number, n.Velocity)), whole);

        using var stream = new MemoryStream();
        MidiFile.Export(stream, file);
        return stream.ToArray();
    }

    private static void AddConductor(IList<MidiEvent> track, Template template, TimeMap map)
    {
        track.Add(new TextEvent(template.Name, MetaEventType.SequenceTrackName, 0));
        if (template.Key is { } key)
            track.Add(new KeySignatureEvent(key.Fifths, key.Minor ? 1 : 0, 0));
        Meter? meter = null;
        double? tempo = null;
        foreach (var section in map.Sections)
        {
            if (section.Meter != meter)
                track.Add(MeterEvent(section.Meter, section.StartTick));
            if (section.TempoBpm != tempo)
                track.Add(new TempoEvent((int)Math.Round(PlainTempo.MicrosecondsPerMinute / section.TempoBpm), section.StartTick));
            (meter, tempo) = (section.Meter, section.TempoBpm);
            track.Add(new TextEvent(section.Section.Name, MetaEventType.Marker, section.StartTick));
        }

        track.Add(new MetaEvent(MetaEventType.EndTrack, 0, map.LengthTicks));
    }

    private static TimeSignatureEvent MeterEvent(Meter meter, long tick)
    {
        // MIDI clocks, 24 to a quarter, from one metronome click to the next; 8 thirty-seconds to a quarter.
        var clocks = meter.TicksPerFeltBeat * 24 / Ticks.PerQuarter;
        return new(tick, meter.Beats, (int)Math.Log2(meter.Unit), clocks, 8);
    }

    private static void AddTrack(IList<MidiEvent> track, string name, int midiChannel, IEnumerable<TimedNote> notes, TimeMap map)
    {
        track.Add(new TextEvent(name, MetaEventType.SequenceTrackName, 0));
        foreach (var note in notes)
        {
            var on = new NoteOnEvent(note.StartTick, midiChannel, note.Number, note.Velocity, (int)note.LengthTicks);
            track.Add(on);
            track.Add(on.OffEvent!);
        }

        // A groove may carry the last note over the end.
        track.Add(new MetaEvent(MetaEventType.EndTrack, 0, track.Select(e => e.AbsoluteTime).Append(map.LengthTicks).Max()));
    }

    /// <summary>Goes round the fifteen channels that are not the drums'.</summary>
    private sealed class MelodicChannels
    {
        private int _last;

        public int Next()
        {
            _last = _last % 16 + 1;
            if (_last == GeneralMidiPercussion.Channel)
                _last++;
            return _last;
        }
    }
}
