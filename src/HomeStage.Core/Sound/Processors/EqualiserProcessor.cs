using HomeStage.Core.Catalogue;
using HomeStage.Core.Sound.Kernels;
using HomeStage.Core.Sound.Signals;
using HomeStage.Core.Strips;

namespace HomeStage.Core.Sound.Processors;

/// <summary>The equaliser: the sections of its law, on both sides or on one part of the picture.</summary>
/// <remarks>M = (L + R) / 2 and S = (L − R) / 2. A mono signal is equalised whatever part is chosen. Oversampled, the curve is
/// not squeezed towards half the sample rate.</remarks>
public sealed class EqualiserProcessor : IProcessor
{
    private readonly EqualiserPart _part;
    private readonly BandChain[][] _lanes;
    private readonly Oversampler[] _over;
    private readonly Oversampler.Bend[] _bends;
    private readonly HeldBack[] _plain;
    private readonly float[] _twice = new float[2 * 256];
    private readonly int _sampleRateHz;
    private readonly bool _moves;

    /// <param name="lanes">1 or 2.</param>
    /// <param name="moves">Whether it will be retuned: then what rests has its place, too.</param>
    public EqualiserProcessor(Map<double> settings, int lanes, int sampleRateHz, bool moves = false)
    {
        (_sampleRateHz, _moves) = (sampleRateHz, moves);
        _part = lanes == 1 ? EqualiserPart.BothSides : EqualiserLaw.Part(settings);
        var isOver = EqualiserLaw.IsOversampled(settings);
        var sections = Sections(settings);
        _lanes = [.. Enumerable.Range(0, lanes).Select(_ => sections.Chunk(BandChain.Width).Select(s => new BandChain(s)).ToArray())];
        Plain = !moves && _part == EqualiserPart.BothSides && !isOver && sections.Length <= BandChain.Width ? sections : null;
        _over = isOver ? [.. _lanes.Select(_ => new Oversampler(2))] : [];
        _bends = [.. _lanes.Select(chains => (Oversampler.Bend)((phases, frames) => Bend(chains, phases, frames)))];
        _plain = isOver ? [.. _lanes.Select(_ => new HeldBack(Oversampler.LatencyFrames))] : [];
    }

    /// <summary>Its sections where every lane passes through all of them at the plain rate, so that it can run in lockstep with
    /// others; null otherwise.</summary>
    public IReadOnlyList<StateVariable>? Plain { get; }

    public void Process(SignalBlock signal, SignalBlock? key, int frames)
    {
        var left = signal.Lane(0, frames);
        var right = signal.Lanes == 2 ? signal.Lane(1, frames) : default;
        if (_part is EqualiserPart.Middle or EqualiserPart.Sides)
            Turn(left, right);
        Equalise(left, right);
        if (_part is EqualiserPart.Middle or EqualiserPart.Sides)
            TurnBack(left, right);
    }

    /// <summary>Other settings from the next frame on. What is oversampled, and which part is worked on, stays.</summary>
    public void Retune(Map<double> settings)
    {
        var sections = Sections(settings).Chunk(BandChain.Width).ToArray();
        foreach (var chains in _lanes)
            for (var i = 0; i < chains.Length; i++)
                chains[i].Retune(i < sections.Length ? sections[i] : []);
    }

    public void Reset()
    {
        foreach (var chain in _lanes.SelectMany(c => c))
            chain.Reset();
        foreach (var over in _over)
            over.Reset();
        foreach (var plain in _plain)
            plain.Reset();
    }

    private StateVariable[] Sections(Map<double> settings)
    {
        var rate = EqualiserLaw.IsOversampled(settings) ? 2 * _sampleRateHz : _sampleRateHz;
        return _moves
            ? [.. EqualiserLaw.Places(settings, rate).Select(s => s is { } section ? StateVariable.Of(section) : StateVariable.Unity)]
            : [.. EqualiserLaw.Sections(settings, rate).Select(StateVariable.Of)];
    }

    private void Equalise(Span<float> left, Span<float> right)
    {
        if (_part == EqualiserPart.BothSides && _over.Length == 0 && _lanes.Length == 2)
        {
            for (var i = 0; i < _lanes[0].Length; i++)
                BandChain.Process(_lanes[0][i], left, _lanes[1][i], right);
            return;
        }

        EqualiseLane(0, left, _part is not (EqualiserPart.Right or EqualiserPart.Sides));
        if (_lanes.Length == 2)
            EqualiseLane(1, right, _part is not (EqualiserPart.Left or EqualiserPart.Middle));
    }

    private void EqualiseLane(int lane, Span<float> samples, bool isWorkedOn)
    {
        if (!isWorkedOn)
        {
            if (_plain.Length > 0)
                _plain[lane].Take(samples).CopyTo(samples);
        }
        else if (_over.Length > 0)
        {
            _over[lane].Process(samples, _bends[lane]);
        }
        else
        {
            foreach (var chain in _lanes[lane])
                chain.Process(samples);
        }
    }

    private void Bend(BandChain[] chains, float[][] phases, int frames)
    {
        var twice = _twice.AsSpan(0, 2 * frames);
        for (var i = 0; i < frames; i++)
            (twice[2 * i], twice[2 * i + 1]) = (phases[0][i], phases[1][i]);
        foreach (var chain in chains)
            chain.Process(twice);
        for (var i = 0; i < frames; i++)
            (phases[0][i], phases[1][i]) = (twice[2 * i], twice[2 * i + 1]);
    }

    private static void Turn(Span<float> left, Span<float> right)
    {
        for (var i = 0; i < left.Length; i++)
            (left[i], right[i]) = ((left[i] + right[i]) / 2, (left[i] - right[i]) / 2);
    }

    private static void TurnBack(Span<float> middle, Span<float> sides)
    {
        for (var i = 0; i < middle.Length; i++)
            (middle[i], sides[i]) = (middle[i] + sides[i], middle[i] - sides[i]);
    }
}
