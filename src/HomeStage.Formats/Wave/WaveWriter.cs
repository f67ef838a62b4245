using HomeStage.Core.Sound;
using NAudio.Wave;

namespace HomeStage.Formats.Wave;

/// <summary>Writes sound as RIFF/WAVE.</summary>
public static class WaveWriter
{
    private const int FullScale24 = 1 << 23;

    /// <summary>Writes two lanes. The same sound gives the same bytes: the dither is repeatable.</summary>
    /// <param name="stream">Seekable; stays open.</param>
    public static void Write(RenderedSound sound, WaveDepth depth, Stream stream)
    {
        var format = depth == WaveDepth.Float32
            ? WaveFormat.CreateIeeeFloatWaveFormat(sound.SampleRateHz, 2)
            : new WaveFormat(sound.SampleRateHz, 24, 2);
        using var writer = new WaveFileWriter(stream, format);
        writer.Write(depth == WaveDepth.Float32 ? Floats(sound) : Integers(sound));
    }

    private static ReadOnlySpan<byte> Floats(RenderedSound sound)
    {
        var samples = new float[sound.Left.Length * 2];
        for (var i = 0; i < sound.Left.Length; i++)
            (samples[2 * i], samples[2 * i + 1]) = (sound.Left[i], sound.Right[i]);
        return System.Runtime.InteropServices.MemoryMarshal.AsBytes<float>(samples);
    }

    private static ReadOnlySpan<byte> Integers(RenderedSound sound)
    {
        var bytes = new byte[sound.Left.Length * 6];
        var dither = new TriangularDither(1);
        for (var i = 0; i < sound.Left.Length; i++)
        {
            Put(bytes, 6 * i, sound.Left[i], ref dither);
            Put(bytes, 6 * i + 3, sound.Right[i], ref dither);
        }

        return bytes;
    }

    private static void Put(byte[] bytes, int place, float sample, ref TriangularDither dither)
    {
        var value = (int)Math.Clamp(Math.Round(sample * (double)FullScale24 + dither.Next()), -FullScale24, FullScale24 - 1);
        bytes[place] = (byte)value;
        bytes[place + 1] = (byte)(value >> 8);
        bytes[place + 2] = (byte)(value >> 16);
    }
}
