using HomeStage.Core.Compiling;
using HomeStage.Core.Media;
using HomeStage.Core.Sound.Listening;
using HomeStage.Core.Sound.Meters;
using HomeStage.Core.Sound.Rendering;
using HomeStage.Core.Sound.Signals;
using HomeStage.Core.Sound.Tapes;
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
    /// <param name="tapes">What earlier renders left and this one leaves to others; null for none. It changes no sample.</param>
    /// <exception cref="ArgumentException">The request does not fit the template.</exception>
    /// <exception cref="OperationCanceledException">Cancelled; asked at each stretch.</exception>
    public static RenderedSound Render(
        CompiledTemplate compiled, RenderRequest request, IRenderWatcher? watcher = null, IMediaShelf? shelf = null,
        RenderManner? how = null, TapeShelf? tapes = null, CancellationToken cancellation = default) =>
        Metered(Unmetered(compiled, request, watcher, shelf, how, tapes, cancellation));

    /// <summary>The same without the meters of the whole, for what reads the samples itself.</summary>
    /// <param name="request">Must pass its own check.</param>
    /// <inheritdoc cref="Render(CompiledTemplate, RenderRequest, IRenderWatcher?, IMediaShelf?, RenderManner?, TapeShelf?, CancellationToken)"/>
    public static RenderedSound Unmetered(
        CompiledTemplate compiled, RenderRequest request, IRenderWatcher? watcher = null, IMediaShelf? shelf = null,
        RenderManner? how = null, TapeShelf? tapes = null, CancellationToken cancellation = default)
    {
        var template = compiled.Template;
        var (stretchFrames, threads) = how ?? RenderManner.Usual;
        if (!(stretchFrames is >= 1 and <= Pace.StretchFrames))
            throw new ArgumentOutOfRangeException(nameof(how), stretchFrames, $"Must lie in [1, {Pace.StretchFrames}] frames.");
        if (request.Check(template) is { } wrong)
            throw new ArgumentException(wrong.Sentence, nameof(request));
        var plan = new RenderPlan(compiled, request, shelf ?? EmptyShelf.Instance, tapes);
        using var crew = new Crew(plan.Levels, threads);
        var sound = new RenderedSound(new float[plan.LengthFrames], new float[plan.LengthFrames], template.SampleRateHz, plan.LatencyFrames);
        var block = new SignalBlock(2, Pace.BlockFrames);
        for (long frame = 0; frame < plan.EndFrames;)
        {
            cancellation.ThrowIfCancellationRequested();
            var frames = (int)Math.Min(stretchFrames, plan.EndFrames - frame);
            crew.Render(frame, frames);
            for (var start = 0; start < frames; start += Pace.BlockFrames)
                KeepBlock(plan, block, start, frame + start, Math.Min(Pace.BlockFrames, frames - start), sound);
            frame += frames;
            watcher?.OnFrames(sound, (int)Math.Clamp(frame - plan.SkippedFrames, 0, plan.LengthFrames));
        }

        var channels = plan.ReadMeters();
        if (tapes is not null)
            plan.KeepTapes(tapes, channels);
        return sound with
        {
            Channels = channels,
            ReductionsDb = plan.ReductionsDb(),
            ChannelsFromTape = plan.ChannelsFromTape,
        };
    }

    /// <summary>The same for a template that nothing else is asked of.</summary>
    public static RenderedSound Render(
        Template template, RenderRequest request, IRenderWatcher? watcher = null, IMediaShelf? shelf = null,
        RenderManner? how = null, TapeShelf? tapes = null, CancellationToken cancellation = default) =>
        Render(new CompiledTemplate(template), request, watcher, shelf, how, tapes, cancellation);

    private static RenderedSound Metered(RenderedSound sound) => sound with { Meters = SoundMeters.Of(sound.Left, sound.Right, sound.SampleRateHz) };

    /// <summary>What comes before the lead and the latency are over, and after the range has come, is not part of it.</summary>
    private static void KeepBlock(RenderPlan plan, SignalBlock block, int start, long frame, int frames, RenderedSound sound)
    {
        block.Clear(frames);
        plan.Listen(block, start, frame, frames);
        var skipped = (int)Math.Clamp(plan.SkippedFrames - frame, 0, frames);
        var place = (int)(frame + skipped - plan.SkippedFrames);
        var kept = Math.Min(frames - skipped, sound.Left.Length - place);
        if (kept <= 0)
            return;
        block.Lane(0, skipped, kept).CopyTo(sound.Left.AsSpan(place));
        block.Lane(1, skipped, kept).CopyTo(sound.Right.AsSpan(place));
    }
}
