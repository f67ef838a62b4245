using System.Globalization;
using HomeStage.Core.Catalogue;
using HomeStage.Core.Editing;
using HomeStage.Core.Templates;
using HomeStage.Core.Timing;

namespace HomeStage.Core.Reviews;

/// <summary>What a template's songs say about it. Something is said only where at least three songs, and more than half of them all, agree.</summary>
public sealed class Reviewing
{
    /// <summary>Fewer songs than this say nothing.</summary>
    public const int FewestSongs = 3;

    /// <summary>What is moved by less is not worth a word.</summary>
    private const double SmallestDb = 0.5, SmallestBpm = 1;

    private readonly Template _template;
    private readonly IReadOnlyList<ReviewedSong> _songs;

    private Reviewing(Template template, IReadOnlyList<ReviewedSong> songs) => (_template, _songs) = (template, songs);

    /// <param name="template">As it is now; what was taken in already is not said.</param>
    /// <param name="songs">All songs that began from it.</param>
    /// <returns>The most agreed upon first; without what is accepted as it is.</returns>
    public static IReadOnlyList<Review> Of(Template template, IReadOnlyList<ReviewedSong> songs)
    {
        var reviewing = new Reviewing(template, songs);
        return [.. reviewing.All().Where(r => !template.Accepted.ContainsKey(r.Key) && Batch.Apply(template, r.Edits) is BatchResult.Applied).OrderByDescending(r => r.Songs.Count).ThenBy(r => r.Key, StringComparer.Ordinal)];
    }

    private IEnumerable<Review> All() =>
        Levels().Concat(Gone()).Concat(Unheard()).Concat(Added()).Concat(Inserts()).Concat(Tempos()).Concat(Keys());

    private IEnumerable<Review> Levels()
    {
        foreach (var moved in _songs.SelectMany(s => s.Changes.Levels.Where(l => !l.Was.IsSilence && !l.Now.IsSilence).Select(l => (Song: s, Moved: l))).GroupBy(m => m.Moved.Channel))
        {
            if (!_template.Channels.TryGet(moved.Key, out var channel) || channel.Level.IsSilence)
                continue;
            foreach (var down in (bool[])[true, false])
            {
                var alike = moved.Where(m => m.Moved.Now < m.Moved.Was == down).ToList();
                var target = Math.Round(Middle(alike.Select(m => m.Moved.Now.Value)) * 2) / 2;
                // Where the template has gone that way itself since, there is nothing more to say.
                if (!Agree(alike.Count) || (down ? channel.Level.Value - target : target - channel.Level.Value) < SmallestDb)
                    continue;
                var by = alike.Select(m => Math.Abs(m.Moved.Now.Value - m.Moved.Was.Value)).Order().ToList();
                yield return new(
                    $"review/level/{channel.Id}",
                    $"{channel.Name} was turned {(down ? "down" : "up")} in {OfAll(alike.Count)}, by {Number(Middle(by))} dB in the middle{(by[0] < by[^1] ? $" ({Number(by[0])} to {Number(by[^1])})" : "")}.",
                    Said(alike.Select(m => (m.Song, $"{m.Moved.Was} → {m.Moved.Now}"))),
                    [new SetLevel(channel.Id, new(target))]);
            }
        }
    }

    private IEnumerable<Review> Gone() =>
        from gone in _songs.SelectMany(s => s.Changes.Removed.Select(c => (Song: s, Channel: c))).GroupBy(r => r.Channel)
        where Agree(gone.Count()) && _template.Channels.Contains(gone.Key)
        let name = _template.Channels[gone.Key].Name
        select new Review($"review/removed/{gone.Key}", $"{name} was taken out of {OfAll(gone.Count())}.", Said(gone.Select(g => (g.Song, ""))), [new RemoveChannel(gone.Key)]);

    private IEnumerable<Review> Unheard() =>
        from silent in _songs.SelectMany(s => s.Changes.Unheard.Select(c => (Song: s, Channel: c))).GroupBy(r => r.Channel)
        where Agree(silent.Count()) && _template.Channels.TryGet(silent.Key, out var channel) && !channel.Muted && _template.Acts.Any(a => channel.StageIn(a.Id) == StageState.OnStage)
        select new Review(
            $"review/unheard/{silent.Key}", $"{_template.Channels[silent.Key].Name} is never heard in {OfAll(silent.Count())}.", Said(silent.Select(g => (g.Song, ""))),
            _template.Acts.Select(a => (Edit)new SetStage(silent.Key, a.Id, StageState.InTheWings)).ToSequence());

