using HomeStage.Core.Editing;
using HomeStage.Core.Editing.Comparing;
using HomeStage.Core.Editing.Words;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Reviews;

/// <summary>What a song does otherwise than the template as it was when the song began. Small enough to be kept with every song.</summary>
/// <param name="Count">How many single edits lie between the two, beside tempo, sections and key, which are every song's own.</param>
/// <param name="Words">The first of them, a sentence each.</param>
/// <param name="TempoBpm">Of the song; null where it kept the template's.</param>
/// <param name="Key">Of the song; null where it has none, or kept the template's.</param>
/// <param name="Levels">Faders that were moved.</param>
/// <param name="Unheard">Channels that were heard in the template and are muted, turned off or off stage in every act here.</param>
/// <param name="Removed">Channels of the template that are gone.</param>
/// <param name="Added">Channels that the template did not have.</param>
/// <param name="Inserts">Inserts of the template that are gone or are another processor.</param>
/// <param name="Kept">Starters that the template had not, or had otherwise: ideas that were kept, sounds that were laid, prints.</param>
public sealed record SongChanges(
    int Count, Sequence<string> Words, double? TempoBpm, MusicalKey? Key, Sequence<MovedLevel> Levels, Sequence<ChannelId> Unheard, Sequence<ChannelId> Removed,
    Sequence<AddedChannel> Added, Sequence<ChangedInsert> Inserts, Sequence<KeptStarter> Kept)
{
    /// <summary>How many sentences are kept.</summary>
    public const int MostWords = 6;

    /// <param name="began">The template at the revision that the song began from.</param>
    /// <param name="song">As it is now.</param>
    public static SongChanges Of(Template began, Template song)
    {
        var edits = Difference.Between(began, song with { Name = began.Name, Parent = began.Parent }).Where(e => e is not (SetTimeline or SetMusicalKey)).ToList();
        var both = began.Channels.Where(c => song.Channels.Contains(c.Id)).Select(c => (Was: c, Now: song.Channels[c.Id])).ToList();
        return new(
            edits.Count,
            EditWords.OfBatch([.. edits.Take(MostWords)], began),
            song.Timeline.TempoBpm == began.Timeline.TempoBpm ? null : song.Timeline.TempoBpm,
            song.Key == began.Key ? null : song.Key,
            both.Where(c => c.Was.Level != c.Now.Level).Select(c => new MovedLevel(c.Was.Id, c.Was.Level, c.Now.Level)).ToSequence(),
            both.Where(c => IsHeard(began, c.Was) && !IsHeard(song, c.Now)).Select(c => c.Was.Id).ToSequence(),
            began.Channels.Where(c => !song.Channels.Contains(c.Id)).Select(c => c.Id).ToSequence(),
            song.Channels.Where(c => !began.Channels.Contains(c.Id) && c.Kind != ChannelKind.Split).Select(c => new AddedChannel(c.Name, c.Kind, c.Format, c.Destination, (c.Source as InstrumentSource)?.Instrument)).ToSequence(),
            both.SelectMany(c => ChangedInsert.Between(c.Was, c.Now)).ToSequence(),
            song.Channels.SelectMany(c => KeptStarter.Between(began.Channels.TryGet(c.Id, out var was) ? was : null, c)).ToSequence());
    }

    private static bool IsHeard(Template template, Channel channel) =>
        !channel.Muted && !channel.Level.IsSilence && template.Acts.Any(a => channel.StageIn(a.Id) == StageState.OnStage);
}

/// <summary>A fader of the template's that a song has moved.</summary>
public sealed record MovedLevel(ChannelId Channel, Decibels Was, Decibels Now);

/// <summary>A channel that a song has and its template had not.</summary>
/// <param name="Under">What it feeds; null for what feeds nothing.</param>
/// <param name="Instrument">Id in the instrument catalogue; null for none.</param>
public sealed record AddedChannel(string Name, ChannelKind Kind, ChannelFormat Format, ChannelId? Under, string? Instrument);
