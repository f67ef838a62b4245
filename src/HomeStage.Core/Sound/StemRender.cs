using HomeStage.Core.Compiling;
using HomeStage.Core.Media;
using HomeStage.Core.Sound.Listening;
using HomeStage.Core.Sound.Rendering;
using HomeStage.Core.Sound.Signals;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Sound;

/// <summary>Renders many channels at once, each as a stem: one render for all of them, from one start, with their tails.</summary>
/// <remarks>Every stem begins where the timeline begins; how late its channel is has been taken off. Stems of all that feeds a sum, added up, are what
/// comes into that sum. A stem can go through the strip of a sum by itself besides; where that does the same to each as to all, as an equaliser does and a compressor does not,
/// such stems add up to what comes out of it.</remarks>
public static class StemRender
{
    public const double LongestTailSeconds = 30;

    /// <returns>The channels that can be stems in an act, in the template's order: those that lead to the main and do not rest.</returns>
    public static IReadOnlyList<Channel> Able(CompiledTemplate compiled, string act) =>
        [.. new HeardGraph(compiled, new(act)).StripsLeadingTo(compiled.Template.Channels.IndexOf(compiled.Template.Main.Id))];

    /// <param name="act">Of the template.</param>
    /// <param name="stems">Of channels that are able.</param>
    /// <param name="tailSeconds">What is rendered beyond the end of the timeline, in [0, 30].</param>
    /// <param name="progress">Told at each stretch, in [0, 1]; null for nobody.</param>
    /// <param name="shelf">Where uploaded sound is found; null for none.</param>
    /// <returns>How many frames each stem has.</returns>
    /// <exception cref="ArgumentException">A channel is not able, or the act is unknown.</exception>
    /// <exception cref="OperationCanceledException">Cancelled; asked at each stretch.</exception>
    public static long Render(
        CompiledTemplate compiled, string act, IReadOnlyList<Stem> stems, double tailSeconds, IStemSink sink, IProgress<double>? progress = null, IMediaShelf? shelf = null,
        RenderManner? how = null, CancellationToken cancellation = default)
    {
        if (!(tailSeconds is >= 0 and <= LongestTailSeconds))
            throw new ArgumentOutOfRangeException(nameof(tailSeconds), tailSeconds, $"Must lie in [0, {LongestTailSeconds}] s.");
        var request = new RenderRequest(act);
        if (request.Check(compiled.Template) is { } wrong)
            throw new ArgumentException(wrong.Sentence, nameof(act));
        var able = Able(compiled, act).Select(c => c.Id).ToHashSet();
        if (stems.FirstOrDefault(s => !able.Contains(s.Channel)) is { } unable)
            throw new ArgumentException($"{unable.Channel} does not lead to the main in {act}.", nameof(stems));
        var (stretchFrames, threads) = how ?? RenderManner.Usual;
        var plan = new RenderPlan(compiled, request, shelf ?? EmptyShelf.Instance, null, stems, (long)Math.Round(tailSeconds * compiled.Template.SampleRateHz));
        using var crew = new Crew(plan.Levels, threads);
        var block = new SignalBlock(2, Pace.BlockFrames);
        for (long frame = 0; frame < plan.EndFrames;)
        {
            cancellation.ThrowIfCancellationRequested();
            var frames = (int)Math.Min(stretchFrames, plan.EndFrames - frame);
            crew.Render(frame, frames);
            for (var stem = 0; stem < stems.Count; stem++)
                for (var start = 0; start < frames; start += Pace.BlockFrames)
                    Keep(plan, block, stem, start, frame + start, Math.Min(Pace.BlockFrames, frames - start), sink);
            frame += frames;
            progress?.Report((double)frame / plan.EndFrames);
        }

        return plan.LengthFrames;
    }

    /// <summary>What comes before the stem's own lateness is over, and after the tail, is not part of it.</summary>
    private static void Keep(RenderPlan plan, SignalBlock block, int stem, int start, long frame, int frames, IStemSink sink)
    {
        var tap = plan.Stems[stem];
        block.Clear(frames);
        tap.AddTo(block, start, frame, frames);
        var skipped = (int)Math.Clamp(tap.LatencyFrames - frame, 0, frames);
        var kept = (int)Math.Min(frames - skipped, plan.LengthFrames - (frame + skipped - tap.LatencyFrames));
        if (kept > 0)
            sink.Take(stem, block.Lane(0, skipped, kept), tap.Lanes == 1 ? [] : block.Lane(1, skipped, kept));
    }
}
