using System.Buffers.Binary;
using HomeStage.Formats.Wave;

namespace HomeStage.Formats.Aiff;

/// <summary>AIFF and uncompressed AIFF-C files, made into WAVE files of the same samples.</summary>
/// <remarks>Audio Interchange File Format 1.3 and its AIFF-C draft (Apple, 1989 and 1991; from memory): chunks with big-endian lengths at
/// even places, <c>COMM</c> with lanes, frames, bits and an 80-bit rate, <c>SSND</c> with an offset before its samples. Samples are
/// big-endian, but for the compression type <c>sowt</c>.</remarks>
public static class AiffFile
{
    private const int FormHeader = 12;
    private const int ChunkHeader = 8;
    private const int LeastCommon = 18;
    private const int SoundHeader = 8;

    /// <summary>Eight bits have a sign here, and none in a WAVE file.</summary>
    private const byte SignOf8Bits = 0x80;

    public static bool IsOne(ReadOnlySpan<byte> file) =>
        file.Length >= FormHeader && file[..4].SequenceEqual("FORM"u8) && (file[8..12].SequenceEqual("AIFF"u8) || file[8..12].SequenceEqual("AIFC"u8));

    /// <param name="file">One that <see cref="IsOne"/>.</param>
    /// <returns>A WAVE file, bit for bit the same samples but for the sign of eight bits, or what is wrong.</returns>
    public static FormatResult<ReadOnlyMemory<byte>> ToWave(ReadOnlySpan<byte> file)
    {
        ReadOnlySpan<byte> common = default, sound = default;
        for (long at = FormHeader; at + ChunkHeader <= file.Length;)
        {
            var header = file[(int)at..];
            var length = BinaryPrimitives.ReadUInt32BigEndian(header[4..]);
            var body = header[ChunkHeader..];
            if (header[..4].SequenceEqual("COMM"u8))
                common = body[..(int)Math.Min(length, (uint)body.Length)];
            else if (header[..4].SequenceEqual("SSND"u8))
                sound = body[..(int)Math.Min(length, (uint)body.Length)];
            at += ChunkHeader + length + (length & 1);
        }

        if (common.Length < LeastCommon || sound.Length < SoundHeader)
            return Refused("damaged", "This AIFF file is damaged: it breaks off before its sound.");
        var offset = BinaryPrimitives.ReadUInt32BigEndian(sound);
        var samples = sound[SoundHeader..];
        return offset > samples.Length ? Refused("damaged", "This AIFF file is damaged: its sound begins after its end.") : Packed(common, samples[(int)offset..]);
    }

    private static FormatResult<ReadOnlyMemory<byte>> Packed(ReadOnlySpan<byte> common, ReadOnlySpan<byte> samples)
    {
        var lanes = BinaryPrimitives.ReadUInt16BigEndian(common);
        var frames = BinaryPrimitives.ReadUInt32BigEndian(common[2..]);
        var bits = BinaryPrimitives.ReadUInt16BigEndian(common[6..]);
        var type = common.Length >= LeastCommon + 4 ? common[LeastCommon..(LeastCommon + 4)] : "NONE"u8;
        if (Coding(type, bits) is not var (isFloat, isLittleEndian))
            return Refused("aiff-format", "This AIFF file is packed in a way that cannot be read; 8 to 32 bits and floating point can.");
        var bytesAFrame = lanes * bits / 8L;
        if (frames * bytesAFrame > samples.Length)
            return Refused("cut-off", "This AIFF file breaks off before the end of its sound. It was not copied or downloaded whole.");
        // Lanes and rate are held against their ranges where the WAVE file is read.
        var wave = PlainWave.Of(lanes, Rate(common[8..]), bits, isFloat, samples[..(int)(frames * bytesAFrame)], swaps: !isLittleEndian);
        if (bits == 8 && !type.SequenceEqual("raw "u8))
            foreach (ref var sample in wave.AsSpan(PlainWave.HeaderBytes, (int)(frames * bytesAFrame)))
                sample ^= SignOf8Bits;
        return new FormatResult<ReadOnlyMemory<byte>>.Read(wave);
    }

    private static (bool IsFloat, bool IsLittleEndian)? Coding(ReadOnlySpan<byte> type, int bits) =>
        bits == 64 && (type.SequenceEqual("fl64"u8) || type.SequenceEqual("FL64"u8)) ? (true, false)
        : bits == 8 && type.SequenceEqual("raw "u8) ? (false, false)
        : bits is not (8 or 16 or 24 or 32) ? null
        : type.SequenceEqual("NONE"u8) || type.SequenceEqual("twos"u8) || type.SequenceEqual("in24"u8) || type.SequenceEqual("in32"u8) ? (false, false)
        : type.SequenceEqual("sowt"u8) ? (false, true)
        : bits == 32 && (type.SequenceEqual("fl32"u8) || type.SequenceEqual("FL32"u8)) ? (true, false)
        : null;

    /// <summary>An IEEE 754 number of 80 bits: sign and exponent in 16, a mantissa with its leading one in 64.</summary>
    private static uint Rate(ReadOnlySpan<byte> at)
    {
        var exponent = (BinaryPrimitives.ReadUInt16BigEndian(at) & 0x7FFF) - 16383 - 63;
        var rate = Math.ScaleB((double)BinaryPrimitives.ReadUInt64BigEndian(at[2..]), exponent);
        return rate is >= 0 and <= uint.MaxValue ? (uint)Math.Round(rate) : 0;
    }

    private static FormatResult<ReadOnlyMemory<byte>>.Refused Refused(string code, string sentence) => new(code, sentence);
}
