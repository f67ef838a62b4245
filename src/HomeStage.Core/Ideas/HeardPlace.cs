using HomeStage.Core.Timing;

namespace HomeStage.Core.Ideas;

/// <summary>Turns a place in what was heard into a place on the timeline.</summary>
public sealed class HeardPlace
{
    /// <summary>The longest that is kept of what was heard.</summary>
    public const double LongestSeconds = 300;

    private readonly TimeMap _map;
    private readonly double _startSeconds;

    /// <param name="section">Id of the one section that was heard; null for the whole timeline.</param>
    public HeardPlace(Timeline timeline, string? section)
    {
        _map = new(timeline);
        _startSeconds = section is null ? 0 : _map.Find(section)!.StartSeconds;
        Heard = section is null ? _map.Sections : [_map.Find(section)!];
    }

    /// <summary>The sections that were heard, in order.</summary>
    public IReadOnlyList<PlacedSection> Heard { get; }

    /// <param name="seconds">From the start of what was heard; beyond its end it is the last section.</param>
    public PlacedSection SectionAt(double seconds) => Heard.LastOrDefault(s => s.StartSeconds <= _startSeconds + seconds) ?? Heard[0];

    /// <returns>Ticks from a section's start; below 0 before it, by that section's tempo.</returns>
    public double TickIn(PlacedSection section, double seconds) => NoteValue.TicksIn(_startSeconds + seconds - section.StartSeconds, section.TempoBpm);
}
