using HomeStage.Core.Catalogue;
using HomeStage.Core.Sound.Signals;
using HomeStage.Core.Strips;

namespace HomeStage.Core.Sound.Processors;

/// <summary>Where a sound stands between the sides: width, mono below a corner, middle against sides, polarity.</summary>
/// <remarks>The width turns the sides, a low cut on them makes the low end mono. A mono signal has no sides: its middle and
/// its left polarity are all that is turned.</remarks>
public sealed class ImageProcessor : IProcessor
{
    private static readonly ProcessorKind Kind = ProcessorCatalogue.Find(ProcessorCatalogue.Image)!;

    private float _middle;
    private float _side;
    private float _left;
    private float _right;
    private readonly FilterCascade _sideCut;
    private readonly int _sampleRateHz;
    private bool _cuts;

    public ImageProcessor(Map<double> settings, int sampleRateHz)
    {
        _sampleRateHz = sampleRateHz;
        _sideCut = new([SideCut(settings)]);
        Retune(settings);
    }

    public void Retune(Map<double> settings)
    {
        double Value(string id) => Kind.Value(settings, id);
        _middle = (float)new Decibels(Value("middle-db")).Linear;
        _side = (float)(Value("width-percent") / 100);
        _left = Value("flip-left") > 0 ? -1 : 1;
        _right = Value("flip-right") > 0 ? -1 : 1;
        _cuts = Value("mono-below") > 0;
        _sideCut.Retune([SideCut(settings)]);
    }

    public void Process(SignalBlock signal, SignalBlock? key, int frames)
    {
        var left = signal.Lane(0, frames);
        if (signal.Lanes == 1)
        {
            foreach (ref var sample in left)
                sample *= _middle * _left;
            return;
        }

        var right = signal.Lane(1, frames);
        for (var i = 0; i < frames; i++)
        {
            var (middle, side) = ImageLaw.Apart(left[i], right[i]);
            side = _side * (_cuts ? (float)_sideCut.Next(side) : side);
            var (near, far) = ImageLaw.Together(_middle * middle, side);
            (left[i], right[i]) = (_left * near, _right * far);
        }
    }

    public void Reset() => _sideCut.Reset();

    private Biquad SideCut(Map<double> settings) => FilterDesign.LowCut(Kind.Value(settings, "mono-below-hz"), _sampleRateHz);
}
