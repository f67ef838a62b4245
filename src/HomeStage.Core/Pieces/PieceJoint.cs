using HomeStage.Core.Templates;

namespace HomeStage.Core.Pieces;

/// <summary>What a piece was joined with where it was taken from, and with what it is joined here.</summary>
/// <param name="Outside">A channel of the piece's stage that is no part of it.</param>
/// <param name="Name">What that is called there.</param>
/// <param name="Words">How the two are joined: "Singers goes there", "3 channels send to it".</param>
/// <param name="Choices">Channels of the template that could be it.</param>
/// <param name="To">With which of them it is joined; null for none.</param>
/// <param name="ComesAlong">Whether it is put in as well, as a channel of its own.</param>
/// <param name="Missing">What is lost as it is joined with nothing; null where it is joined.</param>
public sealed record PieceJoint(ChannelId Outside, string Name, string Words, Sequence<ChannelId> Choices, ChannelId? To, bool ComesAlong, string? Missing)
{
    /// <summary>Said of a joint that is to come along.</summary>
    public const string Along = "*";

    public bool CanComeAlong { get; init; }

    /// <summary>What is of use by itself: an effect, or a trigger that nobody hears.</summary>
    internal static bool MayComeAlong(ChannelKind kind) => kind is ChannelKind.Return or ChannelKind.Trigger;
}
