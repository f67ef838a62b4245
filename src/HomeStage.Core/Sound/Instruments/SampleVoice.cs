namespace HomeStage.Core.Sound.Instruments;

/// <summary>Uploaded sound that a pad strikes: it plays to its end.</summary>
/// <param name="lanes">One or two, of the same length, at the render's rate.</param>
public sealed class SampleVoice(IReadOnlyList<float[]> lanes, NoteEvent note) : IVoice
{
    private readonly float _strength = (float)note.Strength;
    private int _place;

    public long LengthFrames => lanes[0].Length;

    public void Next(Span<float> left, Span<float> right)
    {
        Fill(lanes[0], left);
        Fill(lanes[^1], right);
        _place += IVoice.Chunk;
    }

    private void Fill(float[] lane, Span<float> side)
    {
        side.Clear();
        var count = Math.Clamp(lane.Length - _place, 0, IVoice.Chunk);
        for (var i = 0; i < count; i++)
            side[i] = _strength * lane[_place + i];
    }
}
