using HomeStage.Core.Catalogue;
using HomeStage.Core.Strips;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Sound.Processors;

/// <summary>A gate whose lanes are linked by the larger side, with an optional key.</summary>
/// <remarks>Below the threshold, once the hold is over, the gain goes down by the range; the steps are smoothed in dB as a
/// compressor's are (Giannoulis, Massberg and Reiss 2012): attack while it opens, release while it closes. At rest it is
/// closed.</remarks>
public sealed class GateProcessor : IProcessor
{
    private const double NepersPerDb = 0.11512925464970229;
    private const double Settled = 1e-6;

    private readonly float _threshold;
    private readonly double _rangeDb;
    private readonly double _attack;
    private readonly double _release;
    private readonly int _holdFrames;
    private readonly KeyFilter _keyFilter;
    private double _closedDb;
    private int _held;

    /// <param name="key">The insert's key input; its cuts colour what the detector hears.</param>
    public GateProcessor(Map<double> settings, KeyInput? key, int sampleRateHz)
    {
        var kind = ProcessorCatalogue.Find(ProcessorCatalogue.Gate)!;
        _threshold = (float)new Decibels(kind.Value(settings, "threshold-db")).Linear;
        _rangeDb = kind.Value(settings, "range-db");
        _attack = CompressorLaw.Smoothing(kind.Value(settings, "attack-ms"), sampleRateHz);
        _release = CompressorLaw.Smoothing(kind.Value(settings, "release-ms"), sampleRateHz);
        _holdFrames = (int)(kind.Value(settings, "hold-ms") * sampleRateHz / 1000);
        _keyFilter = new(key, sampleRateHz);
        _closedDb = _rangeDb;
    }

    /// <summary>How far the gain is down after the last frame, in dB, at least 0.</summary>
    public double ReductionDb => _closedDb;

    public void Process(SignalBlock signal, SignalBlock? key, int frames)
    {
        var heard = key ?? signal;
        if (key is not null)
            _keyFilter.Process(key, frames);
        var left = heard.Lane(0, frames);
        var right = heard.Lane(heard.Lanes - 1, frames);
        for (var i = 0; i < frames; i++)
        {
            var gain = NextGain(Math.Max(Math.Abs(left[i]), Math.Abs(right[i])));
            for (var lane = 0; lane < signal.Lanes; lane++)
                signal.Lane(lane, frames)[i] *= gain;
        }
    }

    public void Reset()
    {
        _closedDb = _rangeDb;
        _held = 0;
        _keyFilter.Reset();
    }

    private float NextGain(float level)
    {
        if (level >= _threshold)
            _held = _holdFrames;
        else if (_held > 0)
            _held--;
        var isOpen = level >= _threshold || _held > 0;
        var wanted = isOpen ? 0 : _rangeDb;
        var keep = isOpen ? _attack : _release;
        _closedDb = Math.Abs(_closedDb - wanted) < Settled ? wanted : keep * _closedDb + (1 - keep) * wanted;
        return _closedDb == 0 ? 1 : (float)Math.Exp(-_closedDb * NepersPerDb);
    }
}
