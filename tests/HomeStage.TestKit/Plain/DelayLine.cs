namespace HomeStage.TestKit.Plain;

/// <summary>Holds one lane back by a fixed number of frames, sample by sample: the second opinion on the one that takes blocks.</summary>
public sealed class DelayLine
{
    private readonly float[] _held;
    private int _place;

    /// <param name="frames">At least 0.</param>
    public DelayLine(int frames)
    {
        if (frames < 0)
            throw new ArgumentOutOfRangeException(nameof(frames), frames, "Nothing can be heard before it is played.");
        _held = new float[frames];
    }

    /// <summary>Puts one sample in and takes the one out that went in that many frames ago.</summary>
    public float Next(float sample)
    {
        if (_held.Length == 0)
            return sample;
        var late = _held[_place];
        _held[_place] = sample;
        _place = _place + 1 == _held.Length ? 0 : _place + 1;
        return late;
    }

    public void Reset()
    {
        Array.Clear(_held);
        _place = 0;
    }
}
