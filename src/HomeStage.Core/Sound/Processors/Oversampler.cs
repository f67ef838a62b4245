using HomeStage.Core.Sound.Kernels;
using HomeStage.Core.Sound.Signals;

namespace HomeStage.Core.Sound.Processors;

/// <summary>Works on one lane at a multiple of its sample rate, so that what bending adds above the band does not fold back
/// into it.</summary>
/// <remarks>Up and down by one filter of linear phase: a sinc under a Kaiser window (β = 8), its edge at 0.46 of the lane's
/// rate. Both together are late by <see cref="LatencyFrames"/>.</remarks>
public sealed class Oversampler
{
    /// <summary>Frames by which the lane is late.</summary>
    public const int LatencyFrames = 24;

    private const int Stretch = 256;
    private const double Beta = 8;
    private const double Edge = 0.92;

    private readonly float[][] _up;
    private readonly float[][] _down;
    private readonly float[] _heard = new float[LatencyFrames + Stretch + Fir.Slack];
    private readonly float[][] _bent;
    private readonly float[][] _fresh;
    private readonly float[] _part = new float[Stretch + Fir.Slack];
    private readonly float[] _sum = new float[Stretch + Fir.Slack];

    /// <param name="times">2 or 4.</param>
    public Oversampler(int times)
    {
        if (times is not (2 or 4))
            throw new ArgumentOutOfRangeException(nameof(times), times, "Twice or four times.");
        var filter = Design(times);
        float Tap(int i) => i >= 0 && i < filter.Length ? filter[i] : 0;
        // The oldest sample comes first, as in the buffers.
        _up = [.. Enumerable.Range(0, times).Select(p => Row(k => times * Tap(p + times * (LatencyFrames - k))))];
        _down = [.. Enumerable.Range(0, times).Select(p => Row(k => Tap(times * (LatencyFrames - k) - p)))];
        _bent = [.. Enumerable.Range(0, times).Select(_ => new float[_heard.Length])];
        _fresh = [.. Enumerable.Range(0, times).Select(_ => new float[Stretch + Fir.Slack])];
    }

    /// <summary>Changes samples at the higher rate in place.</summary>
    /// <param name="phases">phases[p][n] is the sample p steps of the higher rate after frame n.</param>
    /// <param name="frames">How many of each are to be changed; up to seven behind them may be changed as well.</param>
    public delegate void Bend(float[][] phases, int frames);

    public void Process(Span<float> lane, Bend bend)
    {
        for (; !lane.IsEmpty; lane = lane[Math.Min(Stretch, lane.Length)..])
            ProcessStretch(lane[..Math.Min(Stretch, lane.Length)], bend);
    }

    public void Reset()
    {
        Array.Clear(_heard);
        foreach (var phase in _bent)
            Array.Clear(phase);
    }

    private void ProcessStretch(Span<float> lane, Bend bend)
    {
        var frames = lane.Length;
        lane.CopyTo(_heard.AsSpan(LatencyFrames));
        for (var p = 0; p < _up.Length; p++)
            Fir.Convolve(_heard, _up[p], _fresh[p], frames);
        _heard.AsSpan(frames, LatencyFrames).CopyTo(_heard);
        bend(_fresh, frames);
        for (var p = 0; p < _down.Length; p++)
        {
            _fresh[p].AsSpan(0, frames).CopyTo(_bent[p].AsSpan(LatencyFrames));
            Fir.Convolve(_bent[p], _down[p], p == 0 ? _sum : _part, frames);
            if (p > 0)
                System.Numerics.Tensors.TensorPrimitives.Add(_sum.AsSpan(0, frames), _part.AsSpan(0, frames), _sum.AsSpan(0, frames));
            _bent[p].AsSpan(frames, LatencyFrames).CopyTo(_bent[p]);
        }

        _sum.AsSpan(0, frames).CopyTo(lane);
    }

    private static float[] Row(Func<int, float> tap) => [.. Enumerable.Range(0, LatencyFrames + 1).Select(tap)];

    private static float[] Design(int times)
    {
        var middle = LatencyFrames * times / 2.0;
        var taps = Enumerable.Range(0, LatencyFrames * times + 1).Select(i => Tap(i - middle)).ToArray();
        var sum = taps.Sum();
        return [.. taps.Select(t => (float)(t / sum))];

        double Tap(double x) => Kaiser.At(x / (middle + 1), Beta) * (Math.Abs(x) < 1e-12 ? 1 : Math.Sin(Math.PI * x * Edge / times) / (Math.PI * x * Edge / times));
    }
}
