namespace HomeStage.Core.Sound.Instruments;

/// <summary>Plays the notes of one instrument into its outputs.</summary>
/// <remarks>Voices are summed in the order of their notes, frame by frame, so the block size changes nothing.</remarks>
public sealed class Player(IReadOnlyList<NoteEvent> notes, Func<NoteEvent, IVoice?> strike)
{
    private readonly List<(IVoice Voice, long Start)> _sounding = [];
    private long _frame;
    private int _next;

    /// <param name="outputs">By output number − 1; null for outputs that nobody takes.</param>
    /// <param name="frames">In [1, capacity of the blocks].</param>
    public void Render(IReadOnlyList<SignalBlock?> outputs, int frames)
    {
        foreach (var output in outputs)
            output?.Clear(frames);
        var end = _frame + frames;
        for (; _next < notes.Count && notes[_next].StartFrame < end; _next++)
            if (strike(notes[_next]) is { } voice)
                _sounding.Add((voice, notes[_next].StartFrame));
        foreach (var (voice, start) in _sounding)
            Add(voice, start, outputs, frames);
        _sounding.RemoveAll(s => s.Start + s.Voice.LengthFrames <= end);
        _frame = end;
    }

    private void Add(IVoice voice, long start, IReadOnlyList<SignalBlock?> outputs, int frames)
    {
        if (outputs[voice.Output - 1] is not { } block)
            return;
        var from = (int)Math.Max(0, start - _frame);
        var to = (int)Math.Min(frames, start + voice.LengthFrames - _frame);
        var left = block.Lane(0, frames);
        var right = block.Lane(block.Lanes - 1, frames);
        for (var i = from; i < to; i++)
        {
            var (l, r) = voice.Next();
            if (block.Lanes == 2)
            {
                left[i] += l;
                right[i] += r;
            }
            else
            {
                left[i] += (l + r) / 2;
            }
        }
    }
}
