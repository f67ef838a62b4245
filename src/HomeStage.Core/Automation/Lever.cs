namespace HomeStage.Core.Automation;

/// <summary>One control that moves several values over stated ranges.</summary>
/// <param name="Id">A valid <see cref="Identifier"/>, unique in the template.</param>
/// <param name="Name">1 to 40 characters.</param>
/// <param name="Position">In [0, 1].</param>
public sealed record Lever(string Id, string Name, double Position, Sequence<LeverRange> Ranges)
{
    public const int MostInATemplate = 64;
    public const int MostRanges = 64;

    /// <summary>Curves of its position over sections; one a section.</summary>
    public Sequence<LeverShape> Shapes { get; init; } = [];
}

/// <summary>One value that a lever moves.</summary>
/// <param name="From">Where the lever stands at 0.</param>
/// <param name="To">Where it stands at 1; may lie below.</param>
public sealed record LeverRange(ChannelId Channel, Target Target, double From, double To)
{
    /// <param name="position">Of the lever, in [0, 1].</param>
    /// <param name="scale">Of what it moves.</param>
    public double At(double position, Scale scale) => scale.Between(From, To, position);
}

/// <summary>A curve of a lever's position over a section.</summary>
/// <param name="Points">Values in [0, 1].</param>
public sealed record LeverShape(string Section, Sequence<ShapePoint> Points);
