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
    /// <param name="progress">Told the share that is done, in [0, 1].</param>
    /// <param name="shelf">Where uploaded sound is found; null for none.</param>
    /// <param name="how">In which pieces and by how many; null for the usual.</param>
    /// <exception cref="ArgumentException">The request does not fit the template.</exception>
    /// <exception cref="OperationCanceledException">Cancelled; asked at each stretch.</exception>
    public static RenderedSound Render(
        Template template, RenderRequest request, IProgress<double>? progress = null, IMediaShelf? shelf = null,
        RenderManner? how = null, CancellationToken cancellation = default)
    {
        var (stretchFrames, threads) = how ?? RenderManner.Usual;
        if (!(stretchFrames is >= 1 and <= IUnit.Stretch))
            throw new ArgumentOutOfRangeException(nameof(how), stretchFrames, $"Must lie in [1, {IUnit.Stretch}] frames.");
        if (request.Check(template) is { } wrong)
            throw new ArgumentException(wrong.Sentence, nameof(request));
        var plan = new RenderPlan(template, request, shelf ?? EmptyShelf.Instance);
        using var crew = new Crew(plan.Levels, threads);
        var sound = new RenderedSound(new float[plan.LengthFrames], new float[plan.LengthFrames], template.SampleRateHz, null, null, plan.LatencyFrames);
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
            progress?.Report(Math.Max(0, (double)(frame - plan.LatencyFrames) / plan.LengthFrames));
        }

        return Measure(sound);
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

    /// <returns>The same sound with what the meters read.</returns>
    public static RenderedSound Measure(RenderedSound sound)
    {
        const int Stretch = 4096;
        var loudness = new LoudnessMeter(2, sound.SampleRateHz);
        var peak = new PeakMeter();
        var truePeak = new TruePeakMeter(2);
        var block = new SignalBlock(2, Stretch);
        for (var start = 0; start < sound.Left.Length; start += Stretch)
        {
            var frames = Math.Min(Stretch, sound.Left.Length - start);
            sound.Left.AsSpan(start, frames).CopyTo(block.Lane(0, frames));
            sound.Right.AsSpan(start, frames).CopyTo(block.Lane(1, frames));
            loudness.Add(block, frames);
            peak.Add(block, frames);
            truePeak.Add(block, frames);
        }

        truePeak.End();

        return sound with { LoudnessLufs = loudness.IntegratedLufs, PeakDbfs = peak.PeakDbfs, TruePeakDbtp = truePeak.TruePeakDbtp };
    }
}
