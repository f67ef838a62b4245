using System.Diagnostics;
using HomeStage.Core.Media;
using HomeStage.Formats.Wave;
using NAudio.Wave;

namespace HomeStage.Formats.Tests.Wave;

/// <summary>Files as general-purpose programs write them by default: with the extensible format, without a length where they write into a
/// pipe, with chunks that nobody asked for.</summary>
public sealed class ForeignWaveTests
{
    private const int Rate = 44100;
    private const double Seconds = 0.5;

    public static TheoryData<string, string> Writers => new()
    {
        { "ffmpeg", "-f lavfi -i sine=frequency=440:sample_rate=44100:duration=0.5 -c:a pcm_s16le -f wav -y {0}" },
        { "ffmpeg", "-f lavfi -i sine=frequency=440:sample_rate=44100:duration=0.5 -c:a pcm_s24le -f wav -y {0}" },
        { "ffmpeg", "-f lavfi -i sine=frequency=440:sample_rate=44100:duration=0.5 -c:a pcm_s32le -ac 2 -f wav -y {0}" },
        { "ffmpeg", "-f lavfi -i sine=frequency=440:sample_rate=44100:duration=0.5 -c:a pcm_f32le -f wav -y {0}" },
        { "ffmpeg", "-f lavfi -i sine=frequency=440:sample_rate=44100:duration=0.5 -metadata title=Tide -f wav pipe:1" },
        { "sox", "-n -r 44100 -b 16 {0} synth 0.5 sine 440" },
        { "sox", "-n -r 44100 -b 24 {0} synth 0.5 sine 440" },
        { "sox", "-n -r 44100 -b 24 -c 2 {0} synth 0.5 sine 440 sine 220" },
        { "sox", "-n -r 44100 -b 32 -e floating-point {0} synth 0.5 sine 440" },
        { "sox", "-n -r 44100 -b 16 -t wav - synth 0.5 sine 440" },
    };

    [Theory]
    [MemberData(nameof(Writers))]
    public void Read_WhatProgramsWriteByDefault_GivesTheSoundThatTheyMade(string program, string words)
    {
        var file = Path.Combine(Path.GetTempPath(), $"{Guid.NewGuid():N}.wav");
        try
        {
            var bytes = Written(program, string.Format(System.Globalization.CultureInfo.InvariantCulture, words, file), file);

            var sound = Assert.IsType<FormatResult<MediaSound>.Read>(WaveReader.Read(bytes)).Value;

            Assert.Equal(Rate, sound.SampleRateHz);
            Assert.Equal(Seconds * Rate, sound.Lanes[0].Length, 1.0);
            Assert.Equal(440, Crossings(sound.Lanes[0]) / Seconds, 3.0);
        }
        finally
        {
            File.Delete(file);
        }
    }

    [Fact]
    public void Read_AFileThatIsCut_IsRefused_AndSaysHowMuchIsThere()
    {
        using var stream = new MemoryStream();
        float[] lane = new float[48000];
        WaveWriter.Write(new(lane, lane, 48000, 0), WaveDepth.Int24, stream);

        var refused = Assert.IsType<FormatResult<MediaSound>.Refused>(WaveReader.Read(stream.ToArray()[..(44 + 6 * 12000)]));

        Assert.Equal("cut-off", refused.Code);
        Assert.Contains("0.3 s of 1.0 s", refused.Sentence, StringComparison.Ordinal);
    }

    [Theory]
    [InlineData(WaveDepth.Int24)]
    [InlineData(WaveDepth.Float32)]
    public void Read_GivesTheSamplesThatALibraryReads(WaveDepth depth)
    {
        var chance = new Random(3);
        float[] Lane() => [.. Enumerable.Range(0, 1000).Select(_ => (float)(chance.NextDouble() * 1.8 - 0.9))];
        using var stream = new MemoryStream();
        WaveWriter.Write(new(Lane(), Lane(), Rate, 0), depth, stream);
        stream.Position = 0;
        using var reader = new WaveFileReader(stream);
        var theirs = new float[2000];
        Assert.Equal(2000, reader.ToSampleProvider().Read(theirs));

        var ours = Assert.IsType<FormatResult<MediaSound>.Read>(WaveReader.Read(stream.ToArray())).Value;

        // Both divide by the full scale of their depth; a float has 24 bits.
        Assert.All(Enumerable.Range(0, 1000), i => Assert.Equal(theirs[2 * i + 1], ours.Lanes[1][i], 1f / (1 << 23)));
    }

    private static double Crossings(float[] lane) => lane.Zip(lane.Skip(1)).Count(x => x.First < 0 && x.Second >= 0);

    private static byte[] Written(string program, string words, string file)
    {
        using var process = Process.Start(new ProcessStartInfo(program, words) { RedirectStandardOutput = true, RedirectStandardError = true, UseShellExecute = false })!;
        _ = process.StandardError.ReadToEndAsync();
        using var piped = new MemoryStream();
        process.StandardOutput.BaseStream.CopyTo(piped);
        process.WaitForExit();
        Assert.Equal(0, process.ExitCode);
        return File.Exists(file) ? File.ReadAllBytes(file) : piped.ToArray();
    }
}
