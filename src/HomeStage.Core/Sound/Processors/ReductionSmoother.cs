using HomeStage.Core.Strips;

namespace HomeStage.Core.Sound.Processors;

/// <summary>Smooths what a compressor wants to take off, in dB: attack while it grows, hold, release while it falls.</summary>
/// <remarks>Giannoulis, Massberg and Reiss 2012, the smooth branching detector; the hold is an extension of it.</remarks>
internal sealed class ReductionSmoother
{
    // A reduction of a millionth of a dB is none.
    private const float Settled = 1e-6f;

    private float _attack;
    private float _release;
    private int _holdFrames;
    private int _held;

    // With a hold it is reckoned in double: a float's share of a long release is off by milliseconds.
    private double _last;
    private double _attackShare;
    private double _releaseShare;

    /// <summary>What was taken off at the last frame, in dB, at least 0.</summary>
    public float Last
    {
        get => (float)_last;
        private set => _last = value;
    }

    /// <summary>Share of the old value that a frame keeps while the reduction grows.</summary>
    public float Attack => _attack;

    /// <summary>The same while it falls.</summary>
    public float Release => _release;

    /// <summary>Without a hold, and with an attack that is not slower than the release.</summary>
    public bool IsQuick => _holdFrames == 0 && _attack <= _release;

    public void Set(double attackMs, double holdMs, double releaseMs, int sampleRateHz)
    {
        _attackShare = CompressorLaw.Smoothing(attackMs, sampleRateHz);
        _releaseShare = CompressorLaw.Smoothing(releaseMs, sampleRateHz);
        (_attack, _release) = ((float)_attackShare, (float)_releaseShare);
        _holdFrames = (int)(holdMs * sampleRateHz / 1000);
    }

    /// <param name="reduction">What is wanted at each frame; changed to what is done.</param>
    public void Smooth(Span<float> reduction)
    {
        if (_holdFrames > 0)
            WithHold(reduction);
        else if (_attack <= _release)
            Quickly(reduction);
        else
            Slowly(reduction);
    }

    /// <summary>Lets what has all but gone be gone; to be asked at fixed frames.</summary>
    public void Rest()
    {
        if (Last < Settled)
            Last = 0;
    }

    public void Reset() => (Last, _held) = (0, 0);

    // While the attack is the quicker one, the larger of both steps is the right one: it grows by the attack and falls by
    // the release. Otherwise it is the smaller one.
    private void Quickly(Span<float> reduction)
    {
        var (last, attack, release, byAttack, byRelease) = (Last, _attack, _release, 1 - _attack, 1 - _release);
        foreach (ref var wanted in reduction)
            wanted = last = MathF.Max(MathF.FusedMultiplyAdd(attack, last, byAttack * wanted), MathF.FusedMultiplyAdd(release, last, byRelease * wanted));
        Last = last;
    }

    private void Slowly(Span<float> reduction)
    {
        var (last, attack, release, byAttack, byRelease) = (Last, _attack, _release, 1 - _attack, 1 - _release);
        foreach (ref var wanted in reduction)
            wanted = last = MathF.Min(MathF.FusedMultiplyAdd(attack, last, byAttack * wanted), MathF.FusedMultiplyAdd(release, last, byRelease * wanted));
        Last = last;
    }

    private void WithHold(Span<float> reduction)
    {
        var last = _last;
        foreach (ref var wanted in reduction)
        {
            if (wanted >= last)
            {
                _held = _holdFrames;
                last = wanted + _attackShare * (last - wanted);
            }
            else if (_held > 0)
            {
                _held--;
            }
            else
            {
                last = wanted + _releaseShare * (last - wanted);
            }

            wanted = (float)last;
        }

        _last = last;
    }
}
