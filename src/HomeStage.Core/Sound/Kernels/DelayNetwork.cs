using System.Runtime.CompilerServices;
using System.Runtime.Intrinsics;

namespace HomeStage.Core.Sound.Kernels;

/// <summary>A feedback delay network of eight lines on two lanes, eight frames at once.</summary>
/// <remarks>J.-M. Jot and A. Chaigne, "Digital delay networks for designing artificial reverberators", AES 90th Convention,
/// 1991: a line of m frames keeps 10^(−3·m / (fs·RT60)) of what goes round, so that every line falls by 60 dB in the decay
/// time; a one-pole in each line lets the highs fall sooner. The lines are mixed by a Householder matrix, I − (2/8)·11ᵀ,
/// which keeps energy. Lengths are spread by a constant ratio and made prime, so that no two share a period. Even lines are
/// fed by and heard on the left, odd ones on the right.
/// No line is as short as eight frames, so eight can be read before the first is written. A group of eight that is not full
/// yet is worked out as far as it goes and kept back, so that the block size changes nothing.</remarks>
public sealed class DelayNetwork
{
    /// <summary>Frames at once.</summary>
    public const int Width = 8;

    private const int Lines = 8;
    private const double ShortestMs = 19;
    private const double Spread = 1.17;
    private const float Dead = 1e-15f;

    // How far a line runs on before what it holds is moved back to its start.
    private const int Run = 2048;

    private readonly float[][] _held;
    private readonly int[] _length = new int[Lines];
    private readonly int[] _place = new int[Lines];
    private readonly float[] _keep = new float[Lines];
    private readonly float[] _dulled = new float[Lines];
    private readonly Vector256<float> _share;
    private readonly Vector256<float> _once;
    private readonly Vector256<float> _twice;
    private readonly Vector256<float> _fourTimes;
    private readonly Vector256<float> _before;
    private readonly float[] _left = new float[Width];
    private readonly float[] _right = new float[Width];
    private readonly Vector256<float>[] _late = new Vector256<float>[Lines];
    private readonly float[] _nextDulled = new float[Lines];
    private int _filled;

    /// <param name="decaySeconds">RT60, above 0.</param>
    /// <param name="size">Lengths of the lines against their usual ones, at least 0.2.</param>
    /// <param name="dampingHz">Above this the highs fall sooner.</param>
    public DelayNetwork(double decaySeconds, double size, double dampingHz, int sampleRateHz)
    {
        for (var i = 0; i < Lines; i++)
        {
            _length[i] = Prime((int)(ShortestMs * size * Math.Pow(Spread, i) * sampleRateHz / 1000));
            _keep[i] = (float)Math.Pow(10, -3 * _length[i] / (sampleRateHz * decaySeconds));
        }

        _held = [.. _length.Select(m => new float[m + Run + Width])];
        _length.CopyTo(_place, 0);
        var dull = Math.Exp(-2 * Math.PI * dampingHz / sampleRateHz);
        float Power(int n) => (float)Math.Pow(dull, n);
        (_share, _once, _twice, _fourTimes) = (Vector256.Create((float)(1 - dull)), Vector256.Create(Power(1)), Vector256.Create(Power(2)), Vector256.Create(Power(4)));
        _before = Vector256.Create([.. Enumerable.Range(1, Width).Select(Power)]);
    }

    /// <summary>Changes two lanes in place.</summary>
    /// <param name="right">As long as <paramref name="left"/>.</param>
    public void Process(Span<float> left, Span<float> right)
    {
        for (var start = 0; start < left.Length;)
        {
            var fresh = Math.Min(Width - _filled, left.Length - start);
            left.Slice(start, fresh).CopyTo(_left.AsSpan(_filled));
            right.Slice(start, fresh).CopyTo(_right.AsSpan(_filled));
            var (heardLeft, heardRight) = Group();
            for (var i = 0; i < fresh; i++)
                (left[start + i], right[start + i]) = (heardLeft[_filled + i], heardRight[_filled + i]);
            start += fresh;
            _filled += fresh;
            if (_filled == Width)
                Commit();
        }
    }

    public void Reset()
    {
        foreach (var line in _held)
            Array.Clear(line);
        _length.CopyTo(_place, 0);
        Array.Clear(_dulled);
        Array.Clear(_left);
        Array.Clear(_right);
        _filled = 0;
    }

    private (Vector256<float> Left, Vector256<float> Right) Group()
    {
        Vector256<float> sum = default, heardLeft = default, heardRight = default;
        for (var i = 0; i < Lines; i++)
        {
            var dulled = Dulled(Vector256.Create(_held[i], _place[i] - _length[i]), _dulled[i]);
            _nextDulled[i] = dulled[Width - 1];
            _late[i] = Vector256.Create(_keep[i]) * dulled;
            sum += _late[i];
            // Signs that alternate from pair to pair keep the two sides apart.
            var signed = (i & 2) == 0 ? dulled : -dulled;
            if ((i & 1) == 0)
                heardLeft += signed;
            else
                heardRight += signed;
        }

        var mixed = sum * Vector256.Create(2f / Lines);
        var (left, right, dead) = (Vector256.Create(_left) - mixed, Vector256.Create(_right) - mixed, Vector256.Create(Dead));
        for (var i = 0; i < Lines; i++)
        {
            var written = ((i & 1) == 0 ? left : right) + _late[i];
            // What is not known yet is written over when the group is full.
            Vector256.ConditionalSelect(Vector256.LessThan(Vector256.Abs(written), dead), default, written).CopyTo(_held[i], _place[i]);
        }

        return (heardLeft * Vector256.Create(0.5f), heardRight * Vector256.Create(0.5f));
    }

    /// <summary>A one-pole over eight frames, by doubling the reach of each frame three times.</summary>
    [MethodImpl(MethodImplOptions.AggressiveInlining)]
    private Vector256<float> Dulled(Vector256<float> late, float last)
    {
        var x = _share * late;
        x = Vector256.FusedMultiplyAdd(_once, Vector256.Shuffle(x, Vector256.Create(8, 0, 1, 2, 3, 4, 5, 6)), x);
        x = Vector256.FusedMultiplyAdd(_twice, Vector256.Shuffle(x, Vector256.Create(8, 8, 0, 1, 2, 3, 4, 5)), x);
        x = Vector256.FusedMultiplyAdd(_fourTimes, Vector256.Shuffle(x, Vector256.Create(8, 8, 8, 8, 0, 1, 2, 3)), x);
        return Vector256.FusedMultiplyAdd(_before, Vector256.Create(last), x);
    }

    private void Commit()
    {
        _filled = 0;
        Array.Clear(_left);
        Array.Clear(_right);
        for (var i = 0; i < Lines; i++)
        {
            _dulled[i] = Math.Abs(_nextDulled[i]) < Dead ? 0 : _nextDulled[i];
            _place[i] += Width;
            if (_place[i] + Width <= _held[i].Length)
                continue;
            _held[i].AsSpan(_place[i] - _length[i], _length[i]).CopyTo(_held[i]);
            _place[i] = _length[i];
        }
    }

    /// <returns>The smallest prime that is not below.</returns>
    private static int Prime(int from)
    {
        var candidate = Math.Max(2, from);
        while (Enumerable.Range(2, (int)Math.Sqrt(candidate) - 1).Any(d => candidate % d == 0))
            candidate++;
        return candidate;
    }
}
