using HomeStage.Core.Media;
using NAudio.Wave;

namespace HomeStage.Formats.Wave;

/// <summary>Reads RIFF/WAVE files of one or two lanes: integers of 16, 24 or 32 bits and 32-bit floating point.</summary>
public static class WaveReader
{
    public const int MostBytes = 64 * 1024 * 1024;
    private const int Stretch = 65536;

    /// <returns>The sound with samples that are finite, or what is wrong.</returns>
    public static FormatResult<MediaSound> Read(byte[] bytes)
    {
        if (bytes.Length > MostBytes)
            return Refused("too-large", $"A WAVE file may have {MostBytes / 1024 / 1024} MB.");
        if (bytes.Length < 12 || !bytes.AsSpan(0, 4).SequenceEqual("RIFF"u8) || !bytes.AsSpan(8, 4).SequenceEqual("WAVE"u8))
            return Refused("not-wave", "This is not a WAVE file: it does not begin like one.");
        try
        {
            using var reader = new WaveFileReader(new MemoryStream(bytes, writable: false));
            return CheckFormat(reader.WaveFormat) ?? Samples(reader);
        }
        catch (Exception e) when (e is not OutOfMemoryException)
        {
            // The reader has no one exception for a damaged file: it runs into the end, the index or the format.
            return Refused("damaged", "This WAVE file is damaged: it breaks off or its parts do not fit together.");
        }
    }

    private static FormatResult<MediaSound>? CheckFormat(WaveFormat format)
    {
        if (!(format.Channels is 1 or 2))
            return Refused("wave-lanes", $"This WAVE file has {format.Channels} lanes; files with one or two can be read.");
        if (!(format.SampleRate is >= MediaRef.SlowestRateHz and <= MediaRef.FastestRateHz))
            return Refused("wave-rate", $"This WAVE file has {format.SampleRate} frames a second; 8,000 to 192,000 can be read.");
        var isFloat = format.Encoding == WaveFormatEncoding.IeeeFloat || (format as WaveFormatExtensible)?.SubFormat == AudioMediaSubtypes.MEDIASUBTYPE_IEEE_FLOAT;
        var isPcm = format.Encoding == WaveFormatEncoding.Pcm || (format as WaveFormatExtensible)?.SubFormat == AudioMediaSubtypes.MEDIASUBTYPE_PCM;
        var readable = (isFloat && format.BitsPerSample == 32) || (isPcm && format.BitsPerSample is 16 or 24 or 32);
        return readable && format.BlockAlign == format.Channels * format.BitsPerSample / 8
            ? null
            : Refused("wave-format", "This WAVE file is packed in a way that cannot be read; 16, 24 or 32 bits without compression can.");
    }

    private static FormatResult<MediaSound> Samples(WaveFileReader reader)
    {
        var lanes = reader.WaveFormat.Channels;
        var provider = reader.ToSampleProvider();
        var samples = new List<float>();
        var buffer = new float[Stretch * lanes];
        for (int count; (count = provider.Read(buffer)) > 0;)
            samples.AddRange(buffer.AsSpan(0, count));
        var frames = samples.Count / lanes;
        if (frames == 0)
            return Refused("no-sound", "This WAVE file has no sound in it.");
        var sound = Enumerable.Range(0, lanes)
            .Select(lane => Enumerable.Range(0, frames).Select(i => samples[i * lanes + lane]).Select(s => float.IsFinite(s) ? s : 0).ToArray())
            .ToArray();
        return new FormatResult<MediaSound>.Read(new(sound, reader.WaveFormat.SampleRate));
    }

    private static FormatResult<MediaSound>.Refused Refused(string code, string sentence) => new(code, sentence);
}
