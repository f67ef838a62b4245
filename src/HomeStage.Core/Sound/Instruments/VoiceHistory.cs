namespace HomeStage.Core.Sound.Instruments;

/// <summary>What a voice has sounded, for as long as a far microphone has still to hear it.</summary>
internal sealed class VoiceHistory
{
    private readonly IVoice _voice;
    private readonly List<(float[] Left, float[] Right)> _chunks = [];
    private readonly int _most;
    private long _first;

    /// <param name="latestFrames">How late the farthest one hears.</param>
    /// <param name="blockFrames">How far one microphone may run ahead of another.</param>
    public VoiceHistory(IVoice voice, int latestFrames, int blockFrames)
    {
        _voice = voice;
        _most = (latestFrames + 2 * blockFrames) / IVoice.Chunk + 4;
    }

    /// <returns>What sounds from a frame of the voice on, to the end of its chunk.</returns>
    public (ReadOnlyMemory<float> Left, ReadOnlyMemory<float> Right) From(long frame)
    {
        var chunk = frame / IVoice.Chunk;
        while (_first + _chunks.Count <= chunk)
        {
            var recycled = _chunks.Count > _most ? _chunks[0] : (new float[IVoice.Chunk], new float[IVoice.Chunk]);
            if (_chunks.Count > _most)
            {
                _chunks.RemoveAt(0);
                _first++;
            }

            _voice.Next(recycled.Item1, recycled.Item2);
            _chunks.Add(recycled);
        }

        var (left, right) = _chunks[(int)(chunk - _first)];
        var within = (int)(frame % IVoice.Chunk);
        return (left.AsMemory(within), right.AsMemory(within));
    }
}
