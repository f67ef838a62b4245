namespace HomeStage.Formats.Midi;

/// <summary>Goes through bytes as a Standard MIDI File orders them: most significant first, and numbers of variable length.</summary>
/// <param name="bytes">Whoever reads beyond them is told that they break off.</param>
internal ref struct MidiBytes(ReadOnlySpan<byte> bytes)
{
    private readonly ReadOnlySpan<byte> _bytes = bytes;
    private int _at;

    public readonly bool AtEnd => _at >= _bytes.Length;

    /// <exception cref="InvalidDataException">There is no more.</exception>
    public byte Next() => _at < _bytes.Length ? _bytes[_at++] : throw BreaksOff();

    public readonly byte Peek() => _at < _bytes.Length ? _bytes[_at] : throw BreaksOff();

    /// <exception cref="InvalidDataException">There are not so many.</exception>
    public ReadOnlySpan<byte> Take(long count)
    {
        if (count < 0 || count > _bytes.Length - _at)
            throw BreaksOff();
        var taken = _bytes.Slice(_at, (int)count);
        _at += (int)count;
        return taken;
    }

    /// <summary>Four bytes at most, seven bits of each.</summary>
    /// <exception cref="InvalidDataException">It goes on for longer.</exception>
    public int Variable()
    {
        var value = 0;
        for (var i = 0; i < 4; i++)
        {
            var next = Next();
            value = (value << 7) | (next & 0x7F);
            if (next < 0x80)
                return value;
        }

        throw new InvalidDataException("A number is longer than four bytes.");
    }

    public static uint Whole(ReadOnlySpan<byte> bytes)
    {
        var value = 0u;
        foreach (var next in bytes)
            value = (value << 8) | next;
        return value;
    }

    private static InvalidDataException BreaksOff() => new("It breaks off.");
}
