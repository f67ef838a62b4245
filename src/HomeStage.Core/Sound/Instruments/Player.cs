using System.Numerics.Tensors;
using HomeStage.Core.Sound.Signals;

namespace HomeStage.Core.Sound.Instruments;

/// <summary>Plays the notes of one instrument into its outputs.</summary>
/// <remarks>Voices are summed in the order of their notes, so the block size changes nothing.</remarks>
/// <param name="strike">What a note sounds by; null for nothing.</param>
public sealed class Player(IReadOnlyList<NoteEvent> notes, Func<NoteEvent, Struck?> strike, int sampleRateHz)
{
    private readonly Dictionary<int, OutputStage> _stages = [];
    private readonly List<Sounding> _sounding = [];
    private readonly Stack<float[]> _spare = new();
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
            if (strike(notes[_next]) is { } struck)
                Begin(struck, notes[_next].StartFrame, outputs);
        foreach (var sounding in _sounding)
            Add(sounding, outputs, frames);
        foreach (var over in _sounding.Where(s => s.IsOver(end)))
            _spare.Push(over.Chunks);
        _sounding.RemoveAll(s => s.IsOver(end));
        for (var output = 0; output < outputs.Count; output++)
            if (outputs[output] is { } block)
                StageOf(output).Process(block, frames);
        _frame = end;
    }

    private OutputStage StageOf(int output)
    {
        if (!_stages.TryGetValue(output, out var stage))
            _stages[output] = stage = new(sampleRateHz);
        return stage;
    }

    private void Begin(Struck struck, long start, IReadOnlyList<SignalBlock?> outputs)
    {
        var taken = struck.By.Where(b => outputs[b.Output - 1] is not null).Select(b => new Tap(b, start + b.LateFrames)).ToArray();
        if (taken.Length > 0)
            _sounding.Add(new(struck.Voice, start, taken, _spare.TryPop(out var chunk) ? chunk : new float[2 * IVoice.Chunk]));
    }

    private void Add(Sounding sounding, IReadOnlyList<SignalBlock?> outputs, int frames)
    {
        // A tap that hears the sound late still needs what the others have had: every tap goes through the voice's chunks in turn.
        if (sounding.Taps.Length == 1)
            AddTap(sounding, sounding.Taps[0], outputs, frames);
        else
            AddTaps(sounding, outputs, frames);
    }

    private void AddTap(Sounding sounding, Tap tap, IReadOnlyList<SignalBlock?> outputs, int frames)
    {
        var block = outputs[tap.By.Output - 1]!;
        for (var at = Math.Max(tap.Start, _frame); at < Math.Min(_frame + frames, tap.Start + sounding.Voice.LengthFrames);)
        {
            var within = (int)((at - tap.Start) % IVoice.Chunk);
            if (within == 0)
                sounding.Voice.Next(sounding.Left, sounding.Right);
            var count = (int)Math.Min(Math.Min(IVoice.Chunk - within, _frame + frames - at), tap.Start + sounding.Voice.LengthFrames - at);
            tap.Mix(sounding.Left.Slice(within, count), sounding.Right.Slice(within, count), block, (int)(at - _frame));
            at += count;
        }
    }

    private void AddTaps(Sounding sounding, IReadOnlyList<SignalBlock?> outputs, int frames)
    {
        var history = sounding.History(frames);
        foreach (var tap in sounding.Taps)
        {
            var block = outputs[tap.By.Output - 1]!;
            for (var at = Math.Max(tap.Start, _frame); at < Math.Min(_frame + frames, tap.Start + sounding.Voice.LengthFrames);)
            {
                var (left, right) = history.From(at - tap.Start);
                var count = (int)Math.Min(left.Length, Math.Min(_frame + frames, tap.Start + sounding.Voice.LengthFrames) - at);
                tap.Mix(left.Span[..count], right.Span[..count], block, (int)(at - _frame));
                at += count;
            }
        }
    }

    private sealed class Tap(Heard by, long start)
    {
        private readonly float[] _turned = by.Dull > 0 ? new float[IVoice.Chunk] : [];
        private float _dullLeft;
        private float _dullRight;

        public Heard By => by;

        public long Start => start;

        public void Mix(ReadOnlySpan<float> left, ReadOnlySpan<float> right, SignalBlock block, int at)
        {
            if (block.Lanes == 2)
            {
                MixSide(left, (float)by.Gains.Left, block.Lane(0, at, left.Length), ref _dullLeft);
                MixSide(right, (float)by.Gains.Right, block.Lane(1, at, right.Length), ref _dullRight);
                return;
            }

            MixSide(left, (float)by.Gains.Left / 2, block.Lane(0, at, left.Length), ref _dullLeft);
            MixSide(right, (float)by.Gains.Right / 2, block.Lane(0, at, right.Length), ref _dullRight);
        }

        private void MixSide(ReadOnlySpan<float> samples, float gain, Span<float> to, ref float dull)
        {
            if (by.Dull > 0)
            {
                var turned = _turned.AsSpan(0, samples.Length);
                for (var i = 0; i < turned.Length; i++)
                    turned[i] = dull = samples[i] + (float)by.Dull * (dull - samples[i]);
                samples = turned;
            }

            TensorPrimitives.MultiplyAdd(samples, gain, to, to);
        }
    }

    private sealed class Sounding(IVoice voice, long start, Tap[] taps, float[] chunks)
    {
        private readonly long _latest = taps.Max(t => t.Start);
        private VoiceHistory? _history;

        public IVoice Voice => voice;

        public Tap[] Taps => taps;

        public float[] Chunks => chunks;

        public Span<float> Left => chunks.AsSpan(0, IVoice.Chunk);

        public Span<float> Right => chunks.AsSpan(IVoice.Chunk);

        public bool IsOver(long frame) => _latest + voice.LengthFrames <= frame;

        public VoiceHistory History(int frames) => _history ??= new(voice, (int)(_latest - start), Math.Max(frames, Pace.StretchFrames));
    }
}
