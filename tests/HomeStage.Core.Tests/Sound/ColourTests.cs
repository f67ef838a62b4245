using HomeStage.Core.Automation;
using HomeStage.Core.Sound.Processors;

namespace HomeStage.Core.Tests.Sound;

/// <summary>Delay, amplifier, pitch correction and the ducker by notes.</summary>
public class ColourTests
{
    [Fact]
    public void PingPong_AnswersLeftThenRight_EachByItsOwnTap()
    {
        var delay = new DelayProcessor(Settings(("left-quarters", 0.5), ("right-quarters", 0.25), ("ping-pong", 1), ("feedback-percent", 50), ("low-cut-hz", 20), ("high-cut-hz", 20000)), 2, Signals.Rate, 120);
        var burst = Signals.Sine(1000, 0.5, 2400).Concat(new float[2 * Signals.Rate]).ToArray();

        var output = Signals.Through(delay, [burst, burst]);

        // At 120 an eighth is 12,000 frames and a sixteenth 6,000.
        double Heard(int lane, int at) => Signals.Amplitude(output[lane].AsSpan(at + 480, 1440), 1000);
        Assert.Equal(0.5, Heard(0, 12000), 0.01);
        Assert.Equal(0.25, Heard(1, 18000), 0.01);
        Assert.Equal(0.125, Heard(0, 30000), 0.01);
        Assert.Equal(0, Heard(1, 6000), 1e-4);
        Assert.Equal(0, Heard(0, 24000), 1e-3);
    }

    [Fact]
    public void Delay_WithoutWidth_IsTheSameOnBothSides()
    {
        var delay = new DelayProcessor(Settings(("width-percent", 0)), 2, Signals.Rate, 120);

        var output = Signals.Through(delay, [Signals.Noise(Signals.Rate, 1), Signals.Noise(Signals.Rate, 2)]);

        Assert.All(Enumerable.Range(0, Signals.Rate), i => Assert.Equal(output[0][i], output[1][i], 1e-6));
    }

    [Theory]
    [InlineData(60, 24000)]
    [InlineData(240, 6000)]
    public void Delay_WhenTheTempoChanges_TapsAtTheNewNoteValue(double tempoBpm, int expected)
    {
        var delay = new DelayProcessor(Settings(("left-quarters", 0.5), ("feedback-percent", 0)), 1, Signals.Rate, 120);
        Signals.Through(delay, new float[100]);
        delay.SetTempo(tempoBpm);
        Signals.Through(delay, new float[2400]);

        Assert.Equal(expected, Array.IndexOf(Signals.Through(delay, Signals.Impulse(Signals.Rate)), 1f));
    }

    [Fact]
    public void Amplifier_Driven_HasEvenAndOddHarmonics_AndNoOffset()
    {
        var output = Signals.Through(Amplifier(("drive-db", 24), ("cabinet", 0)), Signals.Sine(200, 0.3, 2 * Signals.Rate));
        var steady = output.AsSpan(Signals.Rate);

        var one = Signals.Amplitude(steady, 200);
        Assert.True(Signals.Db(Signals.Amplitude(steady, 400) / one) > -40);
        Assert.True(Signals.Db(Signals.Amplitude(steady, 600) / one) > -30);
        Assert.Equal(0, steady.ToArray().Average(), 1e-4);
    }

    [Fact]
    public void Cabinet_Takes24DbAnOctaveOff_AboveItsCorner()
    {
        double At(double hz, double cabinet) =>
            Signals.Amplitude(Signals.Through(Amplifier(("drive-db", 0), ("cabinet", cabinet)), Signals.Sine(hz, 0.001, Signals.Rate)).AsSpan(Signals.Rate / 2), hz);

        var octave = Signals.Db(At(16000, 1) / At(16000, 0)) - Signals.Db(At(8000, 1) / At(8000, 0));
        // Steeper than the analogue slope: the bilinear transform pulls the end of the band down.
        Assert.InRange(octave, -60, -24);
        Assert.InRange(Signals.Db(At(1000, 1) / At(1000, 0)), -1.5, 1.5);
    }

    [Theory]
    [InlineData(110, 0)]
    [InlineData(196.5, 0)]
    [InlineData(440, 0.6)]
    [InlineData(805, 0.3)]
    public void PitchFinder_FindsTheRepetition_OfAVoiceWithOvertones(double hz, double second)
    {
        var finder = new PitchFinder(Signals.Rate);
        var found = 0.0;
        for (var i = 0; i < Signals.Rate / 4; i++)
            found = finder.Next((float)(0.3 * (Math.Sin(2 * Math.PI * hz * i / Signals.Rate) + second * Math.Sin(4 * Math.PI * hz * i / Signals.Rate + 1))));

        // A tenth of a semitone.
        Assert.Equal(0, 12 * Math.Log2(found / hz), 0.1);
    }

    [Fact]
    public void PitchFinder_OfNoise_FindsNone()
    {
        var finder = new PitchFinder(Signals.Rate);

        Assert.True(Signals.Noise(Signals.Rate / 2).Count(s => finder.Next(s) > 0) < Signals.Rate / 20);
    }

