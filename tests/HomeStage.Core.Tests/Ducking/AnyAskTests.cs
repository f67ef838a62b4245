using System.Globalization;
using HomeStage.Core.Ducking;
using HomeStage.Core.Strips;
using HomeStage.Core.Templates;
using HomeStage.TestKit;

namespace HomeStage.Core.Tests.Ducking;

/// <summary>Asks by chance, over all tempos and depths: what the closed form can do is met, and the rest is refused for a reason that is there.</summary>
public class AnyAskTests
{
    private const int Rate = 48000;
    private const double ToneHertz = 100;
    private static readonly KeyInput Key = new(true);

    [Fact]
    public void AnyAsk_IsMetWhereTheClosedFormLiesInsideTheRanges_AndLimitedForItsReasonElsewhere()
    {
        var chance = new Random(20261128);
        var counts = new SortedDictionary<string, int>(StringComparer.Ordinal);
        for (var i = 0; i < Runs.Of(40, 600); i++)
        {
            var beatMs = 60000 / (20 * Math.Pow(20, chance.NextDouble()));
            var toneMs = Math.Min(beatMs / 4, 12 + chance.NextDouble() * 60);
            var levelDb = -40 + chance.NextDouble() * 40;
            var ask = new DuckingAsk(1 + chance.NextDouble() * 23, beatMs * (0.05 + chance.NextDouble() * 1.2), chance.Next(3) == 0 ? chance.NextDouble() * 40 : 0, chance.Next(4) == 0);
            var said = FormattableString.Invariant($"ask {i}: {ask} at {levelDb:0.0} dBFS, {toneMs:0.0} ms every {beatMs:0.0} ms");

            var answer = DuckingSolver.Solve(ask, Map<double>.Empty, Key, Tones(beatMs, toneMs, levelDb));

            var kind = answer.Limit?.ToString() ?? "met";
            counts[kind] = counts.GetValueOrDefault(kind) + 1;
            if (answer.Limit is null)
            {
                Assert.True(Math.Abs(answer.Measured.DepthDb - ask.DepthDb) <= DuckingAnswer.DepthToleranceDb, $"{said}: {answer.Measured.DepthDb} dB");
                Assert.True(answer.Measured.BackMs is { } back && Math.Abs(back - ask.BackMs) <= DuckingAnswer.BackToleranceMs, $"{said}: back after {answer.Measured.BackMs} ms");
            }

            Assert.False(answer.Limit is not null && IsInside(ask, beatMs, toneMs, levelDb), $"{said}: {answer.Limit} at {answer.Nearest}");
            Assert.True(answer.Limit is not DuckingLimit.NextHit || ask.BackMs > beatMs - 4, $"{said}: the next hit comes later.");
            // Gently is an attack of 5 ms with a knee of 6 dB: a short tone does not bring it all the way.
            var reached = StaticMostDb(levelDb) * (ask.Soft ? 1 - Math.Exp(-toneMs / 5) : 1);
            Assert.True(answer.Limit is not DuckingLimit.Depth || reached < ask.DepthDb + (ask.Soft ? 3 : 1), $"{said}: the key is loud enough.");
        }

        Assert.True(counts.GetValueOrDefault("met") > Runs.Of(40, 600) / 4, "Too few are met for the test to say anything.");
        Figures.Say("Asks of ducking by chance: " + string.Join(", ", counts.Select(c => string.Create(CultureInfo.InvariantCulture, $"{c.Value} {c.Key}"))));
    }

    /// <summary>By (1 − 1/R)·(L − T) and tone + hold + τ·ln(D/r), with room at every end: the lowest tone keeps its half period, the
    /// detector an attack, and the release must be slow enough that it is the release which brings it back.</summary>
    private static bool IsInside(DuckingAsk ask, double beatMs, double toneMs, double levelDb)
    {
        var holdMs = Math.Ceiling(Math.Max(ask.StayMs, 500 / ToneHertz));
        var release = (ask.BackMs - toneMs - holdMs) / Math.Log(ask.DepthDb / DuckerLaw.NearRestDb(ask.DepthDb));
        return ask.BackMs < beatMs - 5 && release is > 10 and < 4500 && StaticMostDb(levelDb) > ask.DepthDb + (ask.Soft ? 6 : 2) && (!ask.Soft || toneMs > 25);
    }

    /// <summary>At the lowest threshold of −60 dB and the largest ratio of 20.</summary>
    private static double StaticMostDb(double levelDb) => (1 - 1 / 20.0) * (levelDb + 60);

    private static KeySignal Tones(double everyMs, double lengthMs, double levelDb)
    {
        const int Count = 3;
        var signal = new float[(int)(everyMs * Count * Rate / 1000)];
        List<long> hits = [.. Enumerable.Range(0, Count).Select(i => (long)(i * everyMs * Rate / 1000))];
        foreach (var hit in hits)
            for (var f = 0; f < lengthMs * Rate / 1000 && hit + f < signal.Length; f++)
                signal[hit + f] = (float)(Math.Pow(10, levelDb / 20) * Math.Sin(2 * Math.PI * ToneHertz * f / Rate));
        return new(signal, signal, hits, Rate);
    }
}
