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

    /// <summary>What was taken off at the last frame, in dB, at least 0.</summary>
    public float Last { get; private set; }

    /// <summary>Share of the old value that a frame keeps while the reduction grows.</summary>
    public float Attack => _attack;

    /// <summary>The same while it falls.</summary>
    public float Release => _release;

    /// <summary>Without a hold, and with an attack that is not slower than the release.</summary>
    public bool IsQuick => _holdFrames == 0 && _attack <= _release;

    public void Set(double attackMs, double holdMs, double releaseMs, int sampleRateHz)
    {
        _attack = (float)CompressorLaw.Smoothing(attackMs, sampleRateHz);
        _release = (float)CompressorLaw.Smoothing(releaseMs, sampleRateHz);
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
        foreach (ref var wanted in reduction)
        {
            if (wanted >= Last)
            {
                _held = _holdFrames;
                Last = MathF.FusedMultiplyAdd(_attack, Last, (1 - _attack) * wanted);
            }
            else if (_held > 0)
            {
                _held--;
            }
            else
            {
                Last = MathF.FusedMultiplyAdd(_release, Last, (1 - _release) * wanted);
            }

            wanted = Last;
        }
    }
}
