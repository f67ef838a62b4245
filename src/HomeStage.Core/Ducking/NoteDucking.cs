using HomeStage.Core.Automation;
using HomeStage.Core.Catalogue;
using HomeStage.Core.Playing;
using HomeStage.Core.Sound.Processors;
using HomeStage.Core.Sound.Signals;
using HomeStage.Core.Strips;
using HomeStage.Core.Templates;
using HomeStage.Core.Timing;

namespace HomeStage.Core.Ducking;

/// <summary>The other common way to make room: a drawn curve that every note or beat restarts.</summary>
public static class NoteDucking
{
    private const int Stretch = 4096;
    private static readonly double[] SoftPlaces = [0, 0.15, 0.3, 0.5, 0.75, 1];

    /// <summary>Runs the ducker itself over a section.</summary>
    /// <returns>What is taken off at each frame in dB, and the frames of the hits.</returns>
    public static (float[] ReductionDb, IReadOnlyList<long> Hits) Run(Template template, string act, PlacedSection section, Insert insert)
    {
        var rate = template.SampleRateHz;
        var trigger = insert.Trigger ?? NoteTrigger.Plain;
        long[] hits = [.. Restarts.Of(template, new(template, act), new(template.Timeline), trigger).Select(s => (long)Math.Round((s - section.StartSeconds) * rate)).Distinct().Order()];
        var frames = (int)Math.Round(section.LengthSeconds * rate);
        var ducker = new DuckerProcessor(insert.Settings, trigger, new(rate, section.TempoBpm) { Restarts = hits });
        var (block, reduction) = (new SignalBlock(1, Stretch), new float[frames]);
        for (var start = 0; start < frames; start += Stretch)
        {
            var some = Math.Min(Stretch, frames - start);
            block.Lane(0, some).Fill(1);
            ducker.Process(block, null, some);
            for (var i = 0; i < some; i++)
                reduction[start + i] = block.Lane(0, some)[i] >= 1 ? 0 : -20 * MathF.Log10(block.Lane(0, some)[i]);
        }

        return (reduction, [.. hits.Where(h => h >= 0 && h < frames)]);
    }

    /// <summary>The curve that is where it shall be when it shall: what is left of the depth is near rest at the asked time.</summary>
    /// <param name="trigger">What restarts it; its curve is drawn anew.</param>
    /// <param name="tempoBpm">At which the length is reckoned.</param>
    /// <returns>Settings and trigger; null where the length lies outside of what a ducker takes.</returns>
    public static (Map<double> Settings, NoteTrigger Trigger)? Solve(DuckingAsk ask, Map<double> settings, NoteTrigger trigger, double tempoBpm)
    {
        var near = DuckerLaw.NearRestDb(ask.DepthDb) / ask.DepthDb;
        var stay = Math.Min(ask.StayMs, ask.BackMs / 2);
        // Hard comes back in a line; soft falls off as a release does, and is drawn in a few points.
        var fall = ask.Soft ? Softly(near) : [new ShapePoint(0, 1), new(1, 0)];
        var place = PlaceOf(fall, near);
        var lengthMs = stay + (ask.BackMs - stay) / place;
        var quarters = lengthMs / NoteValue.Milliseconds(1, tempoBpm);
        var range = ProcessorCatalogue.Find(ProcessorCatalogue.Ducker)!.Find("length-quarters")!;
        if (!(quarters >= range.Min && quarters <= range.Max))
            return null;
        var share = stay / lengthMs;
        var curve = fall.Select(p => p with { Place = share + p.Place * (1 - share) });
        return (settings.With("depth-db", ask.DepthDb).With("length-quarters", quarters),
            trigger with { Curve = share > 0 ? [new(0, 1), .. curve] : curve.ToSequence() });
    }

    private static ShapePoint[] Softly(double near)
    {
        // Exponential from all to near rest at three quarters of its way, and to nothing at the end.
        double At(double place) => place >= 1 ? 0 : Math.Pow(near, place / 0.75);
        return [.. SoftPlaces.Select(p => new ShapePoint(p, At(p)))];
    }

    /// <summary>Where a falling curve passes a value.</summary>
    private static double PlaceOf(ShapePoint[] fall, double value)
    {
        var next = Array.FindIndex(fall, p => p.Value <= value);
        var (a, b) = (fall[next - 1], fall[next]);
        return a.Place + (b.Place - a.Place) * (a.Value - value) / (a.Value - b.Value);
    }
}
