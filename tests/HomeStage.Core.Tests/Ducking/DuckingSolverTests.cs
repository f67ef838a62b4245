using HomeStage.Core.Automation;
using HomeStage.Core.Catalogue;
using HomeStage.Core.Ducking;
using HomeStage.Core.Editing;
using HomeStage.Core.Sound;
using HomeStage.Core.Templates;
using HomeStage.TestKit;
using static HomeStage.TestKit.Stages;

namespace HomeStage.Core.Tests.Ducking;

/// <summary>From what somebody asks for to settings that do it, held against the rendered sound by other means.</summary>
public class DuckingSolverTests
{
    private const int Rate = 48000;
    private static readonly ChannelId Ducked = new("ducked");
    private static readonly KeyInput Key = new(true);

    /// <summary>A sine of some length on each hit, as a key tone gives it.</summary>
    private static KeySignal Tones(double everyMs, double lengthMs, double hertz = 100, int count = 4, double levelDb = -6, double[]? levels = null)
    {
        var signal = new float[(int)(everyMs * count * Rate / 1000)];
        var hits = Enumerable.Range(0, count).Select(i => (long)(i * everyMs * Rate / 1000)).ToList();
        foreach (var (hit, i) in hits.Select((h, i) => (h, i)))
            for (var f = 0; f < lengthMs * Rate / 1000 && hit + f < signal.Length; f++)
                signal[hit + f] = (float)(Math.Pow(10, (levels?[i] ?? levelDb) / 20) * Math.Sin(2 * Math.PI * hertz * f / Rate));
        return new(signal, signal, hits, Rate);
    }

    public static TheoryData<double, double, double, bool> Asks()
    {
        var asks = new TheoryData<double, double, double, bool>();
        foreach (var bpm in Runs.AreLong ? new double[] { 20, 40, 73.5, 120, 174, 400 } : [20, 120, 174])
            foreach (var depth in Runs.AreLong ? new double[] { 1, 2, 3.5, 6, 9, 12, 24 } : [1, 6, 24])
                foreach (var share in new[] { 0.3, 0.7 })
                    asks.Add(bpm, depth, share, depth % 2 == 0);
        return asks;
    }

    [Theory]
    [MemberData(nameof(Asks))]
    public void AnAsk_ThatLiesInsideTheRanges_IsMet(double bpm, double depthDb, double shareOfTheBeat, bool soft)
    {
        var beat = 60000 / bpm;
        var ask = new DuckingAsk(depthDb, shareOfTheBeat * beat, 0, soft);

        var answer = DuckingSolver.Solve(ask, Map<double>.Empty, Key, Tones(beat, Math.Min(30, beat / 8)));

        Assert.Null(answer.Limit);
        Assert.Equal(depthDb, answer.Measured.DepthDb, DuckingAnswer.DepthToleranceDb);
        Assert.Equal(ask.BackMs, answer.Measured.BackMs!.Value, DuckingAnswer.BackToleranceMs);
        Assert.True(answer.Measured.Recovers);
        Assert.Null(new SetSettings(Ducked, new("comp"), answer.Settings).ApplyTo(Stage()) is EditResult.Refused refused ? refused.Why : null);
    }

    [Fact]
    public void TheAnswer_IsWhatTheRenderedSoundDoes_ByTheEnvelopeOfTheFile()
    {
        var stage = Stage();
        var (key, _) = KeySignal.Of(stage, stage.Acts[0].Id, "song", Ducked, new("comp"));
        var ask = new DuckingAsk(7, 180);

        var answer = DuckingSolver.Solve(ask, stage.Channels[Ducked].Inserts[0].Settings, stage.Channels[Ducked].Inserts[0].Key, key!);
        var solved = stage.With(new SetSettings(Ducked, new("comp"), answer.Settings));

        Assert.Null(answer.Limit);
        // A steady tone of 1 kHz goes through: its level over a period and a half, with the ducker and without.
        var (with, without) = (Renderer.Render(solved, new(InMix, Ducked)).Left, Renderer.Render(stage.With(new ParkInsert(Ducked, new("comp"), [InMix])), new(InMix, Ducked)).Left);
        var taken = Enumerable.Range(0, 500).Select(ms => Level(without, ms) - Level(with, ms)).ToList();
        Assert.Equal(7, taken.Max(), 0.2);
        Assert.Equal(180, taken.FindLastIndex(db => db > 1), 2.5);

        static double Level(float[] sound, int ms) => 20 * Math.Log10(sound[(Rate / 2 + ms * 48)..(Rate / 2 + ms * 48 + 72)].Max(Math.Abs));
    }

    [Theory]
    [InlineData(9, 200, 0, false)]
    [InlineData(14, 330, 40, false)]
    [InlineData(6, 250, 0, true)]
    public void ByNotes_TheRenderedSound_IsDownAtTheHitAndBackAsAsked_ByItsEnvelope(double depthDb, double backMs, double stayMs, bool soft)
    {
        var (settings, trigger) = NoteDucking.Solve(new(depthDb, backMs, stayMs, soft), Map<double>.Empty, NoteTrigger.Plain, 120)!.Value;
        var tone = OneBar(Tone("ducked", "mix-bus"));
        var ducked = tone.With(new AddInsert(Ducked, Insert("room", ProcessorCatalogue.Ducker) with { Settings = settings, Trigger = trigger }));

        // Around the second hit, half a second in: its level over a period and a half of 1 kHz, with the ducker and without.
        var (with, without) = (Renderer.Render(ducked, new(InMix, Ducked)).Left, Renderer.Render(tone, new(InMix, Ducked)).Left);
        var taken = Enumerable.Range(0, 490).Select(ms => Level(without, ms) - Level(with, ms)).ToList();

        Assert.Equal(depthDb, taken[0], 0.2 + depthDb / backMs);
        Assert.Equal(depthDb, taken.Max(), 0.2 + depthDb / backMs);
        Assert.True(taken.Take((int)stayMs).All(db => db > depthDb - 0.3));
        Assert.Equal(backMs, taken.FindLastIndex(db => db > Math.Min(1, depthDb / 4)), 2.5);

        static double Level(float[] sound, int ms) => 20 * Math.Log10(sound[(Rate / 2 + ms * 48)..(Rate / 2 + ms * 48 + 72)].Max(Math.Abs));
    }

