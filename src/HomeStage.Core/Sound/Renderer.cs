using HomeStage.Core.Media;
using HomeStage.Core.Sound.Meters;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Sound;

/// <summary>Turns a template into sound, as fast as the machine will.</summary>
public static class Renderer
{
    public const int DefaultBlockFrames = 256;

    /// <summary>Renders one listening point from rest. The same request gives the same samples for any block size.</summary>
    /// <param name="request">Must pass its own check.</param>
    /// <param name="progress">Told the share that is done, in [0, 1].</param>
    /// <param name="shelf">Where uploaded sound is found; null for none.</param>
    /// <param name="blockFrames">Frames at a time, in [1, 8,192].</param>
    /// <exception cref="ArgumentException">The request does not fit the template.</exception>
    /// <exception cref="OperationCanceledException">Cancelled; asked at each block.</exception>
    public static RenderedSound Render(
        Template template, RenderRequest request, IProgress<double>? progress = null, IMediaShelf? shelf = null,
        int blockFrames = DefaultBlockFrames, CancellationToken cancellation = default)
    {
        if (!(blockFrames is >= 1 and <= 8192))
            throw new ArgumentOutOfRangeException(nameof(blockFrames), blockFrames, "Must lie in [1, 8,192] frames.");
        if (request.Check(template) is { } wrong)
            throw new ArgumentException(wrong.Sentence, nameof(request));
        var plan = new RenderPlan(template, request, shelf ?? EmptyShelf.Instance, blockFrames);
        var left = new float[plan.LengthFrames];
        var right = new float[plan.LengthFrames];
        var latency = plan.LatencyFrames;
        for (long done = -latency; done < left.Length;)
        {
            cancellation.ThrowIfCancellationRequested();
            // What comes before the latency is over is not part of the range; a block ends there.
            var frames = (int)Math.Min(blockFrames, (done < 0 ? 0 : left.Length) - done);
            plan.Next(frames);
            if (done >= 0)
            {
                plan.Output.Lane(0, frames).CopyTo(left.AsSpan((int)done));
                plan.Output.Lane(1, frames).CopyTo(right.AsSpan((int)done));
                progress?.Report((double)(done + frames) / left.Length);
            }

            done += frames;
        }

        return Measure(new(left, right, template.SampleRateHz, null, null, latency));
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
