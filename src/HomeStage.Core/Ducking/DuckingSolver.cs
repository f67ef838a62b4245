using HomeStage.Core.Catalogue;
using HomeStage.Core.Controls;
using HomeStage.Core.Strips;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Ducking;

/// <summary>From "this deep, back by then" to the settings of a compressor, by running its own detector on its own key.</summary>
/// <remarks>The closed form begins it: static depth (1 − 1/R)·(L − T) above the knee, and a release that is exponential in dB, so that it is back after
/// hold + τ·ln(D/r). The detector leaves its own offset, so threshold and release are then halved in on it.</remarks>
public static class DuckingSolver
{
    private const int Halvings = 15;
    private const int Rounds = 6;
    private const int Leading = 4;
    private const double LeadingSeconds = 4;
    private const double EqualDb = 0.05;
    private const double HardAttackMs = 0.5;
    private const double SoftAttackMs = 5;
    private const double SoftKneeDb = 6;
    private const double GapBeforeNextMs = 3;
    private static readonly double[] Ratios = [4, 8, 20];

    /// <param name="settings">Of the compressor; what is not solved for stays.</param>
    /// <param name="key">Its key input.</param>
    public static DuckingAnswer Solve(DuckingAsk ask, Map<double> settings, KeyInput? key, KeySignal signal)
    {
        if (signal.Left.Length == 0 || double.IsNegativeInfinity(signal.PeakDbfs))
            return new(settings, new([], 0, 0, null, 0), DuckingLimit.NoKey, ask);
        var window = LoudestHit(settings, key, signal);
        var (asked, limit) = (ask, (DuckingLimit?)null);
        if (asked.BackMs > window.IntervalMs - GapBeforeNextMs)
            (asked, limit) = (asked with { BackMs = Math.Max(1, window.IntervalMs - GapBeforeNextMs) }, DuckingLimit.NextHit);
        var begun = settings.Without("make-up-db").With("mix-percent", 100).With("detector", 0)
            .With("attack-ms", asked.Soft ? SoftAttackMs : HardAttackMs).With("knee-db", asked.Soft ? SoftKneeDb : 0)
            .With("hold-ms", Math.Ceiling(Math.Max(asked.StayMs, window.HalfPeriodMs)));
        var bench = new Bench(begun, key, signal, window);
        foreach (var ratio in Ratios)
            if (bench.TrySolve(asked, ratio, out var solved))
                return Answer(settings, solved, key, signal, limit, asked);
        var (nearest, why) = bench.Nearest(asked);
        return Answer(settings, nearest, key, signal, why ?? limit, asked);
    }

    private static DuckingAnswer Answer(Map<double> before, Map<double> solved, KeyInput? key, KeySignal signal, DuckingLimit? limit, DuckingAsk asked)
    {
        var measured = Detection.Read(solved, key, signal);
        var kept = before.TryGetValue("make-up-db", out var makeUp) ? solved.With("make-up-db", makeUp) : solved;
        return new(kept, measured, limit, limit is null ? asked : asked with { DepthDb = measured.DepthDb, BackMs = measured.BackMs ?? asked.BackMs });
    }

    /// <summary>The hit that takes off most with any setting is the one whose key is loudest behind the cuts.</summary>
    private static Window LoudestHit(Map<double> settings, KeyInput? key, KeySignal signal)
    {
        var low = settings.With("threshold-db", Range("threshold-db").Min).With("ratio", 4).With("knee-db", 0).With("attack-ms", HardAttackMs).With("mix-percent", 100);
        var read = Detection.Read(low, key, signal);
        // Of equals the last that has a next: what the hits before it left is in it.
        var loudest = Enumerable.Range(0, read.Hits.Count).Where(i => read.Hits[i].DepthDb > read.DepthDb - EqualDb).ToList();
        var place = loudest.Count > 1 && loudest[^1] == read.Hits.Count - 1 ? loudest[^2] : loudest[^1];
        var start = (int)read.Hits[place].Frame;
        var end = place + 1 < read.Hits.Count ? (int)read.Hits[place + 1].Frame : signal.Left.Length;
        var before = read.Hits.Take(place).TakeLast(Leading).FirstOrDefault(h => start - h.Frame <= LeadingSeconds * signal.SampleRateHz, read.Hits[Math.Max(0, place - 1)]);
        return new((int)before.Frame, start, end, (end - start) * 1000.0 / signal.SampleRateHz, HalfPeriodMs(signal, start, end));
    }

