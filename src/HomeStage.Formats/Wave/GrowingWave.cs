using System.Buffers.Binary;
using NAudio.Wave;

namespace HomeStage.Formats.Wave;

/// <summary>A RIFF/WAVE file that is written piece by piece. The same sound gives the same bytes in whatever pieces: the dither is repeatable.</summary>
public sealed class GrowingWave : IDisposable
{
    private const int Stretch = 16384;
    private readonly WaveFileWriter _writer;
    private readonly WaveDepth _depth;
    private readonly int _lanes;
    private readonly int _bytesALane;
    private readonly byte[] _bytes;
    private TriangularDither _dither = new(1);

    /// <param name="stream">Seekable; ends with the file.</param>
    /// <param name="lanes">1 or 2.</param>
    public GrowingWave(Stream stream, int sampleRateHz, int lanes, WaveDepth depth)
    {
        _bytesALane = BytesALane(depth);
        _writer = new(stream, depth == WaveDepth.Float32 ? WaveFormat.CreateIeeeFloatWaveFormat(sampleRateHz, lanes) : new WaveFormat(sampleRateHz, 8 * _bytesALane, lanes));
        (_depth, _lanes) = (depth, lanes);
        _bytes = new byte[Stretch * lanes * _bytesALane];
    }

    /// <summary>The largest sample so far, unity at full scale.</summary>
    public float Peak { get; private set; }

    /// <returns>Bytes that a sample takes.</returns>
    public static int BytesALane(WaveDepth depth) => depth switch { WaveDepth.Int16 => 2, WaveDepth.Int24 => 3, _ => 4 };

    /// <param name="left">Samples, unity at ±1.</param>
    /// <param name="right">As many; not looked at in a file of one lane.</param>
    public void Add(ReadOnlySpan<float> left, ReadOnlySpan<float> right)
    {
        for (var start = 0; start < left.Length; start += Stretch)
        {
            var (frames, place) = (Math.Min(Stretch, left.Length - start), 0);
            for (var i = start; i < start + frames; i++)
            {
                place = Put(place, left[i]);
                if (_lanes == 2)
                    place = Put(place, right[i]);
            }

            _writer.Write(_bytes.AsSpan(0, place));
        }
    }

    public void Dispose() => _writer.Dispose();

    /// <returns>The place after it.</returns>
    private int Put(int place, float sample)
    {
        Peak = Math.Max(Peak, Math.Abs(sample));
        if (_depth == WaveDepth.Float32)
        {
            BinaryPrimitives.WriteSingleLittleEndian(_bytes.AsSpan(place), sample);
            return place + 4;
        }

        var full = 1 << (8 * _bytesALane - 1);
        var value = (int)Math.Clamp(Math.Round(sample * (double)full + _dither.Next()), -full, full - 1);
        for (var part = 0; part < _bytesALane; part++)
            _bytes[place + part] = (byte)(value >> (8 * part));
        return place + _bytesALane;
    }
}
