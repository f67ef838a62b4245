using System.Buffers.Binary;
using HomeStage.Core.Media;
using HomeStage.Formats.Wave;

namespace HomeStage.Formats.Tests.Wave;

/// <summary>WAVE files that are packed as few are (8 bits of old samplers, 64-bit floating point, the laws of ITU-T G.711), against what
/// the encoder that wrote them makes of them itself.</summary>
public sealed class SeldomWaveTests(Encoders encoders) : IClassFixture<Encoders>
{
    private const string Sound = "-f lavfi -i sine=frequency=313:duration=0.37:sample_rate=22050 -af pan=stereo|c0=0.7*c0|c1=-0.31*c0";

    [Theory]
    [InlineData("pcm_u8")]
    [InlineData("pcm_f64le")]
    [InlineData("pcm_alaw")]
    [InlineData("pcm_mulaw")]
    public void AsWave_OfASeldomPacking_HasTheSamplesThatItsEncoderReadsFromIt(string coding)
    {
        var file = encoders.Encoded("ffmpeg", $"{Sound} -c:a {coding}", "seldom.wav");
        var theirs = Sounds(encoders.Encoded("ffmpeg", $"-i {encoders.PathOf("seldom.wav")} -c:a pcm_f32le", "read.wav"));

        var wave = Assert.IsType<FormatResult<ReadOnlyMemory<byte>>.Read>(BroughtSound.AsWave(file)).Value;

        // What is kept is floating point of 32 bits by its header, and what reads it without the door reads the same.
        Assert.Equal((3, 32), (BinaryPrimitives.ReadUInt16LittleEndian(wave.Span[20..]), BinaryPrimitives.ReadUInt16LittleEndian(wave.Span[34..])));
        Assert.Equal((22050, 2), (theirs.SampleRateHz, theirs.Lanes.Count));
        Assert.Contains(theirs.Lanes[0], s => Math.Abs(s) > 0.08f);
        Assert.Equal(theirs.Lanes.Select(l => l.ToArray()), Sounds(wave.ToArray()).Lanes.Select(l => l.ToArray()));
        Assert.Equal(theirs.Lanes.Select(l => l.ToArray()), Sounds(file).Lanes.Select(l => l.ToArray()));
    }

    [Theory]
    [InlineData("pcm_s16le")]
    [InlineData("pcm_s24le")]
    [InlineData("pcm_s32le")]
    [InlineData("pcm_f32le")]
    public void AsWave_OfAUsualPacking_IsTheFileItself(string coding)
    {
        var file = encoders.Encoded("ffmpeg", $"{Sound} -c:a {coding}", "usual.wav");

        Assert.Equal(file, Assert.IsType<FormatResult<ReadOnlyMemory<byte>>.Read>(BroughtSound.AsWave(file)).Value.ToArray());
    }

    [Fact]
    public void AsWave_OfWhatAStudioHasNoUseFor_IsLeftToBeRefused()
    {
        var file = encoders.Encoded("ffmpeg", $"{Sound} -c:a adpcm_ms", "packed.wav");

        Assert.Equal("wave-format", Assert.IsType<FormatResult<MediaSound>.Refused>(
            BroughtSound.AsWave(file).Match(wave => WaveReader.Read(wave.Span), wrong => new FormatResult<MediaSound>.Refused(wrong.Code, wrong.Sentence))).Code);
    }

    private static MediaSound Sounds(byte[] wave) => Assert.IsType<FormatResult<MediaSound>.Read>(WaveReader.Read(wave)).Value;
}
