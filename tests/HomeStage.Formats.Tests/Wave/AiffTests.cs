using HomeStage.Core.Media;
using HomeStage.Formats.Aiff;
using HomeStage.Formats.Wave;

namespace HomeStage.Formats.Tests.Wave;

/// <summary>AIFF files as common encoders write them by default, against the WAVE files that the same encoder writes of the same sound.</summary>
public sealed class AiffTests(Encoders encoders) : IClassFixture<Encoders>
{
    private const string Sound = "-f lavfi -i sine=frequency=313:duration=0.37:sample_rate=44100";

    [Theory]
    [InlineData("pcm_s16be", "pcm_s16le", 1)]
    [InlineData("pcm_s16be", "pcm_s16le", 2)]
    [InlineData("pcm_s16le", "pcm_s16le", 2)] // "sowt": AIFF-C with the other order of bytes
    [InlineData("pcm_s24be", "pcm_s24le", 1)]
    [InlineData("pcm_s24be", "pcm_s24le", 2)]
    [InlineData("pcm_s32be", "pcm_s32le", 2)]
    [InlineData("pcm_f32be", "pcm_f32le", 1)]
    [InlineData("pcm_f64be", "pcm_f64le", 2)]
    [InlineData("pcm_s8", "pcm_u8", 1)]
    [InlineData("pcm_s8", "pcm_u8", 2)]
    [InlineData("pcm_u8", "pcm_u8", 1)] // "raw ": AIFF-C without a sign
    public void ToWave_OfWhatAnEncoderWrites_HasTheSamplesOfItsWaveFile(string aiff, string wave, int lanes)
    {
        var filter = $"-af pan={(lanes == 1 ? "mono|c0=0.7*c0" : "stereo|c0=0.7*c0|c1=-0.31*c0")}";
        var ours = Read(encoders.Encoded("ffmpeg", $"{Sound} {filter} -c:a {aiff}", "a.aiff"));
        var theirs = Read(encoders.Encoded("ffmpeg", $"{Sound} {filter} -c:a {wave}", "b.wav"));

        Assert.Equal((44100, lanes), (ours.SampleRateHz, ours.Lanes.Count));
        Assert.Equal(theirs.Lanes.Select(l => l.ToArray()), ours.Lanes.Select(l => l.ToArray()));
    }

    [Theory]
    [InlineData(".aiff")]
    [InlineData(".aifc")]
    public void ToWave_OfASecondEncodersDefault_HasTheSamplesOfItsWaveFile(string ending)
    {
        const string synth = "-R -n -r 48000 -c 2 -b 16";
        var ours = Read(encoders.Encoded("sox", synth, $"a{ending}", "synth 0.21 sawtooth 97 triangle 203 gain -7"));
        var theirs = Read(encoders.Encoded("sox", synth, "b.wav", "synth 0.21 sawtooth 97 triangle 203 gain -7"));

        Assert.Equal(48000, ours.SampleRateHz);
        Assert.Equal(theirs.Lanes.Select(l => l.ToArray()), ours.Lanes.Select(l => l.ToArray()));
    }

    [Fact]
    public void ToWave_OfAFileThatBreaksOff_SaysSo_WhereverItIsCut()
    {
        var file = encoders.Encoded("ffmpeg", $"{Sound} -c:a pcm_s16be", "a.aiff");

        for (var length = 12; length < file.Length; length += Math.Max(1, (file.Length - 200) / 40))
            Assert.IsType<FormatResult<ReadOnlyMemory<byte>>.Refused>(AiffFile.ToWave(file.AsSpan(0, length)));
    }

    [Theory]
    [InlineData("a.flac", "FLAC")]
    [InlineData("a.ogg", "Ogg")]
    [InlineData("a.mp3", "MP3")]
    [InlineData("a.m4a", "MP4")]
    public void AsWave_OfWhatCannotBeRead_NamesIt(string name, string kind)
    {
        var file = encoders.Encoded("ffmpeg", Sound, name);

        Assert.Contains(kind, Assert.IsType<FormatResult<ReadOnlyMemory<byte>>.Refused>(BroughtSound.AsWave(file)).Sentence, StringComparison.Ordinal);
    }

    private static MediaSound Read(byte[] file) => Assert.IsType<FormatResult<MediaSound>.Read>(
        BroughtSound.AsWave(file).Match(wave => WaveReader.Read(wave.Span), wrong => throw new InvalidDataException(wrong.Sentence))).Value;
}
