using System.Xml.Linq;
using HomeStage.Core.Automation;
using HomeStage.Core.Catalogue;
using HomeStage.Core.Playing;
using HomeStage.Core.Templates;
using HomeStage.Core.Timing;
using static HomeStage.Formats.DawProject.ProjectValue;

namespace HomeStage.Formats.DawProject;

/// <summary>Curves and levers as points of automation.</summary>
/// <remarks>Between two points the format goes in a straight line of its own unit. Where ours is a line of decibels or of octaves, points are put
/// between, so that what is heard is within a tenth of a decibel or of a semitone for moves of up to twenty decibels or an octave between two of ours.</remarks>
internal sealed class MovingElements(Template template, TimeMap time)
{
    /// <summary>Steps between two points of a curve that is no straight line in the format's unit.</summary>
    private const int Between = 16;

    /// <summary>Just before the end of a section, where its curve ends and the next has not begun.</summary>
    private const double NearlyAll = 1 - 1e-9;

    private readonly Movement _movement = new(template);

    /// <returns>One for each value of the channel that moves and that the format can say.</returns>
    public IEnumerable<XElement> On(Channel channel) =>
        from value in MovableValue.On(template, channel)
        where _movement.Moves(channel.Id, value.Target) && Place(channel, value.Target) is not null
        let place = Place(channel, value.Target)!.Value
        select new XElement("Points",
            new XAttribute("unit", place.Value.Unit), new XElement("Target", new XAttribute("parameter", place.Id)), Points(channel, value, place.Value));

    /// <summary>What the format calls a value, and how it counts it; null where it cannot say it.</summary>
    public static (string Id, ProjectValue Value)? Place(Channel channel, Target target) => target switch
    {
        LevelTarget => (ProjectIds.Volume(channel.Id), Volume),
        PanTarget => (ProjectIds.Pan(channel.Id), ProjectValue.Pan),
        SendTarget send when channel.Sends.Any(s => s.To == send.To && s.Open) => (ProjectIds.Send(channel.Id, send.To), Volume),
        InsertTarget moved when channel.Inserts.FirstOrDefault(i => i.Id == moved.Insert) is { } insert && DeviceElements.ValueOf(insert, moved.Parameter) is { } value =>
            (ProjectIds.Parameter(channel.Id, insert.Id, moved.Parameter), value),
        _ => null,
    };

    private IEnumerable<XElement> Points(Channel channel, MovableValue value, ProjectValue said)
    {
        var stored = StoredValue.Of(channel, value.Target) ?? value.Min;
        foreach (var section in time.Sections)
        {
            double At(double place) => said.Said(_movement.At(channel.Id, value.Target, stored, section.StartSeconds + Math.Min(place, NearlyAll) * section.LengthSeconds));
            var places = Places(channel, value, section.Section.Id);
            foreach (var place in places)
                yield return new("RealPoint",
                    new XAttribute("time", Number(LaneElements.Quarters(section.StartTick) + place * LaneElements.Quarters(section.LengthTicks))), new XAttribute("value", Number(At(place))),
                    new XAttribute("interpolation", places.Count > 1 && place < 1 ? "linear" : "hold"));
        }
    }

    /// <returns>In [0, 1], ascending: the start alone where nothing moves in the section.</returns>
    private List<double> Places(Channel channel, MovableValue value, string section)
    {
        var own = channel.Shapes.FirstOrDefault(s => s.Target.Equals(value.Target) && s.Section == section)?.Points;
        var lever = own is not null ? null : template.Levers.FirstOrDefault(l => l.Ranges.Any(r => r.Channel == channel.Id && r.Target.Equals(value.Target)))?.Shapes.FirstOrDefault(s => s.Section == section)?.Points;
        if ((own ?? lever) is not { } points)
            return [0];
        var said = points.Select(p => p.Place).Append(0).Append(1).Distinct().Order().ToList();
        return value.Scale == Scale.Linear ? said : [.. said.Zip(said.Skip(1)).SelectMany(x => Enumerable.Range(0, Between).Select(i => x.First + (x.Second - x.First) * i / Between)), 1];
    }
}
