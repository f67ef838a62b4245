using HomeStage.Core.Sound.Instruments;

namespace HomeStage.Core.Tests.Sound;

public class KeyToneTests
{
    private const int Rate = 48000;

    /// <summary>A note of 100 ms at 0 dBFS and 1 kHz.</summary>
    [Theory]
    [InlineData(0, 0, 0, 100)]
    [InlineData(10, 0, 0, 100)]
    [InlineData(0, 40, 0, 40)]
    [InlineData(5, 30, 20, 50)]
    [InlineData(0, 0, 50, 150)]
    public void AHit_RisesHoldsAndFallsAsItIsSet(double attackMs, double holdMs, double releaseMs, double wholeMs)
    {
        var settings = Map<double>.Empty.With("tone-hz", 1000).With("level-db", 0).With("attack-ms", attackMs).With("hold-ms", holdMs).With("release-ms", releaseMs);
        var voice = new KeyToneVoice(new NoteEvent(0, Rate / 10, 60, 100, 0), settings, Rate);

        Assert.Equal((long)(wholeMs * Rate / 1000), voice.LengthFrames);
        var sound = Heard(voice);
        var hold = holdMs > 0 ? holdMs : 100;
        for (var i = 0; i < (int)voice.LengthFrames; i++)
        {
            // A sine under a half cosine up and one down, from their definitions.
            var ms = i / 48.0;
            var share = Share(ms / attackMs) * (ms < hold ? 1 : Share(1 - (ms - hold) / releaseMs));
            Assert.Equal(share * Math.Sin(2 * Math.PI * ms), sound[i], 1e-4);
        }
    }

    private static double Share(double of) => double.IsNaN(of) || of >= 1 ? 1 : of <= 0 ? 0 : (1 - Math.Cos(Math.PI * of)) / 2;

    private static float[] Heard(KeyToneVoice voice)
    {
        var sound = new float[(voice.LengthFrames + IVoice.Chunk - 1) / IVoice.Chunk * IVoice.Chunk];
        var right = new float[IVoice.Chunk];
        for (var at = 0; at < sound.Length; at += IVoice.Chunk)
            voice.Next(sound.AsSpan(at, IVoice.Chunk), right);
        return sound;
    }
}
