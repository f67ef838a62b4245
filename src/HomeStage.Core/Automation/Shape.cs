namespace HomeStage.Core.Automation;

/// <summary>A prepared curve over a section.</summary>
/// <param name="Section">Id of the section that it is tied to.</param>
/// <param name="Points">2 to 256, ascending in place; between them as the scale of what it moves has it.</param>
public sealed record Shape(Target Target, string Section, Sequence<ShapePoint> Points)
{
    public const int MostOnAChannel = 256;
    public const int MostPoints = 256;

    /// <param name="place">In [0, 1]: from the section's start to its end.</param>
    /// <param name="scale">Of what it moves.</param>
    /// <returns>The value there; before the first point its value, after the last its.</returns>
    public double At(double place, Scale scale) => ShapePoint.At(Points, place, scale);
}

/// <summary>One point of a curve.</summary>
/// <param name="Place">In [0, 1]: from the section's start to its end.</param>
/// <param name="Value">Finite; in the unit of what it moves. A level of −200 dB is silence.</param>
public sealed record ShapePoint(double Place, double Value)
{
    /// <returns>The value at a place in [0, 1]; before the first point its value, after the last its.</returns>
    public static double At(Sequence<ShapePoint> points, double place, Scale scale = Scale.Linear)
    {
        // It is asked at every frame: nothing is made on the heap.
        var next = 0;
        while (next < points.Count && !(points[next].Place > place))
            next++;
        if (next == points.Count)
            return points[^1].Value;
        if (next == 0)
            return points[0].Value;
        var (from, to) = (points[next - 1], points[next]);
        return scale.Between(from.Value, to.Value, (place - from.Place) / (to.Place - from.Place));
    }

    internal static Refusal? Check(string what, Sequence<ShapePoint> points)
    {
        if (!(points.Count is >= 2 and <= Shape.MostPoints))
            return new Refusal.OutOfRange($"The points of {what}", points.Count, 2, Shape.MostPoints, "");
        var sound = points.All(p => p.Place is >= 0 and <= 1 && double.IsFinite(p.Value))
            && points.Zip(points.Skip(1)).All(x => x.First.Place < x.Second.Place);
        return sound ? null : new Refusal.WrongPlace(what, "needs points that ascend from 0 to 1, each with a value");
    }
}
