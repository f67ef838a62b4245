namespace HomeStage.Core.Sound.Signals;

/// <summary>Holds one lane back by any time, between its frames too.</summary>
/// <remarks>Between frames by a cubic through four of them (Hermite; E. Catmull and R. Rom, 1974).</remarks>
public sealed class CubicLine
{
    private readonly float[] _held;
    private int _place;

    /// <param name="frames">Room, at least 6.</param>
    public CubicLine(int frames) => _held = new float[frames];

    public void Put(float sample)
    {
        _place = _place + 1 == _held.Length ? 0 : _place + 1;
        _held[_place] = sample;
    }

    /// <param name="delayFrames">How long before the last sample, in [1, room − 3].</param>
    public float At(double delayFrames)
    {
        var whole = (int)delayFrames;
        var t = (float)(delayFrames - whole);
        var (a, b, c, d) = (Ago(whole - 1), Ago(whole), Ago(whole + 1), Ago(whole + 2));
        return b + t * ((c - a) / 2 + t * (a - 2.5f * b + 2 * c - d / 2 + t * ((d - a) / 2 + 1.5f * (b - c))));
    }

    public void Reset()
    {
        Array.Clear(_held);
        _place = 0;
    }

    private float Ago(int frames)
    {
        var at = _place - frames;
        return _held[at < 0 ? at + _held.Length : at];
    }
}