    /// <summary>Of the lowest tone in the key while it is near its loudest: shorter holds would let go within a period.</summary>
    private static double HalfPeriodMs(KeySignal signal, int start, int end)
    {
        var peak = 0f;
        for (var i = start; i < end; i++)
            peak = Math.Max(peak, Math.Abs(signal.Left[i]));
        var (longest, since, sign) = (0, start, 0);
        for (var i = start; i < end; i++)
        {
            var now = Math.Abs(signal.Left[i]) < peak / 10 ? 0 : Math.Sign(signal.Left[i]);
            if (now == 0 || now == sign)
                continue;
            if (sign != 0)
                longest = Math.Max(longest, i - since);
            (since, sign) = (i, now);
        }

        return Math.Min(50, longest * 1000.0 / signal.SampleRateHz);
    }

    private static Parameter Range(string parameter) => ProcessorCatalogue.Find(ProcessorCatalogue.Compressor)!.Find(parameter)!;

    /// <param name="Before">Frame of an earlier hit, from which the detector is run.</param>
    /// <param name="Start">Frame of the hit.</param>
    /// <param name="End">Of the next hit, or of the signal.</param>
    /// <param name="IntervalMs">Until the next hit, or the end of the signal.</param>
    private sealed record Window(int Before, int Start, int End, double IntervalMs, double HalfPeriodMs);

    /// <summary>Tries settings at the loudest hit.</summary>
    private sealed class Bench(Map<double> begun, KeyInput? key, KeySignal signal, Window window)
    {
        public bool TrySolve(DuckingAsk ask, double ratio, out Map<double> solved)
        {
            solved = Solved(ask, ratio);
            return Meets(ask, Read(solved));
        }

        /// <summary>The nearest that works, and what is in the way of the rest.</summary>
        public (Map<double> Settings, DuckingLimit? Why) Nearest(DuckingAsk ask)
        {
            var nearest = Solved(ask, Ratios[^1]);
            var read = Read(nearest);
            if (read.DepthDb < ask.DepthDb - DuckingAnswer.DepthToleranceDb)
                return (nearest, DuckingLimit.Depth);
            return (nearest, read.BackMs is not { } back || back > ask.BackMs ? DuckingLimit.KeyLasts : DuckingLimit.Release);
        }

        private Map<double> Solved(DuckingAsk ask, double ratio)
        {
            var rest = DuckerLaw.NearRestDb(ask.DepthDb);
            var settings = begun.With("ratio", ratio).With("release-ms", Held("release-ms", (ask.BackMs - begun["hold-ms"]) / Math.Log(ask.DepthDb / rest)));
            for (var round = 0; round < Rounds; round++)
            {
                // A lower threshold takes more off, a longer release comes back later.
                settings = settings.With("threshold-db", Halved(Range("threshold-db"), t => -Read(settings.With("threshold-db", t)).DepthDb, -ask.DepthDb));
                settings = settings.With("release-ms", Halved(Range("release-ms"), r => Read(settings.With("release-ms", r)).BackMs ?? double.PositiveInfinity, ask.BackMs));
                if (Math.Abs(Read(settings).DepthDb - ask.DepthDb) < DuckingAnswer.DepthToleranceDb / 4)
                    break;
            }

            return settings.With("threshold-db", Math.Round(settings["threshold-db"], 3)).With("release-ms", Math.Round(settings["release-ms"], 2));
        }

        private static bool Meets(DuckingAsk ask, DuckingReading read) =>
            Math.Abs(read.DepthDb - ask.DepthDb) <= DuckingAnswer.DepthToleranceDb && read.BackMs is { } back && Math.Abs(back - ask.BackMs) <= DuckingAnswer.BackToleranceMs;

        /// <param name="rising">Never falls as its argument rises.</param>
        /// <returns>Where it passes a value, or the end of the range that is nearer to it.</returns>
        private static double Halved(Parameter range, Func<double, double> rising, double wanted)
        {
            var (low, high) = (range.Min, range.Max);
            for (var i = 0; i < Halvings; i++)
            {
                var middle = range.Unit == Unit.Milliseconds ? Math.Sqrt(low * high) : (low + high) / 2;
                if (rising(middle) < wanted)
                    low = middle;
                else
                    high = middle;
            }

            return (low + high) / 2;
        }

        private static double Held(string parameter, double value) => Math.Clamp(double.IsNaN(value) ? 0 : value, Range(parameter).Min, Range(parameter).Max);

        private DuckingReading Read(Map<double> settings)
        {
            var run = Detection.Run(settings, key, signal, window.Before, window.End);
            return DuckingReading.Of(run.AsSpan(window.Start - window.Before), [], signal.SampleRateHz);
        }
    }
}
