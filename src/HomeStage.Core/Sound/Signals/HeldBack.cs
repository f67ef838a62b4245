namespace HomeStage.Core.Sound.Signals;

/// <summary>Holds one lane back by a fixed number of frames, block by block.</summary>
public sealed class HeldBack
{
    private readonly int _late;
    private float[] _held;
    private int _taken;

    /// <param name="frames">At least 0.</param>
    public HeldBack(int frames)
    {
        if (frames < 0)
            throw new ArgumentOutOfRangeException(nameof(frames), frames, "Nothing can be heard before it is played.");
        _late = frames;
        _held = new float[frames];
    }

    /// <returns>One a lane; none where nothing is held back.</returns>
    public static HeldBack[] Lanes(int lanes, int frames) => frames == 0 ? [] : [.. Enumerable.Range(0, lanes).Select(_ => new HeldBack(frames))];

    /// <summary>Takes samples in and gives as many that went in that many frames ago; good until the next call.</summary>
    public ReadOnlySpan<float> Take(ReadOnlySpan<float> samples)
    {
        var before = _held.AsSpan(_taken, _late);
        if (_taken + _late + samples.Length > _held.Length)
        {
            // Grown once to the largest block, with room for several, so that moving what is kept stays rare.
            var room = Math.Max(_held.Length, 2 * _late + 4 * samples.Length);
            var roomy = room == _held.Length ? _held : new float[room];
            before.CopyTo(roomy);
            (_held, _taken) = (roomy, 0);
        }

        samples.CopyTo(_held.AsSpan(_taken + _late));
        var heard = _held.AsSpan(_taken, samples.Length);
        _taken += samples.Length;
        return heard;
    }

    public void Reset()
    {
        Array.Clear(_held);
        _taken = 0;
    }
}
