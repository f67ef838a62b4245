using HomeStage.Core.Kits;
using HomeStage.Core.Templates;
using HomeStage.Core.Timing;
using NAudio.Midi;

namespace HomeStage.Formats.Midi;

/// <summary>Writes a template's timeline and starters as a Standard MIDI File of type 1.</summary>
/// <remarks>The first track holds tempo, meter, key and a marker at each section; each instrument has a named track.</remarks>
public static class MidiWriter
{
    private const int MicrosecondsPerMinute = 60_000_000;

    public static byte[] Write(Template template)
    {
        var map = new TimeMap(template.Timeline);
        var file = new MidiEventCollection(1, Ticks.PerQuarter);
        AddConductor(file.AddTrack(), template, map);
        var channels = new MelodicChannels();
        foreach (var channel in template.Channels.Where(c => c.Kind is ChannelKind.Instrument or ChannelKind.Notes))
        {
            var isKit = channel.Source is InstrumentSource { Kit: not null };
            AddInstrument(file.AddTrack(), channel, isKit ? GeneralMidiPercussion.Channel : channels.Next(), map);
        }

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
                track.Add(new TempoEvent((int)Math.Round(MicrosecondsPerMinute / section.TempoBpm), section.StartTick));
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

    private static void AddInstrument(IList<MidiEvent> track, Channel channel, int midiChannel, TimeMap map)
    {
        track.Add(new TextEvent(channel.Name, MetaEventType.SequenceTrackName, 0));
        foreach (var note in map.Lay(channel.Patterns))
        {
            var on = new NoteOnEvent(note.StartTick, midiChannel, note.Number, note.Velocity, (int)note.LengthTicks);
            track.Add(on);
            track.Add(on.OffEvent!);
        }

        track.Add(new MetaEvent(MetaEventType.EndTrack, 0, map.LengthTicks));
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
