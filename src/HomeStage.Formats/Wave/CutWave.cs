namespace HomeStage.Formats.Wave;

/// <summary>A part of a WAVE file with silence before it, its samples as they are.</summary>
internal static class CutWave
{
    /// <param name="wave">A file that can be read.</param>
    /// <param name="leadFrames">Silence before, at least 0.</param>
    /// <param name="from">The first frame that is kept, at least 0.</param>
    /// <param name="frames">How many are kept, at most; what the file does not have is left away.</param>
    /// <param name="mostBytes">What it may have.</param>
    /// <returns>Null where nothing is left, or where it would be larger.</returns>
    public static byte[]? Of(ReadOnlySpan<byte> wave, long leadFrames, long from, long frames, long mostBytes)
    {
        if (WaveChunks.Of(wave) is not FormatResult<WaveChunks>.Read { Value: var chunks })
            throw new ArgumentException("This file cannot be read.", nameof(wave));
        var kept = Math.Min(frames, chunks.Frames - from);
        var room = (Math.Min(mostBytes, WaveReader.MostBytes) - PlainWave.HeaderBytes) / chunks.BytesAFrame;
        if (kept <= 0 || leadFrames > room || kept > room - leadFrames)
            return null;
        var samples = new byte[(leadFrames + kept) * chunks.BytesAFrame];
        wave.Slice(chunks.DataStart + (int)from * chunks.BytesAFrame, (int)kept * chunks.BytesAFrame).CopyTo(samples.AsSpan((int)leadFrames * chunks.BytesAFrame));
        return PlainWave.Of(chunks.Lanes, (uint)chunks.SampleRateHz, 8 * chunks.BytesASample, chunks.Coding == WaveCoding.Float32, samples, swaps: false);
    }
}
