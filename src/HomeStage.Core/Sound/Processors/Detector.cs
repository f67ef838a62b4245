using System.Numerics.Tensors;
using HomeStage.Core.Sound.Signals;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Sound.Processors;

/// <summary>What a dynamics processor hears: its key, or the signal itself, between the key input's cuts, the larger side of
/// the two.</summary>
internal sealed class Detector
{
    /// <summary>Most frames that are heard at once.</summary>
    public const int Stretch = 256;

    private readonly KeyFilter _filter;
    private readonly SignalBlock _heard = new(2, Stretch);
    private readonly float[] _level = new float[Stretch + 8];
    private readonly float[] _other = new float[Stretch];

    /// <param name="key">The insert's key input; its cuts colour what is heard, whether the key is on or not.</param>
    public Detector(KeyInput? key, int sampleRateHz) => _filter = new(key, sampleRateHz);

    /// <summary>The level of each frame, at least 0; good until the next call. Eight more numbers can be read behind it.</summary>
    /// <param name="key">Two lanes, or null where the signal itself is heard.</param>
    /// <param name="frames">In [1, <see cref="Stretch"/>].</param>
    public float[] Level(SignalBlock signal, SignalBlock? key, int start, int frames)
    {
        var source = key ?? signal;
        ReadOnlySpan<float> left = source.Lane(0, start + frames)[start..];
        ReadOnlySpan<float> right = source.Lane(source.Lanes - 1, start + frames)[start..];
        if (_filter.Cuts)
        {
            left.CopyTo(_heard.Lane(0, frames));
            right.CopyTo(_heard.Lane(1, frames));
            _filter.Process(_heard, frames);
            left = _heard.Lane(0, frames);
            right = _heard.Lane(1, frames);
        }

        TensorPrimitives.Abs(left, _level.AsSpan(0, frames));
        TensorPrimitives.Abs(right, _other.AsSpan(0, frames));
        TensorPrimitives.Max(_level.AsSpan(0, frames), _other.AsSpan(0, frames), _level.AsSpan(0, frames));
        return _level;
    }

    /// <summary>Whether what it hears is coloured.</summary>
    public bool Cuts => _filter.Cuts;

    public void Reset() => _filter.Reset();
}
