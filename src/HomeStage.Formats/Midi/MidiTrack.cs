
namespace HomeStage.Formats.Midi;

/// <summary>What one track holds of use: notes by channel, its name, tempos, meters and markers, how much else there is.</summary>
/// <remarks>Standard MIDI File 1.0 (from memory): events with running status, meta events, system exclusive messages. One pass, in
/// time and memory in proportion to the bytes: a note-off ends the note of its key that began first.</remarks>
internal sealed class MidiTrack
{
    /// <summary>More tempos, meters or markers than that nobody has set.</summary>
    private const int MostChanges = 5000;

    private const int Keys = 128;

    private readonly SortedDictionary<int, List<MidiNote>> _notes = [];
    private readonly Dictionary<int, Queue<int>> _sounding = [];
    private readonly List<(long Tick, double Bpm)> _tempos = [];
    private readonly List<(long Tick, int Numerator, int DenominatorPower)> _meters = [];
    private readonly List<(long Tick, string Name)> _markers = [];
    private readonly int[] _others = new int[Enum.GetValues<MidiOther>().Length];

    /// <summary>By channel, from 1; in the order in which they begin.</summary>
    public IReadOnlyDictionary<int, List<MidiNote>> Notes => _notes;

    public string Name { get; private set; } = "";

    /// <summary>As they stand in the track; of more than <see cref="MostChanges"/> the first.</summary>
    public IReadOnlyList<(long Tick, double Bpm)> Tempos => _tempos;

    public IReadOnlyList<(long Tick, int Numerator, int DenominatorPower)> Meters => _meters;

    public IReadOnlyList<(long Tick, string Name)> Markers => _markers;

    /// <summary>The first key signature; null where there is none.</summary>
    public MusicalKey? Key { get; private set; }

    public int Count(MidiOther kind) => _others[(int)kind];

    /// <param name="notesLeft">How many notes it may have; those that it has are taken off.</param>
    /// <exception cref="InvalidDataException">The bytes break off or hold what cannot be.</exception>
    /// <exception cref="TooManyNotesException">It has more.</exception>
    public static MidiTrack Of(ReadOnlySpan<byte> body, ref int notesLeft)
    {
        var track = new MidiTrack();
        var bytes = new MidiBytes(body);
        var tick = 0L;
        byte status = 0;
        while (!bytes.AtEnd)
        {
            tick += bytes.Variable();
            if (bytes.Peek() >= 0x80)
                status = bytes.Next();
            if (status == 0xFF)
            {
                if (!track.TakeMeta(ref bytes, tick))
                    break;
            }
            else if (status is 0xF0 or 0xF7)
            {
                bytes.Take(bytes.Variable());
                track._others[(int)MidiOther.SystemMessages]++;
            }
            else if (status is >= 0x80 and < 0xF0)
            {
                track.TakeMessage(ref bytes, status, tick, ref notesLeft);
            }
            else
            {
                throw new InvalidDataException("It holds a byte that begins nothing.");
            }
        }

        return track;
    }

    private void TakeMessage(ref MidiBytes bytes, byte status, long tick, ref int notesLeft)
    {
        var (kind, channel) = (status >> 4, status & 0x0F);
        var first = bytes.Next() & 0x7F;
        var second = kind is 0xC or 0xD ? 0 : bytes.Next() & 0x7F;
        switch (kind)
        {
            case 0x9 when second > 0:
                if (--notesLeft < 0)
                    throw new TooManyNotesException();
                Begin(channel, first, second, tick);
                break;
            case 0x8 or 0x9:
                End(channel, first, tick);
                break;
            default:
                _others[(int)(kind switch { 0xB => MidiOther.Controllers, 0xE => MidiOther.PitchBend, 0xC => MidiOther.Programs, _ => MidiOther.Pressure })]++;
                break;
        }
    }

    private void Begin(int channel, int key, int velocity, long tick)
    {
        if (!_notes.TryGetValue(channel + 1, out var notes))
            _notes[channel + 1] = notes = [];
        if (!_sounding.TryGetValue(channel * Keys + key, out var sounding))
            _sounding[channel * Keys + key] = sounding = new();
        sounding.Enqueue(notes.Count);
        notes.Add(new(tick, null, key, velocity));
    }

    private void End(int channel, int key, long tick)
    {
        if (!_sounding.TryGetValue(channel * Keys + key, out var sounding) || sounding.Count == 0)
            return;
        var notes = _notes[channel + 1];
        var index = sounding.Dequeue();
        notes[index] = notes[index] with { EndTick = tick };
    }

    /// <returns>False at the end of the track.</returns>
    private bool TakeMeta(ref MidiBytes bytes, long tick)
    {
        var kind = bytes.Next();
        var data = bytes.Take(bytes.Variable());
        switch (kind)
        {
            case 0x03 when Name.Length == 0:
                Name = TextOf(data);
                break;
            case 0x06 when _markers.Count < MostChanges:
                _markers.Add((tick, TextOf(data)));
                break;
            case 0x51 when data.Length == 3 && _tempos.Count < MostChanges && MidiBytes.Whole(data) is > 0 and var microseconds:
                _tempos.Add((tick, PlainTempo.Of(microseconds)));
                break;
            case 0x58 when data.Length >= 2 && _meters.Count < MostChanges:
                _meters.Add((tick, data[0], data[1]));
                break;
            case 0x59 when data.Length >= 2 && Key is null && (sbyte)data[0] is >= -7 and <= 7 and var fifths && data[1] <= 1:
                Key = new(fifths, data[1] == 1);
                break;
            case 0x2F:
                return false;
        }

        return true;
    }

    /// <summary>The format says ASCII; files of today have UTF-8, and older ones what their system had.</summary>
    private static string TextOf(ReadOnlySpan<byte> data)
    {
        var bounded = data[..Math.Min(data.Length, 512)];
        return BroughtText.Of(bounded.TrimEnd((byte)0)) ?? "";
    }
}

/// <summary>There are more notes than anybody would lay on an instrument.</summary>
internal sealed class TooManyNotesException : Exception;

/// <param name="EndTick">Null for a note that is never let go.</param>
internal readonly record struct MidiNote(long StartTick, long? EndTick, int Number, int Velocity);

/// <summary>What a track may hold besides notes.</summary>
internal enum MidiOther
{
    Controllers,
    PitchBend,
    Programs,
    Pressure,
    SystemMessages,
}
