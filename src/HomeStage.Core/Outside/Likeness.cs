using HomeStage.Core.Sound.Signals;

namespace HomeStage.Core.Outside;

/// <summary>How a recorded stretch stands to the one that is expected, where it is the same sound.</summary>
/// <param name="Share">Of the recorded energy, that which is the expected sound, shifted and turned up or down; in [0, 1].</param>
/// <param name="LagSeconds">By how much it comes later than expected; below 0 where it comes sooner.</param>
/// <param name="Gain">By which it is multiplied; below 0 where it is upside down.</param>
/// <param name="AsGood">Every shift that agrees as well, itself among them, with the gain that goes with it: a tone agrees with itself one swing later.</param>
internal sealed record Likeness(double Share, double LagSeconds, double Gain, IReadOnlyList<(double LagSeconds, double Gain)> AsGood)
{
    /// <summary>Of that share at least it is the same sound.</summary>
    public const double SameShare = 0.8;

    /// <summary>How far it may be shifted.</summary>
    public const double MostLagSeconds = 0.25;

    /// <summary>Shifts whose share is at least that of the best one's are as good.</summary>
    private const double NearlyBest = 0.999;

    /// <summary>Two strokes are not told apart below this.</summary>
    private const double LeastApartSeconds = 0.0015;

    /// <summary>The softer of two strokes has at least that share of the other's height.</summary>
    private const double LeastSecond = 0.25;

    /// <summary>Two copies explain at least so much.</summary>
    private const double TwoShare = 0.93;

    private const int Beginnings = 3;
    private const int MostTurns = 6;
    private const int FewTurns = 2;

    /// <summary>In frames.</summary>
    private static readonly double[] Besides = [.. Enumerable.Range(-4, 9).Select(b => b / 2.0)];

    // Neither begins on one of our frames.
    private static readonly double[] Eighths = [.. Enumerable.Range(-4, 9).Select(e => e / 8.0)];

    public static readonly Likeness None = new(0, 0, 0, [(0, 0)]);

    public bool IsSame => Share >= SameShare;

    public double GainDb => 20 * Math.Log10(Math.Abs(Gain) + 1e-12);

    /// <returns>By the shift that is nearest to one, of those that agree as well.</returns>
    public Likeness Near(double lagSeconds) => AsGood.MinBy(l => Math.Abs(l.LagSeconds - lagSeconds)) is var (lag, gain) ? this with { LagSeconds = lag, Gain = gain } : this;

    /// <param name="expected">One or two lanes.</param>
    /// <param name="recorded">As many, each longer than the expected one by the most lag at either end.</param>
    public static Likeness Of(IReadOnlyList<float[]> expected, IReadOnlyList<float[]> recorded, int rateHz) => Agreement.Of(expected, recorded, rateHz) is { } agreement ? Best(agreement) : None;

    /// <summary>Whether the same sound is there twice, one shortly after the other.</summary>
    /// <returns>How far apart, in seconds; null where one says as much.</returns>
    public static double? Twice(IReadOnlyList<float[]> expected, IReadOnlyList<float[]> recorded, int rateHz)
    {
        if (Agreement.Of(expected, recorded, rateHz) is not { } agreement || Best(agreement) is not { Share: < 0.97 and > 0.25 } one)
            return null;
        var own = Agreement.Itself(expected, rateHz);
        // Two of a tone agree best with one somewhere between them, two of a hiss with one a swing beside either: the pair is looked for from several beginnings.
        var (apart, share) = agreement.Peaks().OrderByDescending(p => p.Share).Take(Beginnings).SelectMany(p => Besides.Select(b => Pair(agreement, own, p.Lag + b, b == 0 ? MostTurns : FewTurns))).MaxBy(p => p.Share);
        return share >= TwoShare && share > one.Share + 0.05 ? apart / rateHz : null;
    }

    /// <summary>Each of two is looked for anew beside the other, until nothing better is found.</summary>
    private static (double Apart, double Share) Pair(Agreement agreement, double[] own, double first, int turns)
    {
        var best = (Apart: 0.0, Share: 0.0);
        for (var turn = 0; turn < turns; turn++)
        {
            var (second, share) = Beside(agreement, own, first);
            if (share <= best.Share)
                break;
            (best, first) = ((Math.Abs(second - first), share), second);
        }

        return best;
    }

    /// <returns>Where the other stands, between the frames too, and how much the two explain.</returns>
    private static (double Lag, double Share) Beside(Agreement agreement, double[] own, double one)
    {
        var there = Math.Abs(one) <= agreement.MostLag ? agreement.Between(one) : 0;
        double Share(double lag) => agreement.ShareOfTwo(own, (one, there), lag);
        var near = agreement.Lags.Where(l => Math.Abs(l - one) >= LeastApartSeconds * agreement.RateHz).MaxBy(l => Share(l));
        return Eighths.Select(e => (near + e, Share(near + e))).MaxBy(f => f.Item2);
    }

    private static Likeness Best(Agreement agreement)
    {
        var peaks = agreement.Peaks();
        if (peaks.Count == 0)
            return None;
        var best = peaks.MaxBy(p => p.Share);
        return new(Math.Min(1, best.Share), best.Lag / agreement.RateHz, best.Product / agreement.Energy,
            [.. peaks.Where(p => p.Share >= NearlyBest * best.Share).Select(p => (p.Lag / agreement.RateHz, p.Product / agreement.Energy))]);
    }

    /// <summary>Sums of products for each lag.</summary>
    private sealed record Agreement(int RateHz, int MostLag, double[] Products, double Energy, double[] RecordedUpTo, int Length)
    {
        /// <summary>Tops that are lower than that, against the highest, are not looked at between the frames.</summary>
        private const double NearlyTop = 0.6;

