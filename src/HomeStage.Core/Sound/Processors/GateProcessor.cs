using System.Numerics.Tensors;
using System.Runtime.Intrinsics;
using HomeStage.Core.Catalogue;
using HomeStage.Core.Sound.Kernels;
using HomeStage.Core.Sound.Signals;
using HomeStage.Core.Strips;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Sound.Processors;

/// <summary>A gate whose lanes are linked by the larger side, with an optional key.</summary>
/// <remarks>Below the threshold, once the hold is over, the gain goes down by the range; the steps are smoothed in dB as a
/// compressor's are (Giannoulis, Massberg and Reiss 2012): attack while it opens, release while it closes. At rest it is
/// closed.</remarks>
public sealed class GateProcessor : IProcessor, IReducesGain
{
    private static readonly ProcessorKind Kind = ProcessorCatalogue.Find(ProcessorCatalogue.Gate)!;

    private const float Settled = 1e-6f;

    private readonly Detector _detector;
    private readonly float[] _gain = new float[Detector.Stretch + 8];
    private float _threshold;
    private float _rangeDb;
    private float _attack;
    private float _release;
    private int _holdFrames;
    private readonly int _sampleRateHz;
    private float _closedDb;
    private int _held;

    /// <param name="key">The insert's key input; its cuts colour what the detector hears.</param>
    public GateProcessor(Map<double> settings, KeyInput? key, int sampleRateHz)
    {
        _sampleRateHz = sampleRateHz;
        Retune(settings);
        _detector = new(key, sampleRateHz);
        _closedDb = _rangeDb;
    }

    public float LastReductionDb => _closedDb;

    public float LargestReductionDb { get; private set; }

    public void Retune(Map<double> settings)
    {
        _threshold = (float)new Decibels(Kind.Value(settings, "threshold-db")).Linear;
        // What is closed stays as closed as it shall be.
        var range = (float)Kind.Value(settings, "range-db");
        _closedDb = _closedDb == _rangeDb ? range : _closedDb;
        _rangeDb = range;
        _attack = (float)CompressorLaw.Smoothing(Kind.Value(settings, "attack-ms"), _sampleRateHz);
        _release = (float)CompressorLaw.Smoothing(Kind.Value(settings, "release-ms"), _sampleRateHz);
        _holdFrames = (int)(Kind.Value(settings, "hold-ms") * _sampleRateHz / 1000);
    }

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
