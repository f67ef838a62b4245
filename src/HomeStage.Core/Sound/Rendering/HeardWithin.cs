using System.Numerics.Tensors;
using HomeStage.Core.Sound.Listening;
using HomeStage.Core.Sound.Processors;
using HomeStage.Core.Sound.Signals;

namespace HomeStage.Core.Sound.Rendering;

/// <summary>Takes what is listened to at one insert of a strip: its key, what its detector goes by, what goes in, what comes out, or what lies between the two.</summary>
/// <param name="place">Of the insert in the strip.</param>
/// <param name="block">Takes it: two lanes for a key or a detector, else as many as the channel has.</param>
/// <param name="latencyFrames">Frames by which the insert is late.</param>
internal sealed class HeardWithin(int place, ListeningPoint point, SignalBlock block, int latencyFrames)
{
    private readonly HeldBack[] _held = HeldBack.Lanes(block.Lanes, point == ListeningPoint.TakenOff ? latencyFrames : 0);

    public int Place => place;

    /// <summary>Whether its detector goes by what goes in, for want of a key.</summary>
    public bool HearsItself { get; init; }

    /// <summary>Between which a detector hears.</summary>
    public KeyFilter Cuts { get; init; } = new(null, 1);

    public void Before(SignalBlock signal, int start, int frames)
    {
        if (point is not (ListeningPoint.BeforeInsert or ListeningPoint.TakenOff) && !(point == ListeningPoint.Detector && HearsItself))
            return;
        for (var lane = 0; lane < block.Lanes; lane++)
        {
            var from = signal.Lane(Math.Min(lane, signal.Lanes - 1), frames);
            (_held.Length > 0 ? _held[lane].Take(from) : from).CopyTo(block.Lane(lane, start, frames));
        }
    }

    public void After(SignalBlock signal, InsertAtWork insert, int start, int frames)
    {
        for (var lane = 0; lane < block.Lanes; lane++)
        {
            var to = block.Lane(lane, start, frames);
            if (point == ListeningPoint.AfterInsert)
                signal.Lane(lane, frames).CopyTo(to);
            else if (point == ListeningPoint.TakenOff)
                TensorPrimitives.Subtract(to, signal.Lane(lane, frames), to);
            else if (point == ListeningPoint.Key || (point == ListeningPoint.Detector && !HearsItself))
                CopyKey(insert, lane, to, frames);
        }

        if (point == ListeningPoint.Detector)
            Cuts.Process(block.Lane(0, start, frames), block.Lane(1, start, frames));
    }

    /// <summary>What the detector hears: the key, or what there is of it in silence.</summary>
    private static void CopyKey(InsertAtWork insert, int lane, Span<float> to, int frames)
    {
        if (insert.Key is { } key)
            key.Lane(lane, frames).CopyTo(to);
        else
            to.Clear();
    }
}
