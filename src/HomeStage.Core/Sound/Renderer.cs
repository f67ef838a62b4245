using HomeStage.Core.Media;
using HomeStage.Core.Sound.Meters;
using HomeStage.Core.Sound.Rendering;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Sound;

/// <summary>Turns a template into sound, as fast as the machine will.</summary>
public static class Renderer
{
    /// <summary>Renders one listening point from rest. The same request gives the same samples for any stretch and number of
    /// threads.</summary>
    /// <param name="request">Must pass its own check.</param>
    /// <param name="watcher">Told at each stretch how far it is; null for nobody.</param>
    /// <param name="shelf">Where uploaded sound is found; null for none.</param>
    /// <param name="how">In which pieces and by how many; null for the usual.</param>
    /// <exception cref="ArgumentException">The request does not fit the template.</exception>
    /// <exception cref="OperationCanceledException">Cancelled; asked at each stretch.</exception>
    public static RenderedSound Render(
        Template template, RenderRequest request, IRenderWatcher? watcher = null, IMediaShelf? shelf = null,
        RenderManner? how = null, CancellationToken cancellation = default)
    {
        var (stretchFrames, threads) = how ?? RenderManner.Usual;
        if (!(stretchFrames is >= 1 and <= IUnit.Stretch))
            throw new ArgumentOutOfRangeException(nameof(how), stretchFrames, $"Must lie in [1, {IUnit.Stretch}] frames.");
        if (request.Check(template) is { } wrong)
            throw new ArgumentException(wrong.Sentence, nameof(request));
        var plan = new RenderPlan(template, request, shelf ?? EmptyShelf.Instance);
        using var crew = new Crew(plan.Levels, threads);
        var sound = new RenderedSound(new float[plan.LengthFrames], new float[plan.LengthFrames], template.SampleRateHz, plan.LatencyFrames);
        var block = new SignalBlock(2, IUnit.Block);
        var end = plan.LengthFrames + plan.LatencyFrames;
        for (long frame = 0; frame < end;)
        {
            cancellation.ThrowIfCancellationRequested();
            var frames = (int)Math.Min(stretchFrames, end - frame);
            crew.Render(frame, frames);
            for (var start = 0; start < frames; start += IUnit.Block)
                KeepBlock(plan, block, start, frame + start, Math.Min(IUnit.Block, frames - start), sound);
            frame += frames;
            watcher?.OnFrames(sound, (int)Math.Max(0, frame - plan.LatencyFrames));
        }

        return sound with
        {
            Meters = SoundMeters.Of(sound.Left, sound.Right, sound.SampleRateHz),
            Channels = plan.Channels.Select(c => new ChannelMeters(c.Channel.Id, c.Unit.Meter.Read(), c.Unit.Reductions.ToSequence())).ToSequence(),
        };
    }

    /// <summary>What comes before the latency is over is not part of the range.</summary>
    private static void KeepBlock(RenderPlan plan, SignalBlock block, int start, long frame, int frames, RenderedSound sound)
    {
        block.Clear(frames);
        plan.Listen(block, start, frame, frames);
        var skipped = (int)Math.Clamp(plan.LatencyFrames - frame, 0, frames);
        if (skipped == frames)
            return;
        var place = (int)(frame + skipped - plan.LatencyFrames);
        block.Lane(0, skipped, frames - skipped).CopyTo(sound.Left.AsSpan(place));
        block.Lane(1, skipped, frames - skipped).CopyTo(sound.Right.AsSpan(place));
    }
}
