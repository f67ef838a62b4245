using System.Numerics.Tensors;
using HomeStage.Core.Sound.Meters;
using HomeStage.Core.Sound.Signals;

namespace HomeStage.Core.Sound.Rendering;

/// <summary>A channel from its sum to its fader: polarity, strip, mute, fader, pan.</summary>
internal sealed class ChannelUnit(int lanes, LinkMixer[] entering, InsertAtWork[] strip) : IUnit
{
    private readonly SignalBlock _work = new(lanes, Pace.BlockFrames);
    private readonly float[] _gains = new float[Pace.BlockFrames];
    private readonly bool _needsGrid = strip.Any(i => i.NeedsGrid);

    public int Lanes => lanes;

    public bool IsFlipped { get; init; }

    public bool IsMuted { get; init; }

    /// <summary>What its sum is, before the strip; null where nobody takes it there.</summary>
    public SignalBlock? Input { get; init; }

    /// <summary>Null where nobody takes it there.</summary>
    public SignalBlock? Pre { get; init; }

    /// <summary>Null where nobody takes it there.</summary>
    public SignalBlock? Post { get; init; }

    /// <summary>Fader and balance, as they stand still; a mono channel is panned where it enters something stereo.</summary>
    public (float Left, float Right) Gains { get; init; } = (1, 1);

    /// <summary>Fader and balance where they move; null where they stand still.</summary>
    public (MovingGain Left, MovingGain Right)? MovingGains { get; init; }

    /// <summary>What is listened to at one of its inserts; null for most.</summary>
    public HeardWithin? HeardWithin { get; init; }

    /// <summary>Whether the meters read after the fader, taken there or not; else before it.</summary>
    public bool IsReadAfterFader { get; init; }

    public ChannelMeter Meter { get; } = new();

    /// <summary>The frame from which the meters read: what only leads to the part that is kept is not part of it.</summary>
    public long MetersFrom { get; init; }

    /// <summary>All meters at the same place; null where they are not asked for.</summary>
    public MeterBridge? Bridge { get; init; }

    public IEnumerable<InsertReduction> Reductions =>
        strip.Where(i => i.LargestReductionDb is not null).Select(i => new InsertReduction(i.Id, i.LargestReductionDb ?? 0));

    public void Render(long frame, int frames)
    {
        for (var start = 0; start < frames;)
        {
            var most = Math.Min(Pace.BlockFrames, frames - start);
            if (_needsGrid)
                most = (int)Math.Min(most, MovingGain.FloorToGrid(frame + start) + MovingGain.Grid - (frame + start));
            RenderBlock(start, frame + start, most);
            start += most;
        }
    }

    /// <summary>What its strip does where that can run in lockstep with other channels; null where it cannot, or does nothing.</summary>
    public LockstepStrip? Plain => _needsGrid || HeardWithin is not null ? null : LockstepStrip.Of(strip, lanes);

    /// <returns>What a lane holds between entering and leaving.</returns>
    public float[] Lane(int index) => _work.Whole(index);

    /// <summary>Sums what enters, before the strip.</summary>
    /// <param name="frames">At most <see cref="Pace.BlockFrames"/>.</param>
    public void Enter(int start, long frame, int frames)
    {
        _work.Clear(frames);
        foreach (var mixer in entering)
            mixer.AddTo(_work, start, frame, frames);
        if (IsFlipped)
            _work.Scale(-1, frames);
        Copy(Input, start, frames);
    }

    private void RenderBlock(int start, long frame, int frames)
    {
        Enter(start, frame, frames);
        for (var place = 0; place < strip.Length; place++)
        {
            var heard = HeardWithin?.Place == place ? HeardWithin : null;
            heard?.Before(_work, start, frames);
            strip[place].Process(_work, start, frame, frames);
            heard?.After(_work, strip[place], start, frames);
        }

        Leave(start, frame, frames);
    }

    /// <summary>Hands on what came out of the strip: mute, fader, pan, meters.</summary>
    public void Leave(int start, long frame, int frames)
    {
        if (IsMuted)
            _work.Clear(frames);
        Copy(Pre, start, frames);
        if (Post is not null || IsReadAfterFader)
            for (var lane = 0; lane < lanes; lane++)
                Fade(lane, frame, frames);
        Copy(Post, start, frames);
        Read(frame, frames);
    }

    private void Read(long frame, int frames)
    {
        var unread = (int)Math.Clamp(MetersFrom - frame, 0, frames);
        if (unread == frames)
            return;
        var left = _work.Lane(0, unread, frames - unread);
        var right = _work.Lane(lanes - 1, unread, frames - unread);
        Meter.Add(left, right);
        Bridge?.Add(left, right);
    }

    private void Fade(int lane, long frame, int frames)
    {
        var signal = _work.Lane(lane, frames);
        if (MovingGains is not { } moving)
        {
            TensorPrimitives.Multiply(signal, lane == 0 ? Gains.Left : Gains.Right, signal);
            return;
        }

        var gains = _gains.AsSpan(0, frames);
        (lane == 0 ? moving.Left : moving.Right).Fill(frame, gains);
        TensorPrimitives.Multiply(signal, gains, signal);
    }

    private void Copy(SignalBlock? to, int start, int frames)
    {
        for (var lane = 0; lane < lanes && to is not null; lane++)
            _work.Lane(lane, frames).CopyTo(to.Lane(lane, start, frames));
    }
}
