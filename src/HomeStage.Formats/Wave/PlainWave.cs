using System.Buffers.Binary;
using HomeStage.Core.Media;

namespace HomeStage.Formats.Wave;

/// <summary>Samples as they are, with a WAVE header before them.</summary>
public static class PlainWave
{
    internal const int HeaderBytes = 44;

    /// <returns>A file of 32-bit floating point with as many lanes as the sound.</returns>
    public static byte[] Of(MediaSound sound)
    {
        var samples = new byte[sizeof(float) * sound.Lanes.Count * sound.Lanes[0].Length];
        for (var lane = 0; lane < sound.Lanes.Count; lane++)
            for (var frame = 0; frame < sound.Lanes[lane].Length; frame++)
                BinaryPrimitives.WriteSingleLittleEndian(samples.AsSpan(sizeof(float) * (frame * sound.Lanes.Count + lane)), sound.Lanes[lane][frame]);
        return Of(sound.Lanes.Count, (uint)sound.SampleRateHz, 32, isFloat: true, samples, swaps: false);
    }

    /// <param name="bits">8, 16, 24, 32 or 64.</param>
    /// <param name="samples">Whole frames.</param>
    /// <param name="swaps">Whether the bytes of each sample stand in the other order there.</param>
    public static byte[] Of(int lanes, uint sampleRateHz, int bits, bool isFloat, ReadOnlySpan<byte> samples, bool swaps)
    {
        var file = new byte[HeaderBytes + samples.Length + (samples.Length & 1)];
        var header = file.AsSpan();
        var bytesASample = bits / 8;
        "RIFF"u8.CopyTo(header);
        BinaryPrimitives.WriteUInt32LittleEndian(header[4..], (uint)file.Length - 8);
        "WAVEfmt "u8.CopyTo(header[8..]);
        BinaryPrimitives.WriteUInt32LittleEndian(header[16..], 16);
        BinaryPrimitives.WriteUInt16LittleEndian(header[20..], (ushort)(isFloat ? 3 : 1));
        BinaryPrimitives.WriteUInt16LittleEndian(header[22..], (ushort)lanes);
        BinaryPrimitives.WriteUInt32LittleEndian(header[24..], sampleRateHz);
        BinaryPrimitives.WriteUInt32LittleEndian(header[28..], (uint)(sampleRateHz * lanes * bytesASample));
        BinaryPrimitives.WriteUInt16LittleEndian(header[32..], (ushort)(lanes * bytesASample));
        BinaryPrimitives.WriteUInt16LittleEndian(header[34..], (ushort)bits);
        "data"u8.CopyTo(header[36..]);
        BinaryPrimitives.WriteUInt32LittleEndian(header[40..], (uint)samples.Length);
        var data = file.AsSpan(HeaderBytes, samples.Length);
        samples.CopyTo(data);
        if (swaps)
            for (var at = 0; at < data.Length; at += bytesASample)
                data.Slice(at, bytesASample).Reverse();
        return file;
    }
}
