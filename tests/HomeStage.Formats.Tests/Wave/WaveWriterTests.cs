using System.Diagnostics;
using HomeStage.Core.Sound;
using HomeStage.Formats.Wave;
using NAudio.Wave;

namespace HomeStage.Formats.Tests.Wave;

public class WaveWriterTests
{
    private static readonly RenderedSound Sound = Sine();

    [Fact]
    public void Write_Floats_AreReadBackToTheBit()
    {
        using var reader = new WaveFileReader(new MemoryStream(Written(WaveDepth.Float32)));
        var bytes = new byte[reader.Length];
        reader.ReadExactly(bytes);
        var samples = System.Runtime.InteropServices.MemoryMarshal.Cast<byte, float>(bytes).ToArray();

        Assert.Equal(Sound.Left, samples.Where((_, i) => i % 2 == 0));
        Assert.Equal(Sound.Right, samples.Where((_, i) => i % 2 == 1));
        Assert.Equal((48000, 2, 32), (reader.WaveFormat.SampleRate, reader.WaveFormat.Channels, reader.WaveFormat.BitsPerSample));
    }

    [Fact]
    public void Write_24Bits_ErrsByNoMoreThanItsDitherAndItsRounding()
    {
        var errors = Read24().Zip(Sound.Left).Select(x => (x.First - x.Second) * (1 << 23)).ToArray();

        // Dither within ±1 LSB and rounding within ±½.
        Assert.All(errors, e => Assert.InRange(e, -1.5001, 1.5001));
    }

    [Fact]
    public void Write_24Bits_HasTheErrorOfTriangularDither_NoDirectCurrentAndAQuarterLsbSquared()
    {
        var errors = Read24().Zip(Sound.Left).Select(x => (double)(x.First - x.Second) * (1 << 23)).ToArray();

        // Triangular over 2 LSB: variance 1/6; rounding adds 1/12. A standard error of the mean over 48,000 is 0.0023.
        Assert.Equal(0, errors.Average(), 0.01);
        Assert.Equal(1.0 / 6 + 1.0 / 12, errors.Average(e => e * e), 0.01);
    }

    [Fact]
    public void Write_SamplesBeyondFullScale_AreHeldThere()
    {
        var loud = Sound with { Left = [2, -2], Right = [1, -1] };
        using var stream = new MemoryStream();
        WaveWriter.Write(loud, WaveDepth.Int24, stream);

        Assert.Equal([0xFF, 0xFF, 0x7F], stream.ToArray()[44..47]);
        Assert.Equal([0x00, 0x00, 0x80], stream.ToArray()[50..53]);
    }

    [Theory]
    [InlineData(WaveDepth.Int24, "24-bit Signed Integer PCM")]
    [InlineData(WaveDepth.Float32, "32-bit Floating Point PCM")]
    public void Write_IsReadByAGeneralPurposeProgram(WaveDepth depth, string encoding)
    {
        var file = Path.Combine(Path.GetTempPath(), $"{Guid.NewGuid():N}.wav");
        try
        {
            File.WriteAllBytes(file, Written(depth));
            var about = Run("sox", "--i", file);

            Assert.Contains(encoding, about, StringComparison.Ordinal);
            Assert.Contains("48000 samples", about, StringComparison.Ordinal);
        }
        finally
        {
            File.Delete(file);
        }
    }

    private static float[] Read24()
    {
        var bytes = Written(WaveDepth.Int24);
        using var reader = new WaveFileReader(new MemoryStream(bytes));
        var data = new byte[reader.Length];
        reader.ReadExactly(data);
        return [.. Enumerable.Range(0, data.Length / 6).Select(i => (data[6 * i] << 8 | data[6 * i + 1] << 16 | data[6 * i + 2] << 24) / 2147483648f)];
    }

    private static byte[] Written(WaveDepth depth)
    {
        using var stream = new MemoryStream();
        WaveWriter.Write(Sound, depth, stream);
        return stream.ToArray();
    }

    private static string Run(string program, params string[] words)
    {
        using var process = Process.Start(new ProcessStartInfo(program, words) { RedirectStandardOutput = true, UseShellExecute = false })!;
        var said = process.StandardOutput.ReadToEnd();
        process.WaitForExit();
        Assert.Equal(0, process.ExitCode);
        return said;
    }

    private static RenderedSound Sine()
    {
        var left = Enumerable.Range(0, 48000).Select(i => (float)(0.3 * Math.Sin(i * 0.137))).ToArray();
        return new(left, [.. left.Select(s => -s)], 48000, 0);
    }
}
