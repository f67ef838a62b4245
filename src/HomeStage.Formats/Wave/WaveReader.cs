using System.Buffers.Binary;
using HomeStage.Core.Media;
using NAudio.Codecs;

namespace HomeStage.Formats.Wave;

/// <summary>Reads RIFF/WAVE files of one or two lanes: integers of 8, 16, 24 or 32 bits, floating point of 32 or 64, A-law and µ-law.</summary>
public static class WaveReader
{
    public const int MostBytes = 256 * 1024 * 1024;

    /// <summary>A recording of the line check is long, and nothing is kept of it but what is looked at.</summary>
    public const int MostBytesOfATest = 512 * 1024 * 1024;

    /// <summary>What a file holds, without its samples.</summary>
    /// <returns>The facts of a file that <see cref="Read"/> would read, or what is wrong.</returns>
    public static FormatResult<WaveFacts> ReadFacts(ReadOnlySpan<byte> file) => Chunks(file, MostBytes) switch
    {
        FormatResult<WaveChunks>.Read read => new FormatResult<WaveFacts>.Read(new(read.Value.SampleRateHz, read.Value.Lanes, read.Value.Frames)),
        FormatResult<WaveChunks>.Refused refused => new FormatResult<WaveFacts>.Refused(refused.Code, refused.Sentence),
        _ => throw new InvalidOperationException("A file is read or refused."),
    };

    /// <returns>The sound with samples that are finite, or what is wrong.</returns>
    public static FormatResult<MediaSound> Read(ReadOnlySpan<byte> file, int mostBytes = MostBytes)
    {
        switch (Chunks(file, mostBytes))
        {
            case FormatResult<WaveChunks>.Read read:
                var chunks = read.Value;
                var data = file.Slice(chunks.DataStart, chunks.Frames * chunks.BytesAFrame);
                var lanes = new float[chunks.Lanes][];
                for (var lane = 0; lane < lanes.Length; lane++)
                    lanes[lane] = Lane(data[(lane * chunks.BytesASample)..], chunks);
                return new FormatResult<MediaSound>.Read(new(lanes, chunks.SampleRateHz));
            case FormatResult<WaveChunks>.Refused refused:
                return new FormatResult<MediaSound>.Refused(refused.Code, refused.Sentence);
            default:
                throw new InvalidOperationException("A file is read or refused.");
        }
    }

    private static FormatResult<WaveChunks> Chunks(ReadOnlySpan<byte> file, int mostBytes) => file.Length > mostBytes
        ? new FormatResult<WaveChunks>.Refused("too-large", $"A sound may have {mostBytes / 1024 / 1024} MB.")
        : WaveChunks.Of(file);

    /// <param name="data">From the lane's first sample on.</param>
    private static float[] Lane(ReadOnlySpan<byte> data, WaveChunks chunks)
    {
        var samples = new float[chunks.Frames];
        for (var i = 0; i < samples.Length; i++)
            samples[i] = Sample(data[(i * chunks.BytesAFrame)..], chunks.Coding);
        return samples;
    }

    /// <summary>Full scale is 1; what is no number is silence.</summary>
    private static float Sample(ReadOnlySpan<byte> at, WaveCoding coding) => coding switch
    {
        WaveCoding.Int16 => BinaryPrimitives.ReadInt16LittleEndian(at) / 32768f,
        WaveCoding.Int24 => ((at[0] << 8) | (at[1] << 16) | (at[2] << 24)) / 2147483648f,
        WaveCoding.Int32 => BinaryPrimitives.ReadInt32LittleEndian(at) / 2147483648f,
        WaveCoding.UInt8 => (at[0] - 128) / 128f,
        WaveCoding.ALaw => ALawDecoder.ALawToLinearSample(at[0]) / 32768f,
        WaveCoding.MuLaw => MuLawDecoder.MuLawToLinearSample(at[0]) / 32768f,
        WaveCoding.Float64 => Finite((float)BinaryPrimitives.ReadDoubleLittleEndian(at)),
        _ => Finite(BinaryPrimitives.ReadSingleLittleEndian(at)),
    };

    private static float Finite(float value) => float.IsFinite(value) ? value : 0;
}
