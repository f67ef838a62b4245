using HomeStage.Core.Automation;
using HomeStage.Core.Catalogue;
using HomeStage.Core.Controls;
using HomeStage.Core.Templates;
using HomeStage.Core.Timing;

namespace HomeStage.Core.Playing;

/// <summary>Where every value stands at every time: its own, a lever's, or a prepared curve's.</summary>
/// <remarks>A curve on the value itself goes before a lever, and a lever before the value that is stored. A curve holds over its
/// section; outside of it the value is that of the lever or its own.</remarks>
public sealed class Movement
{
    private readonly TimeMap _time;
    private readonly ChannelList _channels;
    private readonly ILookup<(ChannelId, Target), Shape> _shapes;
    private readonly Dictionary<(ChannelId, Target), (Lever Lever, LeverRange Range)> _levers = [];

    public Movement(Template template)
    {
        _time = new(template.Timeline);
        _channels = template.Channels;
        _shapes = template.Channels.SelectMany(c => c.Shapes.Select(s => (Key: (c.Id, s.Target), Shape: s))).ToLookup(x => x.Key, x => x.Shape);
        // Where two levers move one value, the first one has it.
        foreach (var lever in template.Levers)
            foreach (var range in lever.Ranges)
                _levers.TryAdd((range.Channel, range.Target), (lever, range));
    }

    /// <summary>Whether anything but the stored value ever holds.</summary>
    public bool Holds(ChannelId channel, Target target) =>
        _levers.ContainsKey((channel, target)) || _shapes.Contains((channel, target));

    /// <summary>Whether the value changes in time.</summary>
    public bool Moves(ChannelId channel, Target target) =>
        _shapes.Contains((channel, target))
        || (_levers.TryGetValue((channel, target), out var moved) && moved.Lever.Shapes.Count > 0);

    /// <param name="stored">The value that the channel holds itself.</param>
    /// <param name="seconds">From the start of the timeline.</param>
    public double At(ChannelId channel, Target target, double stored, double seconds)
    {
        var (section, place) = PlaceAt(seconds);
        if (section is not null && _shapes[(channel, target)].FirstOrDefault(s => s.Section == section) is { } shape)
            return shape.At(place, ScaleOf(channel, target));
        if (!_levers.TryGetValue((channel, target), out var moved))
            return stored;
        var curve = section is null ? null : moved.Lever.Shapes.FirstOrDefault(s => s.Section == section);
        return moved.Range.At(curve is null ? moved.Lever.Position : ShapePoint.At(curve.Points, place), ScaleOf(channel, target));
    }

    private Scale ScaleOf(ChannelId channel, Target target) => target switch
    {
        LevelTarget or SendTarget => Scale.Level,
        InsertTarget insert => ScaleOf(_channels[channel].Inserts.FirstOrDefault(i => i.Id == insert.Insert)?.Find(insert.Parameter)),
        InstrumentTarget instrument => ScaleOf((_channels[channel].Source as InstrumentSource)?.Find(instrument.Parameter)),
        _ => Scale.Linear,
    };

    private static Scale ScaleOf(Parameter? parameter) => parameter?.Unit == Unit.Hertz ? Scale.Octaves : Scale.Linear;

    private (string? Section, double Place) PlaceAt(double seconds)
    {
        foreach (var section in _time.Sections)
            if (seconds >= section.StartSeconds && seconds < section.StartSeconds + section.LengthSeconds)
                return (section.Section.Id, (seconds - section.StartSeconds) / section.LengthSeconds);
        return (null, 0);
    }
}
