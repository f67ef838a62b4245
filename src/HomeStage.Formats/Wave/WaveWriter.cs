using System.Buffers.Binary;
using HomeStage.Core.Sound;
using NAudio.Wave;

namespace HomeStage.Formats.Wave;

/// <summary>Writes sound as RIFF/WAVE.</summary>
public static class WaveWriter
{
    private const int FullScale24 = 1 << 23;
    private const int Stretch = 65536;
    private const int MostHeaderBytes = 128;

    /// <summary>Writes two lanes. The same sound gives the same bytes: the dither is repeatable.</summary>
    /// <param name="stream">Seekable; stays open.</param>
    public static void Write(RenderedSound sound, WaveDepth depth, Stream stream)
    {
        var format = depth == WaveDepth.Float32
            ? WaveFormat.CreateIeeeFloatWaveFormat(sound.SampleRateHz, 2)
            : new WaveFormat(sound.SampleRateHz, 24, 2);
        using var writer = new WaveFileWriter(stream, format);
        var bytesAFrame = format.BlockAlign;
        var bytes = new byte[bytesAFrame * Math.Min(Stretch, Math.Max(1, sound.Left.Length))];
        var dither = new TriangularDither(1);
        for (var start = 0; start < sound.Left.Length; start += Stretch)
        {
            var frames = Math.Min(Stretch, sound.Left.Length - start);
            for (var i = 0; i < frames; i++)
            {
                Put(bytes, bytesAFrame * i, sound.Left[start + i], depth, ref dither);
                Put(bytes, bytesAFrame * i + bytesAFrame / 2, sound.Right[start + i], depth, ref dither);
            }

            writer.Write(bytes.AsSpan(0, bytesAFrame * frames));
        }
    }

    /// <summary>A whole file in memory.</summary>
    public static ReadOnlyMemory<byte> Bytes(RenderedSound sound, WaveDepth depth)
    {
        using var stream = new MemoryStream(MostHeaderBytes + sound.Left.Length * (depth == WaveDepth.Float32 ? 8 : 6));
        Write(sound, depth, stream);
        return stream.GetBuffer().AsMemory(0, (int)stream.Length);
    }

    private static void Put(byte[] bytes, int place, float sample, WaveDepth depth, ref TriangularDither dither)
    {
        if (depth == WaveDepth.Float32)
        {
            BinaryPrimitives.WriteSingleLittleEndian(bytes.AsSpan(place), sample);
            return;
        }

        var value = (int)Math.Clamp(Math.Round(sample * (double)FullScale24 + dither.Next()), -FullScale24, FullScale24 - 1);
        bytes[place] = (byte)value;
        bytes[place + 1] = (byte)(value >> 8);
        bytes[place + 2] = (byte)(value >> 16);
    }
}
