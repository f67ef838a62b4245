using HomeStage.Core.Sound.Signals;
using HomeStage.Core.Sound.Tapes;

namespace HomeStage.Core.Sound.Rendering;

/// <summary>Plays from tape what a channel would give.</summary>
/// <param name="places">What is on tape, and where it goes.</param>
internal sealed class TapedUnit(Tape tape, (float[][] Lanes, SignalBlock Block)[] places) : IUnit
{
    public Tape Tape => tape;

    public void Render(long frame, int frames)
    {
        foreach (var (lanes, block) in places)
            for (var lane = 0; lane < lanes.Length; lane++)
                lanes[lane].AsSpan((int)frame, frames).CopyTo(block.Lane(lane, frames));
    }
}

/// <summary>A channel at work whose signal is kept on the way.</summary>
/// <param name="places">What is taken of it, and where it is kept.</param>
internal sealed class RecordedUnit(ChannelUnit unit, (float[][] Lanes, SignalBlock Block)[] places) : IUnit
{
    public ChannelUnit Unit => unit;

    public void Render(long frame, int frames)
    {
        unit.Render(frame, frames);
        Keep(frame, frames);
    }

    /// <summary>Keeps what the channel has just given.</summary>
    public void Keep(long frame, int frames)
    {
        foreach (var (lanes, block) in places)
            for (var lane = 0; lane < lanes.Length; lane++)
                block.Lane(lane, frames).CopyTo(lanes[lane].AsSpan((int)frame, frames));
    }
}
