namespace HomeStage.Core.Automation;

/// <summary>A curve that people draw often, in shares of the way from one value to another.</summary>
/// <param name="Id">A valid <see cref="Identifier"/>.</param>
/// <param name="Points">Values in [0, 1]: 0 is the value that it goes from, 1 the one that it goes to.</param>
public sealed record ShapeKind(string Id, string Name, Sequence<ShapePoint> Points)
{
    public static Sequence<ShapeKind> All { get; } =
    [
        new("rise", "goes there all the way", [new(0, 0), new(1, 1)]),
        new("late", "goes there in the last quarter", [new(0, 0), new(0.75, 0), new(1, 1)]),
        new("early", "goes there in the first quarter", [new(0, 0), new(0.25, 1), new(1, 1)]),
        new("step", "steps there half-way", [new(0, 0), new(0.4999, 0), new(0.5, 1), new(1, 1)]),
        new("there-and-back", "there and back", [new(0, 0), new(0.5, 1), new(1, 0)]),
        new("hold", "stands there all along", [new(0, 1), new(1, 1)]),
    ];
}
