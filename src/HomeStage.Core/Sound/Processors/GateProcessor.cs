using System.Numerics.Tensors;
using System.Runtime.Intrinsics;
using HomeStage.Core.Catalogue;
using HomeStage.Core.Sound.Kernels;
using HomeStage.Core.Strips;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Sound.Processors;

/// <summary>A gate whose lanes are linked by the larger side, with an optional key.</summary>
/// <remarks>Below the threshold, once the hold is over, the gain goes down by the range; the steps are smoothed in dB as a
/// compressor's are (Giannoulis, Massberg and Reiss 2012): attack while it opens, release while it closes. At rest it is
/// closed.</remarks>
public sealed class GateProcessor : IProcessor, IReducesGain
{
    private const float Settled = 1e-6f;

    private readonly Detector _detector;
    private readonly float[] _gain = new float[Detector.Stretch + 8];
    private readonly float _threshold;
    private readonly float _rangeDb;
    private readonly float _attack;
    private readonly float _release;
    private readonly int _holdFrames;
    private float _closedDb;
    private int _held;

    /// <param name="key">The insert's key input; its cuts colour what the detector hears.</param>
    public GateProcessor(Map<double> settings, KeyInput? key, int sampleRateHz)
    {
        var kind = ProcessorCatalogue.Find(ProcessorCatalogue.Gate)!;
        _threshold = (float)new Decibels(kind.Value(settings, "threshold-db")).Linear;
        _rangeDb = (float)kind.Value(settings, "range-db");
        _attack = (float)CompressorLaw.Smoothing(kind.Value(settings, "attack-ms"), sampleRateHz);
        _release = (float)CompressorLaw.Smoothing(kind.Value(settings, "release-ms"), sampleRateHz);
        _holdFrames = (int)(kind.Value(settings, "hold-ms") * sampleRateHz / 1000);
        _detector = new(key, sampleRateHz);
        _closedDb = _rangeDb;
    }

    public float LastReductionDb => _closedDb;

    public float LargestReductionDb { get; private set; }

    public void Process(SignalBlock signal, SignalBlock? key, int frames)
    {
        LargestReductionDb = 0;
        for (var start = 0; start < frames; start += Detector.Stretch)
        {
            var stretch = Math.Min(Detector.Stretch, frames - start);
            Close(_detector.Level(signal, key, start, stretch), stretch);
            LargestReductionDb = Math.Max(LargestReductionDb, TensorPrimitives.Max<float>(_gain.AsSpan(0, stretch)));
            var perDb = Vector256.Create(-1 / Polynomials.DbPerOctave);
            for (var i = 0; i < stretch; i += 8)
                Polynomials.Exp2(Vector256.Create(_gain, i) * perDb).CopyTo(_gain, i);
            for (var lane = 0; lane < signal.Lanes; lane++)
            {
                var samples = signal.Lane(lane, start + stretch)[start..];
                TensorPrimitives.Multiply(samples, _gain.AsSpan(0, stretch), samples);
            }
        }
    }

    public void Reset()
    {
        _closedDb = _rangeDb;
        _held = 0;
        _detector.Reset();
    }

    private void Close(float[] level, int frames)
    {
        for (var i = 0; i < frames; i++)
        {
            if (level[i] >= _threshold)
                _held = _holdFrames;
            else if (_held > 0)
                _held--;
            var isOpen = level[i] >= _threshold || _held > 0;
            var wanted = isOpen ? 0 : _rangeDb;
            var keep = isOpen ? _attack : _release;
            _closedDb = Math.Abs(_closedDb - wanted) < Settled ? wanted : keep * _closedDb + (1 - keep) * wanted;
            _gain[i] = _closedDb;
        }
    }
}
