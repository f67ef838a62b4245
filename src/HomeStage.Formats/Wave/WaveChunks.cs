using System.Buffers.Binary;
using HomeStage.Core.Media;

namespace HomeStage.Formats.Wave;

/// <summary>Where the samples of a WAVE file lie and how they are packed.</summary>
/// <remarks>Multimedia Programming Interface and Data Specifications 1.0 (RIFF), WAVEFORMATEXTENSIBLE for format tag 0xFFFE (from memory).
/// Nothing is believed of lengths: a chunk that goes on after the end of the file is cut off there, and said.</remarks>
/// <param name="DataStart">In bytes from the start of the file.</param>
internal sealed record WaveChunks(int SampleRateHz, int Lanes, WaveCoding Coding, int DataStart, int Frames)
{
    private const int Pcm = 1;
    private const int Float = 3;
    private const int ALaw = 6;
    private const int MuLaw = 7;
    private const int Extensible = 0xFFFE;
    private const int RiffHeader = 12;
    private const int ChunkHeader = 8;
    private const int SubFormatAt = 24;

    /// <summary>From here on it is no length but what encoders write that do not know it yet, and leave so where they cannot go back, as
    /// into a pipe: 0xFFFFFFFF or 0x7FFFF000 and a little.</summary>
    private const uint LeastUnknown = 0x7FFF0000;

    public int BytesAFrame => Lanes * BytesASample;

    public int BytesASample => Coding switch { WaveCoding.Int16 => 2, WaveCoding.Int24 => 3, WaveCoding.UInt8 or WaveCoding.ALaw or WaveCoding.MuLaw => 1, WaveCoding.Float64 => 8, _ => 4 };

    /// <summary>Whether it is packed in one of the ways in which sounds are kept; what is not is packed anew at the door.</summary>
    public bool IsKeptSo => Coding <= WaveCoding.Float32;

    public static FormatResult<WaveChunks> Of(ReadOnlySpan<byte> file)
    {
        if (file.Length < RiffHeader || !file[..4].SequenceEqual("RIFF"u8) || !file[8..12].SequenceEqual("WAVE"u8))
            return Refused("not-wave", "This is not a WAVE or AIFF file: it does not begin like one.");
        ReadOnlySpan<byte> format = default;
        for (long at = RiffHeader; at + ChunkHeader <= file.Length;)
        {
            var header = file[(int)at..];
            var length = BinaryPrimitives.ReadUInt32LittleEndian(header[4..]);
            var body = header[ChunkHeader..];
            if (header[..4].SequenceEqual("data"u8))
                return Data(format, (int)at + ChunkHeader, length, body.Length);
            if (header[..4].SequenceEqual("fmt "u8))
                format = body[..(int)Math.Min(length, (uint)body.Length)];
            // Chunks stand at even places.
            at += ChunkHeader + length + (length & 1);
        }

        return Refused("damaged", "This WAVE file is damaged: it breaks off before its sound.");
    }

    private static FormatResult<WaveChunks> Data(ReadOnlySpan<byte> format, int start, uint claimed, int there)
    {
        if (format.Length < 16)
            return Refused("damaged", "This WAVE file is damaged: it does not say how its sound is packed.");
        var lanes = BinaryPrimitives.ReadUInt16LittleEndian(format[2..]);
        var rate = BinaryPrimitives.ReadUInt32LittleEndian(format[4..]);
        if (lanes is not (1 or 2))
            return Refused("wave-lanes", $"This WAVE file has {lanes} lanes; files with one or two can be read.");
        if (!(rate is >= MediaRef.SlowestRateHz and <= MediaRef.FastestRateHz))
            return Refused("wave-rate", $"This WAVE file has {rate} frames a second; 8,000 to 192,000 can be read.");
        if (CodingOf(format, lanes) is not { } coding)
            return Refused("wave-format", "This WAVE file is packed in a way that cannot be read; 8 to 32 bits, floating point, A-law and µ-law can.");
        var chunks = new WaveChunks((int)rate, lanes, coding, start, 0);
        var isOpen = claimed >= LeastUnknown;
        if (!isOpen && claimed > there)
            return Refused("cut-off", FormattableString.Invariant(
                $"This WAVE file breaks off: it holds {(double)there / chunks.BytesAFrame / rate:0.0} s of {(double)claimed / chunks.BytesAFrame / rate:0.0} s. It was not copied or downloaded whole."));
        var frames = (isOpen ? there : (int)claimed) / chunks.BytesAFrame;
        return frames == 0 ? Refused("no-sound", "This WAVE file has no sound in it.") : new FormatResult<WaveChunks>.Read(chunks with { Frames = frames });
    }

    private static WaveCoding? CodingOf(ReadOnlySpan<byte> format, int lanes)
    {
        int tag = BinaryPrimitives.ReadUInt16LittleEndian(format);
        // The sub-format's first two bytes are the tag that it stands for.
        if (tag == Extensible && format.Length >= SubFormatAt + 2)
            tag = BinaryPrimitives.ReadUInt16LittleEndian(format[SubFormatAt..]);
        var bits = BinaryPrimitives.ReadUInt16LittleEndian(format[14..]);
        WaveCoding? coding = (tag, bits) switch
        {
            (Pcm, 16) => WaveCoding.Int16,
            (Pcm, 24) => WaveCoding.Int24,
            (Pcm, 32) => WaveCoding.Int32,
            (Float, 32) => WaveCoding.Float32,
            (Pcm, 8) => WaveCoding.UInt8,
            (Float, 64) => WaveCoding.Float64,
            (ALaw, 8) => WaveCoding.ALaw,
            (MuLaw, 8) => WaveCoding.MuLaw,
            _ => null,
        };
        return coding is not null && BinaryPrimitives.ReadUInt16LittleEndian(format[12..]) == lanes * bits / 8 ? coding : null;
    }

    private static FormatResult<WaveChunks>.Refused Refused(string code, string sentence) => new(code, sentence);
}

/// <summary>How one sample is written: first the ways in which sounds are kept here, then others that are brought.</summary>
internal enum WaveCoding
{
    Int16,
    Int24,
    Int32,
    Float32,

    /// <summary>Without a sign: 128 is silence.</summary>
    UInt8,
    Float64,

    /// <summary>ITU-T G.711.</summary>
    ALaw,

    /// <summary>ITU-T G.711.</summary>
    MuLaw,
}
