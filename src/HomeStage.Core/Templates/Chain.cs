namespace HomeStage.Core.Templates;

/// <summary>Several inserts of a strip as one thing, with controls of its own.</summary>
/// <param name="Id">A valid <see cref="Identifier"/>, unique on the channel.</param>
/// <param name="Name">1 to 40 characters.</param>
/// <param name="Inserts">Each is of one chain at most. One that was taken out is passed over, and is of the chain again when it comes back.</param>
public sealed record Chain(string Id, string Name, Sequence<InsertId> Inserts)
{
    public const int MostOnAChannel = 16;

    /// <summary>As they are shown, from left to right.</summary>
    public Sequence<ChainControl> Controls { get; init; } = [];
}

/// <summary>One control of a chain: turned, it sets what is inside.</summary>
/// <param name="Id">A valid <see cref="Identifier"/>, unique in the chain.</param>
/// <param name="Name">1 to 40 characters.</param>
/// <param name="Position">In [0, 1].</param>
public sealed record ChainControl(string Id, string Name, double Position, Sequence<ChainMove> Moves)
{
    public const int MostInAChain = 8;
    public const int MostMoves = 32;
}

/// <summary>What a control does to one insert of its chain.</summary>
/// <param name="Parameter">Id of the value that it moves; null where it switches the insert on and off.</param>
/// <param name="From">Where the value stands at 0; of a switch the position from which the insert works, in [0, 1].</param>
/// <param name="To">Where the value stands at 1, it may lie below; of a switch the position up to which it works, in [0, 1].</param>
public sealed record ChainMove(InsertId Insert, string? Parameter, double From, double To);
