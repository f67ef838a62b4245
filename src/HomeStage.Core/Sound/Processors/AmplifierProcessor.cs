using System.Numerics.Tensors;
using HomeStage.Core.Catalogue;
using HomeStage.Core.Sound.Kernels;
using HomeStage.Core.Strips;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Sound.Processors;

/// <summary>A guitar amplifier with its cabinet: low cut, drive at four times the rate, tone, loudspeaker.</summary>
/// <remarks>It imitates no amplifier in particular. Drive bends by the saturator's curve, off its centre, so that even
/// harmonics sound too; a low cut takes out the offset. The cabinet is what loudspeakers of that kind have in common
/// (common practice): little below 75 Hz, a resonance at 110 Hz, presence at 2.6 kHz, 24 dB an octave above 5.2 kHz.</remarks>
public sealed class AmplifierProcessor : IProcessor
{
    private static readonly ProcessorKind Kind = ProcessorCatalogue.Find(ProcessorCatalogue.Amplifier)!;

    private const float OffCentre = 0.25f;
    private static readonly float AtRest = SaturatorProcessor.Curve(OffCentre);

    private readonly Lane[] _lanes;
    private float _drive;
    private float _output;
    private readonly int _sampleRateHz;
    private readonly Oversampler.Bend _bend = BendOffCentre;

    /// <param name="lanes">1 or 2.</param>
    public AmplifierProcessor(Map<double> settings, int lanes, int sampleRateHz)
    {
        StateVariable[] before = [StateVariable.Of(FilterDesign.LowCut(70, sampleRateHz))];
        _sampleRateHz = sampleRateHz;
        _lanes = [.. Enumerable.Range(0, lanes).Select(_ => new Lane(new(before), new(4), new([])))];
        Retune(settings);
    }

    public void Retune(Map<double> settings)
    {
        double Value(string id) => Kind.Value(settings, id);
        _drive = (float)new Decibels(Value("drive-db")).Linear;
        _output = (float)new Decibels(Value("output-db")).Linear;
        var after = After(Value, _sampleRateHz).Select(StateVariable.Of).ToArray();
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

    private static IEnumerable<Biquad> After(Func<string, double> value, int sampleRateHz)
    {
        yield return FilterDesign.LowShelf(150, value("bass-db"), sampleRateHz);
        yield return FilterDesign.Bell(550, value("middle-db"), 0.7, sampleRateHz);
        yield return FilterDesign.HighShelf(2200, value("treble-db"), sampleRateHz);
        yield return FilterDesign.LowCut(75, sampleRateHz);
        if (value("cabinet") < 0.5)
            yield break;
        yield return FilterDesign.Bell(110, 3, 1.4, sampleRateHz);
        yield return FilterDesign.Bell(2600, 4, 1.2, sampleRateHz);
        yield return FilterDesign.HighCut(5200, sampleRateHz, 1 / (2 * Math.Cos(Math.PI / 8)));
        yield return FilterDesign.HighCut(5200, sampleRateHz, 1 / (2 * Math.Cos(3 * Math.PI / 8)));
    }

    private static void BendOffCentre(float[][] phases, int frames)
    {
        foreach (var phase in phases)
            TensorPrimitives.Add(phase.AsSpan(0, frames), OffCentre, phase.AsSpan(0, frames));
        SaturatorProcessor.BendAll(phases, frames);
        foreach (var phase in phases)
            TensorPrimitives.Subtract(phase.AsSpan(0, frames), AtRest, phase.AsSpan(0, frames));
    }

    private sealed record Lane(BandChain Before, Oversampler Over, BandChain After);
}
