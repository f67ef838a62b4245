using HomeStage.Core.Templates;
using HomeStage.Core.Timing;

namespace HomeStage.Core.Striking;

/// <summary>A song that is to be struck, with what is known of it beside what it holds.</summary>
/// <param name="Begun">The template that it was started from, as it was then: what that had set up is no take and no print. Null where nobody knows of one.</param>
/// <param name="Elsewhere">What its channels held in a project from elsewhere; empty for a song that was made here.</param>
public sealed record StruckSong(Template Song, Template? Begun, Sequence<HeldElsewhere> Elsewhere)
{
    /// <returns>The channel as the template had it that the song was started from, where that has it under the same name; null otherwise.</returns>
    internal Channel? Prepared(Channel channel) => Begun is not null && Begun.Channels.TryGet(channel.Id, out var known) && known.Name == channel.Name ? known : null;

    /// <returns>Tempo, meter, sections and count-in of what comes of it: those of the song where they shall stay, else those that it began with.</returns>
    internal Timeline TimelineAfter(StrikeWish wish) =>
        (wish.Tempo ? Song.Timeline : Begun?.Timeline ?? EmptyStage.Create(Song.Name).Timeline) with { CountIn = wish.CountIn ? Song.Timeline.CountIn : Begun?.Timeline.CountIn };
}