    /// <summary>Equal temperament, A at 440 Hz; the notes of D major are D E F♯ G A B C♯.</summary>
    [Theory]
    [InlineData(450, 1, 440)]
    [InlineData(344, 1, 349.228)]
    [InlineData(344, 0, 329.628)]
    [InlineData(351.5, 0, 369.994)]
    public void PitchCorrection_DrawsAVoiceToTheNearestNoteOfTheScale(double sungHz, double everySemitone, double expectedHz)
    {
        var corrector = new PitchCorrectionProcessor(Settings(("rate-ms", 5), ("scale", everySemitone)), 1, Signals.Rate, new MusicalKey(2, Minor: false));

        var output = Signals.Through(corrector, Signals.Sine(sungHz, 0.5, 2 * Signals.Rate));

        Assert.Equal(expectedHz, Frequency(output.AsSpan(Signals.Rate)), expectedHz * 0.006);
    }

    [Fact]
    public void PitchCorrection_OfWhatHasNoPitch_OnlyDelays()
    {
        var corrector = new PitchCorrectionProcessor(Map<double>.Empty, 1, Signals.Rate, null);
        var late = (int)(PitchCorrectionProcessor.LatencyMs * Signals.Rate / 1000);

        Assert.Equal(1f, Signals.Through(corrector, Signals.Impulse(9600))[late]);
    }

    [Fact]
    public void Ducker_DrawsItsCurve_FromEachRestart()
    {
        var trigger = new NoteTrigger([], null, [new(0, 1), new(0.5, 1), new(1, 0)]);
        var ducker = new DuckerProcessor(Settings(("depth-db", 20), ("length-quarters", 1)), trigger, new(Signals.Rate, 120) { Restarts = [4800, 48000] });

        var gains = Signals.Through(ducker, [.. Enumerable.Repeat(1f, 96000)]);

        // A quarter at 120 is 24,000 frames: down by 20 dB for the first half, half way back at three quarters.
        // It is down at the hit itself: the glide of 2 ms lies before it.
        Assert.Equal(1, gains[4800 - 97]);
        Assert.Equal(-10, Signals.Db(gains[4800 - 48]), 0.01);
        Assert.Equal(-20, Signals.Db(gains[4800]), 0.001);
        Assert.Equal(-20, Signals.Db(gains[4800 + 6000]), 0.001);
        Assert.Equal(-10, Signals.Db(gains[4800 + 18000]), 0.001);
        Assert.Equal(0, Signals.Db(gains[4800 + 24000]), 0.001);
        Assert.Equal(-20, Signals.Db(gains[48000]), 0.001);
    }

    [Fact]
    public void Ducker_IsNowhereFurtherThanHalfAMillisecondFromItsCurve_BetweenTheGlides()
    {
        // A quarter at 120 is half a second; the hits are a third of it apart, so each curve is cut off by the next.
        long[] hits = [0, 8000, 16000, 24000];
        var curve = new ShapePoint[] { new(0, 0.8), new(0.03, 1), new(0.2, 0.3), new(1, 0) };
        var ducker = new DuckerProcessor(Settings(("depth-db", 24), ("length-quarters", 1)), new NoteTrigger([], null, [.. curve]), new(Signals.Rate, 120) { Restarts = hits });

        var gains = Signals.Through(ducker, [.. Enumerable.Repeat(1f, 40000)]);

        foreach (var frame in Enumerable.Range(0, 40000).Where(f => !hits.Any(h => h > f && h - f <= 96)))
        {
            var since = frame - hits.Last(h => h <= frame);
            // By lines between the drawn points, half a millisecond (24 frames) to either side.
            var around = Enumerable.Range(-24, 49).Select(d => Drawn(Math.Max(0, since + d) / 24000.0)).ToList();
            Assert.InRange(-Signals.Db(gains[frame]), around.Min() - 0.001, around.Max() + 0.001);
        }

        double Drawn(double place)
        {
            var next = Array.FindIndex(curve, p => p.Place >= place);
            if (next <= 0)
                return 24 * (next < 0 ? curve[^1].Value : curve[0].Value);
            var (a, b) = (curve[next - 1], curve[next]);
            return 24 * (a.Value + (b.Value - a.Value) * (place - a.Place) / (b.Place - a.Place));
        }
    }

    private static AmplifierProcessor Amplifier(params (string Id, double Value)[] values) => new(Settings(values), 1, Signals.Rate);

    /// <summary>By the places where it rises through zero.</summary>
    private static double Frequency(ReadOnlySpan<float> samples)
    {
        var crossings = new List<double>();
        for (var i = 1; i < samples.Length; i++)
            if (samples[i - 1] < 0 && samples[i] >= 0)
                crossings.Add(i - samples[i] / (samples[i] - samples[i - 1]));
        var periods = crossings.Zip(crossings.Skip(1), (a, b) => b - a).Order().ToList();
        return Signals.Rate / periods[periods.Count / 2];
    }

    private static Map<double> Settings(params (string Id, double Value)[] values) =>
        values.Aggregate(Map<double>.Empty, (map, v) => map.With(v.Id, v.Value));
}
