namespace HomeStage.Core.Sound.Instruments;

/// <summary>Rises in a line, falls to a resting share and dies exponentially once the note is let go. Never jumps.</summary>
public sealed class Envelope
{
    // Let go, it is followed to 80 dB down.
    private const double TailOverRelease = 80.0 / 60;

    private readonly float _rise;
    private readonly float _fallKeep;
    private readonly float _rest;
    private readonly float _releaseKeep;
    private readonly long _holdFrames;
    private long _frame;
    private float _level;
    private bool _risen;

    /// <param name="decayMs">Until the way to rest is 60 dB done.</param>
    /// <param name="rest">Where it settles while held, in [0, 1].</param>
    /// <param name="releaseMs">Until it is 60 dB down after the note is let go.</param>
    public Envelope(long holdFrames, double attackMs, double decayMs, double rest, double releaseMs, int sampleRateHz)
    {
        _rise = (float)(1000 / (attackMs * sampleRateHz));
        _fallKeep = (float)Math.Pow(10, -3 / (decayMs / 1000 * sampleRateHz));
        _rest = (float)rest;
        _releaseKeep = (float)Math.Pow(10, -3 / (releaseMs / 1000 * sampleRateHz));
        _holdFrames = holdFrames;
        LengthFrames = holdFrames + (long)(TailOverRelease * releaseMs / 1000 * sampleRateHz);
    }

    public long LengthFrames { get; }

    /// <summary>Turns the next samples by it.</summary>
    public void Turn(Span<float> samples)
    {
        for (var i = 0; i < samples.Length; i++)
            samples[i] *= Next();
    }

    /// <summary>Turns the next samples of two sides by it.</summary>
    public void Turn(Span<float> left, Span<float> right)
    {
        for (var i = 0; i < left.Length; i++)
        {
            var level = Next();
            left[i] *= level;
            right[i] *= level;
        }
    }

    private float Next()
    {
        if (_frame++ >= _holdFrames)
        {
            _level *= _releaseKeep;
        }
        else if (!_risen)
        {
            _level = Math.Min(1, _level + _rise);
            _risen = _level >= 1;
        }
        else
        {
            _level = _rest + (_level - _rest) * _fallKeep;
        }

        return _level;
    }
}
