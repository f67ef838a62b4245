using HomeStage.Core.Media;
using HomeStage.Core.Sound;
using HomeStage.Formats.Wave;

namespace HomeStage.Formats.Tests.Wave;

public class WaveReaderTests
{
    private static readonly RenderedSound Sound = new([0, 0.5f, -0.25f, 1], [0.125f, -1, 0, 0.75f], 44100, 0);

    [Fact]
    public void Read_Floats_GivesThemToTheBit()
    {
        var read = Assert.IsType<FormatResult<MediaSound>.Read>(WaveReader.Read(Written(WaveDepth.Float32))).Value;

        Assert.Equal(44100, read.SampleRateHz);
        Assert.Equal(Sound.Left, read.Lanes[0]);
        Assert.Equal(Sound.Right, read.Lanes[1]);
    }

    [Fact]
    public void Read_24Bits_GivesThemWithinTheirDitherAndRounding()
    {
        var read = Assert.IsType<FormatResult<MediaSound>.Read>(WaveReader.Read(Written(WaveDepth.Int24))).Value;

        Assert.All(read.Lanes[0].Zip(Sound.Left), x => Assert.Equal(x.Second, x.First, 2f / (1 << 23)));
    }

    [Fact]
    public void Read_SixteenBitsMono_OfAWriterThatIsNotOurs_GivesItsSamples()
    {
        // The 44-byte header of the RIFF/WAVE specification (Microsoft and IBM, 1991), written out: one lane, 8,000 Hz, two samples.
        byte[] file =
        [
            .. "RIFF"u8, 40, 0, 0, 0, .. "WAVEfmt "u8, 16, 0, 0, 0, 1, 0, 1, 0, 0x40, 0x1F, 0, 0, 0x80, 0x3E, 0, 0, 2, 0, 16, 0,
            .. "data"u8, 4, 0, 0, 0, 0x00, 0x40, 0x00, 0xC0,
        ];

        var read = Assert.IsType<FormatResult<MediaSound>.Read>(WaveReader.Read(file)).Value;

        Assert.Equal((8000, 1), (read.SampleRateHz, read.Lanes.Count));
        Assert.Equal([0.5f, -0.5f], read.Lanes[0]);
    }

    [Theory]
    [InlineData(22, 6, "wave-lanes")]
    [InlineData(20, 2, "wave-format")]
    [InlineData(34, 12, "wave-format")]
    public void Read_WhatItCannot_SaysWhy(int place, byte value, string code)
    {
        var file = Written(WaveDepth.Int24);
        file[place] = value;

        Assert.Equal(code, Assert.IsType<FormatResult<MediaSound>.Refused>(WaveReader.Read(file)).Code);
    }

    [Fact]
    public void Read_DamagedFiles_AnswersEachWithASoundOrARefusal()
    {
        var whole = Written(WaveDepth.Int24);
        var random = new Random(5);
        for (var i = 0; i < 3000; i++)
        {
            var damaged = whole[..random.Next(1, whole.Length + 1)];
            for (var k = random.Next(4); k > 0; k--)
                damaged[random.Next(damaged.Length)] = (byte)random.Next(256);

            switch (WaveReader.Read(damaged))
            {
                case FormatResult<MediaSound>.Read read:
                    Assert.All(read.Value.Lanes, l => Assert.All(l, s => Assert.True(float.IsFinite(s))));
                    break;
                case FormatResult<MediaSound>.Refused refused:
                    Assert.NotEmpty(refused.Sentence);
                    break;
            }
        }
    }

    private static byte[] Written(WaveDepth depth)
    {
        using var stream = new MemoryStream();
        WaveWriter.Write(Sound, depth, stream);
        return stream.ToArray();
    }
}