    private IEnumerable<Review> Added()
    {
        foreach (var alike in _songs.SelectMany(s => s.Changes.Added.Select(a => (Song: s, Added: a))).GroupBy(a => (Name: a.Added.Name.ToUpperInvariant(), a.Added.Kind, a.Added.Under)))
        {
            // One song may have several of a name.
            var songs = alike.DistinctBy(a => a.Song.Id).ToList();
            var added = alike.First().Added;
            if (!Agree(songs.Count) || (added.Under is { } under && !_template.Channels.Contains(under))
                || _template.Channels.Any(c => c.Kind == added.Kind && c.Destination == added.Under && string.Equals(c.Name, added.Name, StringComparison.OrdinalIgnoreCase)))
                continue;
            var where = added.Under is { } bus ? $" under {_template.Channels[bus].Name}" : "";
            yield return new(
                $"review/added/{alike.Key.Name}/{added.Under?.Value}",
                $"{added.Name} was added{where} in {OfAll(songs.Count)}.",
                Said(songs.Select(a => (a.Song, ""))),
                [new MakeChannel(new(added.Kind) { Name = added.Name, Under = added.Under, Format = added.Format, Instrument = added.Instrument })]);
        }
    }

    private IEnumerable<Review> Inserts() =>
        from changed in _songs.SelectMany(s => s.Changes.Inserts.Select(i => (Song: s, Insert: i))).GroupBy(i => (i.Insert.Channel, i.Insert.Insert, i.Insert.Was, i.Insert.Now))
        where Agree(changed.Count())
            && _template.Channels.TryGet(changed.Key.Channel, out var channel) && channel.Inserts.Any(i => i.Id == changed.Key.Insert && i.Processor == changed.Key.Was)
        let what = $"The {NameOf(changed.Key.Was)} on {_template.Channels[changed.Key.Channel].Name}"
        select changed.Key.Now is { } now
            ? new Review($"review/insert/{changed.Key.Channel}/{changed.Key.Insert}", $"{what} gave way to a {NameOf(now)} in {OfAll(changed.Count())}.", Said(changed.Select(c => (c.Song, ""))), [new ReplaceInsert(changed.Key.Channel, changed.Key.Insert, now)])
            : new Review($"review/insert/{changed.Key.Channel}/{changed.Key.Insert}", $"{what} was taken out of {OfAll(changed.Count())}.", Said(changed.Select(c => (c.Song, ""))), [new RemoveInsert(changed.Key.Channel, changed.Key.Insert)]);

    private IEnumerable<Review> Tempos()
    {
        var own = _songs.Where(s => s.Changes.TempoBpm is not null).ToList();
        foreach (var slower in (bool[])[true, false])
        {
            var alike = own.Where(s => s.Changes.TempoBpm < _template.Timeline.TempoBpm == slower).ToList();
            if (!Agree(alike.Count))
                continue;
            var tempos = alike.Select(s => s.Changes.TempoBpm!.Value).Order().ToList();
            var target = Math.Round(Middle(tempos));
            if (Math.Abs(target - _template.Timeline.TempoBpm) >= SmallestBpm)
                yield return new(
                    "review/tempo",
                    $"{OfAll(alike.Count, capital: true)} are {(slower ? "slower" : "faster")}: {Number(tempos[0])} to {Number(tempos[^1])} BPM, {Number(Middle(tempos))} in the middle.",
                    Said(alike.Select(s => (s, $"{Number(s.Changes.TempoBpm!.Value)} BPM"))),
                    [new SetTimeline(TimelineWish.Of(_template.Timeline) with { TempoBpm = target })]);
        }
    }

    private IEnumerable<Review> Keys() =>
        from alike in _songs.Where(s => s.Changes.Key is not null).GroupBy(s => s.Changes.Key!)
        where Agree(alike.Count()) && _template.Key != alike.Key
        select new Review("review/key", $"{OfAll(alike.Count(), capital: true)} are in {alike.Key.Name}.", Said(alike.Select(s => (s, ""))), [new SetMusicalKey(alike.Key)]);

    private bool Agree(int songs) => songs >= FewestSongs && 2 * songs > _songs.Count;

    private string OfAll(int songs, bool capital = false) => songs == _songs.Count ? $"{(capital ? "All" : "all")} {songs} songs" : $"{songs} of {_songs.Count} songs";

    private static Sequence<Evidence> Said(IEnumerable<(ReviewedSong Song, string Words)> songs) =>
        songs.Select(s => new Evidence(s.Song.Id, s.Song.Title, s.Words)).OrderBy(e => e.Title, StringComparer.Ordinal).ThenBy(e => e.Song, StringComparer.Ordinal).ToSequence();

    private static string NameOf(string processor) => ProcessorCatalogue.Find(processor)?.Name.InASentence() ?? processor;

    /// <summary>The median: half are below, half above.</summary>
    private static double Middle(IEnumerable<double> values)
    {
        var sorted = values.Order().ToList();
        return sorted.Count == 0 ? 0 : (sorted[(sorted.Count - 1) / 2] + sorted[sorted.Count / 2]) / 2;
    }

    private static string Number(double value) => value.ToString("0.#", CultureInfo.InvariantCulture);
}
