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

    /// <summary>Where its key can be listened to: the insert's place and a block for the key; null for most.</summary>
    public (int Place, SignalBlock Block)? KeyHeard { get; init; }

    /// <summary>After the fader where it is taken there, else before it.</summary>
    public ChannelMeter Meter { get; } = new();

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
    public LockstepStrip? Plain => _needsGrid || KeyHeard is not null ? null : LockstepStrip.Of(strip, lanes);

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
            strip[place].Process(_work, start, frame, frames);
            if (KeyHeard is { } heard && heard.Place == place)
                CopyKey(strip[place], heard.Block, start, frames);
        }

        Leave(start, frame, frames);
    }

    /// <summary>Hands on what came out of the strip: mute, fader, pan, meters.</summary>
    public void Leave(int start, long frame, int frames)
    {
        if (IsMuted)
            _work.Clear(frames);
        Copy(Pre, start, frames);
        if (Post is null)
        {
            Read(_work.Lane(0, frames), _work.Lane(lanes - 1, frames));
            return;
        }

        for (var lane = 0; lane < lanes; lane++)
            Fade(lane, start, frame, frames);
        Read(Post.Lane(0, start, frames), Post.Lane(lanes - 1, start, frames));
    }

    private void Read(ReadOnlySpan<float> left, ReadOnlySpan<float> right)
    {
        Meter.Add(left, right);
        Bridge?.Add(left, right);
    }

    private void Fade(int lane, int start, long frame, int frames)
    {
        var (from, to) = (_work, Post!);
        if (MovingGains is not { } moving)
        {
            TensorPrimitives.Multiply(from.Lane(lane, frames), lane == 0 ? Gains.Left : Gains.Right, to.Lane(lane, start, frames));
            return;
        }

        var gains = _gains.AsSpan(0, frames);
        (lane == 0 ? moving.Left : moving.Right).Fill(frame, gains);
        TensorPrimitives.Multiply(from.Lane(lane, frames), gains, to.Lane(lane, start, frames));
    }

    private void Copy(SignalBlock? to, int start, int frames)
    {
        for (var lane = 0; lane < lanes && to is not null; lane++)
            _work.Lane(lane, frames).CopyTo(to.Lane(lane, start, frames));
    }

    /// <summary>What its detector hears: the key, or what there is of it in silence.</summary>
    private static void CopyKey(InsertAtWork insert, SignalBlock block, int start, int frames)
    {
        for (var lane = 0; lane < 2; lane++)
        {
            var to = block.Lane(lane, start, frames);
            if (insert.Key is { } key)
                key.Lane(lane, frames).CopyTo(to);
            else
                to.Clear();
        }
    }
}
