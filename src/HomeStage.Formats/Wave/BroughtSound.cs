using HomeStage.Formats.Aiff;

namespace HomeStage.Formats.Wave;

/// <summary>A sound as somebody brings it: a WAVE file, or what is made into one at the door, so that all behind it knows WAVE files alone.</summary>
public static class BroughtSound
{
    /// <returns>The file itself where it is a WAVE file packed as sounds are kept, a WAVE file of the same samples (those of 64 bits rounded to 32), or what is wrong.</returns>
    public static FormatResult<ReadOnlyMemory<byte>> AsWave(ReadOnlyMemory<byte> file)
    {
        if (AiffFile.IsOne(file.Span))
            return AiffFile.ToWave(file.Span).Then(KeptSo);
        return Kind(file.Span) is { } kind
            ? new FormatResult<ReadOnlyMemory<byte>>.Refused("not-wave", $"This is {kind}. WAVE and AIFF files can be read: save it as one of these.")
            : KeptSo(file);
    }

    /// <summary>What is seldom met, as 8 bits or A-law, is floating point from here on; it loses nothing by that.</summary>
    private static FormatResult<ReadOnlyMemory<byte>> KeptSo(ReadOnlyMemory<byte> wave) =>
        WaveChunks.Of(wave.Span) is FormatResult<WaveChunks>.Read { Value.IsKeptSo: false }
            ? WaveReader.Read(wave.Span).As(sound => (ReadOnlyMemory<byte>)PlainWave.Of(sound))
            : new FormatResult<ReadOnlyMemory<byte>>.Read(wave);

    /// <returns>What people bring besides, by how it begins; null for anything else.</returns>
    private static string? Kind(ReadOnlySpan<byte> file) =>
        file.StartsWith("fLaC"u8) ? "a FLAC file"
        : file.StartsWith("OggS"u8) ? "an Ogg file"
        : file.StartsWith("ID3"u8) ? "an MP3 file"
        : file.StartsWith("caff"u8) ? "a CAF file"
        : file.Length >= 8 && file[4..8].SequenceEqual("ftyp"u8) ? "an MP4 file"
        : null;
}
