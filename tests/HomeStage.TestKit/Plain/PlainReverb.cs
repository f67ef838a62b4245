using HomeStage.Core.Catalogue;
using HomeStage.Core.Sound.Processors;
using HomeStage.Core.Sound.Signals;
using HomeStage.Core.Strips;

namespace HomeStage.TestKit.Plain;

/// <summary>The reverb's network, frame by frame in double precision: the second opinion on the quick form.</summary>
public sealed class PlainReverb : IProcessor
{
    private const int Lines = 8;
    private const double ShortestMs = 19;
    private const double Spread = 1.17;
    private const double Dead = 1e-15;

    private readonly float[][] _held;
    private readonly int[] _place = new int[Lines];
    private readonly double[] _keep = new double[Lines];
    private readonly double[] _dulled = new double[Lines];
    private readonly double[] _late = new double[Lines];
    private readonly double _dull;
    private readonly double _width;
    private readonly float _wet;
    private readonly double _even;
    private readonly DelayLine[] _before;

    /// <param name="lanes">1 or 2.</param>
    /// <param name="tempoBpm">The tempo by which the pre-delay's note value is counted.</param>
    public PlainReverb(Map<double> settings, int lanes, int sampleRateHz, double tempoBpm)
    {
        var kind = ProcessorCatalogue.Find(ProcessorCatalogue.Reverb)!;
        double Value(string id) => kind.Value(settings, id);
        var size = Value("size-percent") / 100;
        _held = [.. Enumerable.Range(0, Lines).Select(i => new float[Prime((int)(ShortestMs * size * Math.Pow(Spread, i) * sampleRateHz / 1000))])];
        for (var i = 0; i < Lines; i++)
            _keep[i] = Math.Pow(10, -3 * _held[i].Length / (sampleRateHz * Value("decay-s")));
        _dull = Math.Exp(-2 * Math.PI * Value("damping-hz") / sampleRateHz);
        _width = Value("width-percent") / 100;
        _wet = (float)(Value("wet-percent") / 100);
        int[] lengths = [.. _held.Select(h => h.Length)];
        _even = ReverbLaw.EvenGain(lengths, ReverbLaw.Together(lengths, sampleRateHz), Value("decay-s"), Value("damping-hz"), sampleRateHz);
        var preDelay = Value("pre-delay-quarters");
        _before = [.. Enumerable.Range(0, lanes).Select(_ => new DelayLine(preDelay > 0 ? DelayLaw.Frames(preDelay, tempoBpm, sampleRateHz) : 0))];
    }

    public void Process(SignalBlock signal, SignalBlock? key, int frames)
    {
        for (var i = 0; i < frames; i++)
        {
            double left = _before[0].Next(signal.Lane(0, frames)[i]);
            var right = signal.Lanes == 2 ? _before[1].Next(signal.Lane(1, frames)[i]) : left;
            var (wetLeft, wetRight) = Next(left, right);
            if (signal.Lanes == 2)
            {
                Blend(ref signal.Lane(0, frames)[i], wetLeft);
                Blend(ref signal.Lane(1, frames)[i], wetRight);
            }
            else
            {
                Blend(ref signal.Lane(0, frames)[i], (wetLeft + wetRight) / Math.Sqrt(2));
            }
        }
    }

    public void Retune(Map<double> settings) => throw new NotSupportedException("It is compared as it was made.");

    public void Reset()
    {
        foreach (var line in _held)
            Array.Clear(line);
        Array.Clear(_place);
        Array.Clear(_dulled);
        foreach (var line in _before)
            line.Reset();
    }

    /// <summary>One frame through the network: even lines are fed by and heard on the left, odd ones on the right.</summary>
    private (double Left, double Right) Next(double left, double right)
    {
        var (sum, heardLeft, heardRight) = (0.0, 0.0, 0.0);
        for (var i = 0; i < Lines; i++)
        {
            var late = _held[i][_place[i]];
            var dulled = _dulled[i] = Alive(late + _dull * (_dulled[i] - late));
            _late[i] = _keep[i] * dulled;
            sum += _late[i];
            // Signs that alternate from pair to pair keep the two sides apart.
            var sign = (i & 2) == 0 ? 1 : -1;
            if ((i & 1) == 0)
                heardLeft += sign * dulled;
            else
                heardRight += sign * dulled;
        }

        var mixed = sum * 2 / Lines;
        for (var i = 0; i < Lines; i++)
        {
            _held[i][_place[i]] = (float)Alive(((i & 1) == 0 ? left : right) + _late[i] - mixed);
            _place[i] = _place[i] + 1 == _held[i].Length ? 0 : _place[i] + 1;
        }

        var (middle, side) = (_even * (heardLeft + heardRight) / 4, _even * _width * (heardLeft - heardRight) / 4);
        return (middle + side, middle - side);
    }

    private void Blend(ref float sample, double wet) => sample += _wet * ((float)wet - sample);

    private static double Alive(double value) => Math.Abs(value) < Dead ? 0 : value;

    /// <returns>The smallest prime that is not below.</returns>
    private static int Prime(int from)
    {
        var candidate = Math.Max(2, from);
        while (Enumerable.Range(2, (int)Math.Sqrt(candidate) - 1).Any(d => candidate % d == 0))
            candidate++;
        return candidate;
    }
}
