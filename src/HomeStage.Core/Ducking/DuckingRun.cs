using HomeStage.Core.Media;
using HomeStage.Core.Strips;
using HomeStage.Core.Templates;
using HomeStage.Core.Timing;

namespace HomeStage.Core.Ducking;

/// <summary>What a ducker does over a section, frame by frame.</summary>
/// <param name="ReductionDb">What is taken off.</param>
/// <param name="Hits">Frames at which it is told to.</param>
public sealed record DuckingRun(float[] ReductionDb, IReadOnlyList<long> Hits, DuckingReading Reading)
{
    /// <summary>Whether it is told by strokes that are only supposed, since nothing plays yet.</summary>
    public bool IsSupposed { get; init; }

    /// <param name="shelf">Where uploaded sound is found; null for none.</param>
    /// <returns>Or what is in the way.</returns>
    /// <exception cref="OperationCanceledException">Cancelled.</exception>
    public static (DuckingRun? Run, Refusal? Why) Of(Template template, string act, string section, Ducker ducker, IMediaShelf? shelf = null, CancellationToken cancellation = default)
    {
        var insert = template.Channels[ducker.Channel].Inserts.First(i => i.Id == ducker.Insert);
        if (new TimeMap(template.Timeline).Find(section) is not { } placed)
            return (null, new Refusal.Missing("section", section, "on the timeline"));
        if (ducker.Way == DuckingWay.Notes)
        {
            var (byNotes, hits) = NoteDucking.Run(template, act, placed, insert);
            return (Read(byNotes, hits, template.SampleRateHz, (int)Math.Ceiling(DuckerLaw.GlideMs / 1000 * template.SampleRateHz)), null);
        }

        var (key, why) = KeySignal.Of(template, act, section, ducker.Channel, ducker.Insert, shelf, cancellation);
        return key is null ? (null, why) : (Read(Detection.Run(insert.Settings, insert.Key, key, 0, key.Left.Length), key.Hits, key.SampleRateHz, 0) with { IsSupposed = key.IsSupposed }, null);
    }

    private static DuckingRun Read(float[] reduction, IReadOnlyList<long> hits, int rate, int aheadFrames) => new(reduction, hits, DuckingReading.Of(reduction, hits, rate, aheadFrames));
}
