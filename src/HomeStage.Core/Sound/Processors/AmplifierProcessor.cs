using System.Numerics.Tensors;
using HomeStage.Core.Catalogue;
using HomeStage.Core.Sound.Kernels;
using HomeStage.Core.Sound.Signals;
using HomeStage.Core.Strips;

namespace HomeStage.Core.Sound.Processors;

/// <summary>A guitar amplifier with its cabinet: low cut, drive at four times the rate, tone, loudspeaker.</summary>
public sealed class AmplifierProcessor : IProcessor
{
    private static readonly ProcessorKind Kind = ProcessorCatalogue.Find(ProcessorCatalogue.Amplifier)!;

    private static readonly float AtRest = SaturatorLaw.Curve(AmplifierLaw.OffCentre);

    private readonly Lane[] _lanes;
    private float _drive;
    private float _output;
    private readonly int _sampleRateHz;
    private readonly Oversampler.Bend _bend = BendOffCentre;

    /// <param name="lanes">1 or 2.</param>
    public AmplifierProcessor(Map<double> settings, int lanes, int sampleRateHz)
    {
        StateVariable[] before = [StateVariable.Of(AmplifierLaw.Before(sampleRateHz))];
        _sampleRateHz = sampleRateHz;
        _lanes = [.. Enumerable.Range(0, lanes).Select(_ => new Lane(new(before), new(4), new([])))];
        Retune(settings);
    }

    public void Retune(Map<double> settings)
    {
        double Value(string id) => Kind.Value(settings, id);
        _drive = (float)new Decibels(Value("drive-db")).Linear;
        _output = (float)new Decibels(Value("output-db")).Linear;
        var after = AmplifierLaw.After(Value("bass-db"), Value("middle-db"), Value("treble-db"), Value("cabinet") >= 0.5, _sampleRateHz).Select(StateVariable.Of).ToArray();
        foreach (var lane in _lanes)
            lane.After.Retune(after);
    }

    public void Process(SignalBlock signal, SignalBlock? key, int frames)
    {
        for (var lane = 0; lane < _lanes.Length; lane++)
        {
            var samples = signal.Lane(lane, frames);
            _lanes[lane].Before.Process(samples);
            TensorPrimitives.Multiply(samples, _drive, samples);
            _lanes[lane].Over.Process(samples, _bend);
            _lanes[lane].After.Process(samples);
            TensorPrimitives.Multiply(samples, _output, samples);
        }
    }

    public void Reset()
    {
        foreach (var (before, over, after) in _lanes)
        {
            before.Reset();
            over.Reset();
            after.Reset();
        }
    }

    private static void BendOffCentre(float[][] phases, int frames)
    {
        foreach (var phase in phases)
            TensorPrimitives.Add(phase.AsSpan(0, frames), AmplifierLaw.OffCentre, phase.AsSpan(0, frames));
        SaturatorProcessor.BendAll(phases, frames);
        foreach (var phase in phases)
            TensorPrimitives.Subtract(phase.AsSpan(0, frames), AtRest, phase.AsSpan(0, frames));
    }

    private sealed record Lane(BandChain Before, Oversampler Over, BandChain After);
}
