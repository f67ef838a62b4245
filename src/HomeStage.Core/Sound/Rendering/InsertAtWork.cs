using HomeStage.Core.Sound.Processors;
using HomeStage.Core.Sound.Signals;

namespace HomeStage.Core.Sound.Rendering;

/// <summary>One live insert of a strip: its key, what moves its settings, what it takes off.</summary>
internal sealed class InsertAtWork(InsertId id, IProcessor processor)
{
    private float _reduction;
    private int _nextTempo;

    public InsertId Id => id;

    public IProcessor Processor => processor;

    /// <summary>Whether nothing but the signal reaches it: no key, no curve, no tempo, no padding.</summary>
    public bool IsAlone => Keys.Length == 0 && Key is null && Padding.Length == 0 && After.Length == 0 && !NeedsGrid;

    /// <summary>Holds the signal back until a late key is there; none for most.</summary>
    public HeldBack[] Padding { get; init; } = [];

    /// <summary>Holds back what comes out, for a device that is later than what stands in for it; none for most.</summary>
    public HeldBack[] After { get; init; } = [];

    /// <summary>What the key is summed from; empty where none is on.</summary>
    public LinkMixer[] Keys { get; init; } = [];

    /// <summary>Null where the processor hears its own signal.</summary>
    public SignalBlock? Key { get; init; }

    /// <summary>Settings at a frame; null where they stand still.</summary>
    public Func<long, Map<double>>? Moving { get; init; }

    /// <summary>Frames at which a tempo begins, ascending.</summary>
    public IReadOnlyList<(long Frame, double Bpm)> Tempos { get; init; } = [];

    /// <summary>By how much it turned the signal down at most, in dB; null for what never does.</summary>
    public double? LargestReductionDb => processor is IReducesGain ? _reduction : null;

    /// <summary>What it took off block by block, in dB, with the frame from which it did; null where nobody wants to know.</summary>
    public List<(long Frame, float Db)>? Trace { get; init; }

    /// <param name="start">Where in the sources of the key the frames lie.</param>
    /// <param name="frame">Frame of the first of them, counted from the start of the render.</param>
    public void Process(SignalBlock signal, int start, long frame, int frames)
    {
        Hold(Padding, signal, frames);
        Key?.Clear(frames);
        foreach (var key in Keys)
            key.AddTo(Key!, start, frame, frames);
        Prepare(frame);
        processor.Process(signal, Key, frames);
        Hold(After, signal, frames);
        if (processor is IReducesGain reduces)
        {
            _reduction = Math.Max(_reduction, reduces.LargestReductionDb);
            Trace?.Add((frame, reduces.LargestReductionDb));
        }
    }

    /// <summary>Notes what was taken off by someone who worked in its place.</summary>
    public void Note(float reductionDb) => _reduction = Math.Max(_reduction, reductionDb);

    /// <summary>Whether a block must not reach over the grid on which settings move.</summary>
    public bool NeedsGrid => Moving is not null || Tempos.Count > 0;

    private static void Hold(HeldBack[] lanes, SignalBlock signal, int frames)
    {
        for (var lane = 0; lane < lanes.Length; lane++)
            lanes[lane].Take(signal.Lane(lane, frames)).CopyTo(signal.Lane(lane, frames));
    }

    private void Prepare(long frame)
    {
        if (!NeedsGrid || MovingGain.FloorToGrid(frame) != frame)
            return;
        if (Moving is not null)
            processor.Retune(Moving(frame));
        for (; _nextTempo < Tempos.Count && Tempos[_nextTempo].Frame <= frame; _nextTempo++)
            (processor as IFollowsTempo)?.SetTempo(Tempos[_nextTempo].Bpm);
    }
}
