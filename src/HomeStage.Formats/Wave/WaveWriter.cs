using HomeStage.Core.Sound;

namespace HomeStage.Formats.Wave;

/// <summary>Writes sound as RIFF/WAVE.</summary>
public static class WaveWriter
{
    private const int MostHeaderBytes = 128;

    /// <summary>Writes two lanes. The same sound gives the same bytes: the dither is repeatable.</summary>
    /// <param name="stream">Seekable.</param>
    public static void Write(RenderedSound sound, WaveDepth depth, Stream stream)
    {
        using var wave = new GrowingWave(stream, sound.SampleRateHz, 2, depth);
        wave.Add(sound.Left, sound.Right);
    }

    /// <summary>A whole file in memory.</summary>
    public static ReadOnlyMemory<byte> Bytes(RenderedSound sound, WaveDepth depth)
    {
        using var stream = new MemoryStream(MostHeaderBytes + sound.Left.Length * 2 * GrowingWave.BytesALane(depth));
        Write(sound, depth, stream);
        return stream.GetBuffer().AsMemory(0, (int)stream.Length);
    }
}
