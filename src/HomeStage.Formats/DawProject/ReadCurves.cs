using System.Xml.Linq;
using HomeStage.Core.Automation;
using HomeStage.Core.Templates;
using HomeStage.Core.Timing;
using HomeStage.Formats.Arranging;

namespace HomeStage.Formats.DawProject;

/// <summary>Points of automation as curves over sections: of faders, pans, sends and the controls of generic devices. What holds to the next section holds there.</summary>
/// <param name="targets">By the XML id of its parameter what can be moved, and how it is said.</param>
internal sealed class ReadCurves(IReadOnlyDictionary<string, MovedParameter> targets, FoundTimeline found, ReadingBudget budget)
{
    /// <summary>A line of the format's own unit is one of ours where so many places between are looked at.</summary>
    private const int Between = 16;

    private const double HardlyApart = 1e-6;

    /// <summary>What is nearer to where the value stands by itself is no movement, as a share of what is told apart.</summary>
    private const double SameValue = 0.1;

    private readonly HashSet<(ChannelId, Target)> _moved = [];
    private readonly HashSet<XElement> _taken = [];

    /// <summary>Whether points have become curves.</summary>
    public bool Took(XElement points) => _taken.Contains(points);

    /// <returns>The channel with its curves.</returns>
    /// <param name="pointsOf">As <see cref="Points"/> has them.</param>
    public Channel On(Channel channel, ILookup<ChannelId, XElement> pointsOf)
    {
        var shapes = new List<Shape>();
        foreach (var points in pointsOf[channel.Id])
        {
            var (_, target, said) = targets[points.Element("Target").Text("parameter")!];
            if (MovedRange.Of(channel, target) is not { } range || _moved.Contains((channel.Id, target)))
                continue;
            var curves = Curves(range, target, said, points).ToList();
            if (shapes.Count + curves.Count > Shape.MostOnAChannel)
                continue;
            _moved.Add((channel.Id, target));
            _taken.Add(points);
            shapes.AddRange(curves);
        }

        return shapes.Count == 0 ? channel : channel with { Shapes = shapes.ToSequence() };
    }

    /// <summary>Points of the arrangement by the channel whose value they move; what counts in seconds, or lies in a clip, is not among them.</summary>
    public ILookup<ChannelId, XElement> Points(XElement? arrangement) =>
        (arrangement?.Descendants("Points") ?? []).Where(p => p.Element("Target").Text("parameter") is { } id && targets.ContainsKey(id) && p.AncestorsAndSelf().All(a => a.Text("timeUnit") != "seconds" && a.Name.LocalName != "Clip"))
            .ToLookup(p => targets[p.Element("Target").Text("parameter")!].Channel);

    private IEnumerable<Shape> Curves(MovedRange range, Target target, ProjectValue value, XElement points)
    {
        var said = Said(value, points);
        if (said.Count == 0)
            yield break;
        budget.Spend((long)said.Count * (Between + found.Timeline.Sections.Count));
        for (var n = 0; n < found.Timeline.Sections.Count; n++)
        {
            var section = found.Timeline.Sections[n];
            var (start, quarters) = (found.Starts[n], found.Timeline.TicksOf(section) / (double)Ticks.PerQuarter);
            var curve = Thinned(Sampled(said, x => range.Held(value.Ours(x)), start, quarters), range);
            if (curve.Exists(p => Math.Abs(range.Heard(p.Value) - range.Heard(range.Stored)) > SameValue))
                yield return new(target, section.Id, curve.ToSequence());
        }
    }

    /// <summary>In the unit in which the format goes in a straight line.</summary>
    private static List<(double Quarters, double Value, bool Glides)> Said(ProjectValue value, XElement points) =>
        [.. points.Elements("RealPoint").Select(p => (Quarters: p.Number("time"), Value: p.Number("value"), Glides: p.Text("interpolation") == "linear")).Where(p => p.Quarters is not null && p.Value is not null)
            .Select(p => (p.Quarters!.Value, value.Meant(points.Text("unit"), p.Value!.Value), p.Glides)).OrderBy(p => p.Item1)];

    /// <summary>Over one section: where it begins and ends, at each point, and between points that it glides from one to another.</summary>
    private static List<ShapePoint> Sampled(List<(double Quarters, double Value, bool Glides)> said, Func<double, double> ours, double start, double quarters)
    {
        double At(double at)
        {
            var last = LastAt(said, at + HardlyApart);
            if (last < 0 || last == said.Count - 1 || !said[last].Glides)
                return said[Math.Max(0, last)].Value;
            var (from, to) = (said[last], said[last + 1]);
            return to.Quarters <= from.Quarters ? to.Value : from.Value + (to.Value - from.Value) * Math.Clamp((at - from.Quarters) / (to.Quarters - from.Quarters), 0, 1);
        }

        var places = new SortedDictionary<double, double>();
        void Put(double at, double value) => places[Math.Clamp((at - start) / quarters, 0, 1)] = ours(value);
        var end = start + quarters;
        Put(start, At(start));
        for (var n = 0; n < said.Count; n++)
        {
            var (at, value, glides) = said[n];
            var next = n + 1 < said.Count ? said[n + 1].Quarters : double.PositiveInfinity;
            if (next < start || at > end)
                continue;
            if (at > start + HardlyApart && at < end - HardlyApart)
                Put(at, value);
            if (glides && n + 1 < said.Count)
                for (var i = 1; i < Between; i++)
                    if (at + (next - at) * i / Between is var between && between > start && between < end)
                        Put(between, At(between));
            // What holds until the next steps there.
            if (!glides && next > start + HardlyApart && next <= end + HardlyApart && n + 1 < said.Count && next - 1e-3 > Math.Max(at, start))
                Put(next - 1e-3, value);
        }

        Put(end, At(end - 1e-9 - HardlyApart));
        return [.. places.Select(p => new ShapePoint(p.Key, p.Value))];
    }

    /// <returns>The last of them that is not after a time, by halving; −1 where all are.</returns>
    private static int LastAt(List<(double Quarters, double Value, bool Glides)> said, double at)
    {
        var (from, to) = (0, said.Count);
        while (from < to)
            if (said[(from + to) / 2].Quarters <= at)
                from = (from + to) / 2 + 1;
            else
                to = (from + to) / 2;
        return from - 1;
    }

    /// <summary>Without points that lie on the way between others, by Ramer and Douglas–Peucker (1972, 1973); the most that a curve may have.</summary>
    private static List<ShapePoint> Thinned(List<ShapePoint> points, MovedRange range)
    {
        var kept = new SortedSet<int> { 0, points.Count - 1 };
        var stretches = new PriorityQueue<(int From, int To, int At), double>();
        void Look(int from, int to)
        {
            var (worst, at) = (0.0, -1);
            for (var i = from + 1; i < to; i++)
            {
                var share = (points[i].Place - points[from].Place) / (points[to].Place - points[from].Place);
                var off = Math.Abs(range.Heard(range.Scale.Between(points[from].Value, points[to].Value, share)) - range.Heard(points[i].Value));
                if (off > worst)
                    (worst, at) = (off, i);
            }

            if (worst > 1)
                stretches.Enqueue((from, to, at), -worst);
        }

        Look(0, points.Count - 1);
        while (kept.Count < Shape.MostPoints && stretches.TryDequeue(out var stretch, out _))
        {
            kept.Add(stretch.At);
            Look(stretch.From, stretch.At);
            Look(stretch.At, stretch.To);
        }

        return [.. kept.Select(i => points[i])];
    }
}