        private const int Steps = 8;
        private const int Reach = 32;

        private static readonly double[][] Kernels = [.. Enumerable.Range(0, Steps).Select(s => Kernel((double)s / Steps))];

        public IEnumerable<int> Lags => Enumerable.Range(-MostLag, 2 * MostLag + 1);

        public double At(int lag) => Products[lag + MostLag];

        /// <summary>Of as much of the recording as the expected sound is long, from a lag on.</summary>
        public double RecordedEnergy(int lag) => RecordedUpTo[lag + MostLag + Length] - RecordedUpTo[lag + MostLag];

        /// <summary>Where they agree most, or are most opposed: between the frames too, since no recording begins on one of ours.</summary>
        /// <returns>Lags in frames, with the sum of products there and the share of the recording that it explains.</returns>
        public IReadOnlyList<(double Lag, double Product, double Share)> Peaks()
        {
            double Share(int lag, double product) => RecordedEnergy(lag) is var there && there > 0 ? product * product / (Energy * there) : 0;
            var tops = Lags.Where(l => Math.Abs(l) < MostLag && Math.Abs(At(l)) >= Math.Abs(At(l - 1)) && Math.Abs(At(l)) >= Math.Abs(At(l + 1))).ToList();
            var highest = tops.Select(l => Share(l, At(l))).DefaultIfEmpty(0).Max();
            return
            [
                .. from top in tops
                   where Share(top, At(top)) >= NearlyTop * highest
                   let fine = Enumerable.Range(-Steps / 2, Steps + 1).Select(s => (Lag: top + (double)s / Steps, Product: Between(top + (double)s / Steps))).MaxBy(p => Math.Abs(p.Product))
                   select (fine.Lag, fine.Product, Share(top, fine.Product)),
            ];
        }

        /// <summary>By a sinc under a Kaiser window (J. F. Kaiser, 1974), 32 frames a side, β = 9; on a frame it is what stands there.</summary>
        public double Between(double lag) => Between(Products, lag + MostLag);

        /// <param name="place">In eighths of a frame.</param>
        private static double Between(double[] values, double place)
        {
            var eighths = (int)Math.Round(place * Steps);
            var (frame, kernel) = (Math.DivRem(eighths, Steps, out var part), Kernels[part]);
            if (part == 0)
                return values[frame];
            var sum = 0.0;
            for (var l = Math.Max(0, frame - Reach); l <= Math.Min(values.Length - 1, frame + Reach); l++)
                sum += values[l] * kernel[l - frame + Reach];
            return sum;
        }

        private static double[] Kernel(double part) =>
            [.. Enumerable.Range(-Reach, 2 * Reach + 1).Select(o => o - part).Select(d => Math.Abs(d) > Reach ? 0 : d == 0 ? 1 : Math.Sin(Math.PI * d) / (Math.PI * d) * Kaiser.At(d / Reach, 9))];

        /// <summary>How much of the recording two copies explain, by least squares: what they share stands beside the diagonal.</summary>
        /// <param name="own">What the sound shares with itself, from a shift of none.</param>
        /// <param name="one">Where the one stands, and what it shares there.</param>
        /// <param name="second">Where the other does.</param>
        /// <returns>0 where one of them is much softer than the other, or turned against it.</returns>
        public double ShareOfTwo(double[] own, (double Lag, double Product) one, double second)
        {
            var (first, a) = one;
            if (Math.Min(first, second) < -MostLag || Math.Max(first, second) > MostLag)
                return 0;
            var (b, shared) = (Between(second), Between(own, Math.Abs(second - first)));
            var determinant = Energy * Energy - shared * shared;
            if (determinant <= 1e-3 * Energy * Energy)
                return 0;
            var (gain, other) = ((a * Energy - b * shared) / determinant, (b * Energy - a * shared) / determinant);
            return gain * other > 0 && Math.Min(Math.Abs(gain), Math.Abs(other)) >= LeastSecond * Math.Max(Math.Abs(gain), Math.Abs(other))
                ? (gain * a + other * b) / RecordedEnergy((int)Math.Floor(Math.Min(first, second))) : 0;
        }

        /// <returns>Null where one of them is silent.</returns>
        public static Agreement? Of(IReadOnlyList<float[]> expected, IReadOnlyList<float[]> recorded, int rateHz)
        {
            var (length, most) = (expected[0].Length, (recorded[0].Length - expected[0].Length) / 2);
            var (products, upTo, energy) = (new double[2 * most + 1], new double[recorded[0].Length + 1], 0.0);
            for (var lane = 0; lane < expected.Count; lane++)
            {
                var sums = CrossCorrelation.Of(expected[lane], recorded[lane], 0, 2 * most);
                for (var i = 0; i < sums.Length; i++)
                    products[i] += sums[i];
                energy += expected[lane].Sum(v => (double)v * v);
                var sum = 0.0;
                for (var n = 0; n < recorded[lane].Length; n++)
                    upTo[n + 1] += sum += (double)recorded[lane][n] * recorded[lane][n];
            }

            return energy > 1e-9 && upTo[^1] > 1e-9 ? new(rateHz, most, products, energy, upTo, length) : null;
        }

        /// <returns>What the sound shares with itself, by how far it is shifted.</returns>
        public static double[] Itself(IReadOnlyList<float[]> lanes, int rateHz)
        {
            var most = (int)(2 * MostLagSeconds * rateHz) + 1;
            var own = new double[most + 1];
            foreach (var lane in lanes)
                own = [.. own.Zip(CrossCorrelation.Of(lane, lane, 0, most), (a, b) => a + b)];
            return own;
        }
    }
}
