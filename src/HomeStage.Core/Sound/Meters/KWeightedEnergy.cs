using System.Runtime.Intrinsics;
using HomeStage.Core.Strips;

namespace HomeStage.Core.Sound.Meters;

/// <summary>The energy of one lane or two after K-weighting; both lanes and both filters at once.</summary>
internal sealed class KWeightedEnergy
{
    private const int RestEvery = 512;
    private const float Dead = 1e-15f;

    private readonly StateVariable _shelf;
    private readonly StateVariable _cut;
    private Vector128<float> _shelfFirst;
    private Vector128<float> _shelfSecond;
    private Vector128<float> _cutFirst;
    private Vector128<float> _cutSecond;
    private Vector128<double> _sum;
    private int _sinceRest;

    public KWeightedEnergy(int sampleRateHz)
    {
        var sections = KWeighting.Sections(sampleRateHz);
        (_shelf, _cut) = (StateVariable.Of(sections[0]), StateVariable.Of(sections[1]));
    }

    /// <summary>Adds up squares, frame by frame in one order whatever the blocks.</summary>
    /// <param name="right">As long as <paramref name="left"/>; the same for one lane.</param>
    public void Add(ReadOnlySpan<float> left, ReadOnlySpan<float> right)
    {
        while (!left.IsEmpty)
        {
            var stretch = Math.Min(RestEvery - _sinceRest, left.Length);
            Run(left[..stretch], right[..stretch]);
            _sinceRest += stretch;
            if (_sinceRest == RestEvery)
                Rest();
            left = left[stretch..];
            right = right[stretch..];
        }
    }

    /// <returns>The squares added up on each side since it was asked last.</returns>
    public (double Left, double Right) Take()
    {
        var sum = _sum;
        _sum = default;
        return (sum[0], sum[1]);
    }

    private void Run(ReadOnlySpan<float> left, ReadOnlySpan<float> right)
    {
        var (d0, d1, d2, e, b, c) = _shelf;
        var (k0, k1, k2, ke, kb, kc) = _cut;
        var (shelfFirst, shelfSecond, cutFirst, cutSecond, sum) = (_shelfFirst, _shelfSecond, _cutFirst, _cutSecond, _sum);
        for (var i = 0; i < left.Length; i++)
        {
            var x = Vector128.Create(left[i], right[i], 0, 0);
            var w = x - shelfSecond;
            var y = Vector128.FusedMultiplyAdd(Vector128.Create(d0), x, Vector128.FusedMultiplyAdd(Vector128.Create(d1), shelfFirst, Vector128.Create(d2) * shelfSecond));
            shelfSecond = Vector128.FusedMultiplyAdd(Vector128.Create(c), w, Vector128.FusedMultiplyAdd(Vector128.Create(b), shelfFirst, shelfSecond));
            shelfFirst = Vector128.FusedMultiplyAdd(Vector128.Create(b), w, Vector128.FusedMultiplyAdd(Vector128.Create(e), shelfFirst, shelfFirst));
            w = y - cutSecond;
            y = Vector128.FusedMultiplyAdd(Vector128.Create(k0), y, Vector128.FusedMultiplyAdd(Vector128.Create(k1), cutFirst, Vector128.Create(k2) * cutSecond));
            cutSecond = Vector128.FusedMultiplyAdd(Vector128.Create(kc), w, Vector128.FusedMultiplyAdd(Vector128.Create(kb), cutFirst, cutSecond));
            cutFirst = Vector128.FusedMultiplyAdd(Vector128.Create(kb), w, Vector128.FusedMultiplyAdd(Vector128.Create(ke), cutFirst, cutFirst));
            var wide = Vector128.WidenLower(y);
            sum = Vector128.FusedMultiplyAdd(wide, wide, sum);
        }

        (_shelfFirst, _shelfSecond, _cutFirst, _cutSecond, _sum) = (shelfFirst, shelfSecond, cutFirst, cutSecond, sum);
    }

    private void Rest()
    {
        _sinceRest = 0;
        (_shelfFirst, _shelfSecond, _cutFirst, _cutSecond) = (Alive(_shelfFirst), Alive(_shelfSecond), Alive(_cutFirst), Alive(_cutSecond));
    }

    private static Vector128<float> Alive(Vector128<float> state) =>
        Vector128.ConditionalSelect(Vector128.LessThan(Vector128.Abs(state), Vector128.Create(Dead)), default, state);
}