    [Fact]
    public void WhereTheNextHitComesFirst_ItSaysSo_AndOffersWhatIsBackBeforeIt()
    {
        var answer = DuckingSolver.Solve(new(6, 600), Map<double>.Empty, Key, Tones(500, 30));

        Assert.Equal(DuckingLimit.NextHit, answer.Limit);
        Assert.InRange(answer.Measured.BackMs!.Value, 490, 500);
        Assert.Equal(6, answer.Nearest.DepthDb, 0.2);
    }

    [Fact]
    public void WhereTheKeyLastsLonger_ItSaysSo_AndNoSettingOfAGridIsBackSooner()
    {
        var key = Tones(500, 200);
        var ask = new DuckingAsk(6, 100);

        var answer = DuckingSolver.Solve(ask, Map<double>.Empty, Key, key);

        Assert.Equal(DuckingLimit.KeyLasts, answer.Limit);
        Assert.True(answer.Nearest.BackMs >= 195);
        Assert.DoesNotContain(Grid(key), read => Math.Abs(read.DepthDb - 6) <= 0.2 && read.BackMs <= 102);
    }

    [Fact]
    public void WhereTheKeyIsTooSoft_ItSaysSo_AndNoSettingOfAGridGoesAsDeep()
    {
        var key = Tones(500, 30, levelDb: -52);
        var ask = new DuckingAsk(18, 250);

        var answer = DuckingSolver.Solve(ask, Map<double>.Empty, Key, key);

        Assert.Equal(DuckingLimit.Depth, answer.Limit);
        Assert.InRange(answer.Nearest.DepthDb, 5, 8);
        Assert.DoesNotContain(Grid(key), read => read.DepthDb > 18 - 0.2);
    }

    [Fact]
    public void WhereTheLongestReleaseIsOverSooner_ItSaysSo()
    {
        var answer = DuckingSolver.Solve(new(1, 12000), Map<double>.Empty, Key, Tones(15000, 30, count: 1));

        Assert.Equal(DuckingLimit.Release, answer.Limit);
        Assert.Equal(1, answer.Nearest.DepthDb, 0.2);
    }

    [Fact]
    public void WithoutAKey_ItSaysSo() => Assert.Equal(DuckingLimit.NoKey, DuckingSolver.Solve(new(6, 100), Map<double>.Empty, Key, Tones(500, 0)).Limit);

    [Fact]
    public void TheDepth_IsThatOfTheLoudestHit_AndTheSoftestIsReported()
    {
        var answer = DuckingSolver.Solve(new(9, 200), Map<double>.Empty, Key, Tones(500, 30, levels: [-12, -6, -18, -9]));

        Assert.Null(answer.Limit);
        Assert.Equal(9, answer.Measured.DepthDb, 0.2);
        Assert.Equal(1, answer.Measured.Hits.Select(h => h.DepthDb).ToList().FindIndex(d => d == answer.Measured.DepthDb));
        Assert.True(answer.Measured.LeastDepthDb < 6);
    }

    [Theory]
    [InlineData(90, 0)]
    [InlineData(0, 4000)]
    public void AKeyFilter_IsAllowedFor(double lowCut, double highCut)
    {
        var filter = new KeyInput(true, lowCut > 0 ? lowCut : null, highCut > 0 ? highCut : null);

        var answer = DuckingSolver.Solve(new(5, 160), Map<double>.Empty, filter, Tones(500, 40, hertz: 62));

        Assert.Null(answer.Limit);
        Assert.Equal(5, Detection.Read(answer.Settings, filter, Tones(500, 40, hertz: 62)).DepthDb, 0.2);
    }

    /// <summary>Hard settings over their ranges, as a second way to find what is possible.</summary>
    private static IEnumerable<DuckingReading> Grid(KeySignal key) =>
        from threshold in new double[] { -60, -54, -48, -40, -32, -24, -18, -12, -9, -7 }
        from ratio in new double[] { 2, 4, 8, 20 }
        from release in new double[] { 5, 20, 80 }
        from hold in new double[] { 5, 10 }
        select Detection.Read(
            Map<double>.Empty.With("threshold-db", threshold).With("ratio", ratio).With("release-ms", release).With("hold-ms", hold).With("attack-ms", 0.1).With("knee-db", 0), Key, key);

    /// <summary>A trigger on every quarter at 120, and a steady tone that it ducks.</summary>
    private static Template Stage() => OneBar(
        Trigger("pulse"), Tone("ducked", "mix-bus", ChannelFormat.Stereo, Insert("comp", ProcessorCatalogue.Compressor)),
        new SetKey(Ducked, new("comp"), Key), new PutFeed(new("pulse"), new(Ducked, new("comp"), new(0), TapPoint.Pre)));
}
