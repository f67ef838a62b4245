using HomeStage.Core.Timing;

namespace HomeStage.Core.Notes;

/// <summary>A rhythm of a bar that goes by a name.</summary>
/// <param name="Ticks">From the start of the bar, ascending.</param>
public sealed record StepFigure(string Name, Sequence<int> Ticks)
{
    /// <returns>Those that a bar of a meter has, by its felt beats: common practice.</returns>
    public static IEnumerable<StepFigure> In(Meter meter)
    {
        var (bar, beat) = (meter.TicksPerBar, meter.TicksPerFeltBeat);
        // What lies between two beats: halves, or the thirds of a dotted beat.
        var part = beat / (meter.IsCompound ? 3 : 2);
        yield return new("every beat", Every(bar, beat, 0));
        yield return new("off the beat", Every(bar, beat, meter.IsCompound ? 2 * part : part));
        if (bar / beat is >= 2 and var beats && beats % 2 == 0)
            yield return new("the backbeat", Every(bar, 2 * beat, beat));
        yield return new("the downbeat", [0]);
        yield return new(meter.IsCompound ? "every third of a beat" : "every half beat", Every(bar, part, 0));
        yield return new(meter.IsCompound ? "every sixth of a beat" : "every quarter of a beat", Every(bar, part / 2, 0));
    }

    private static Sequence<int> Every(int bar, int step, int first) => [.. Enumerable.Range(0, bar / step + 1).Select(i => first + i * step).Where(t => t < bar)];
}
