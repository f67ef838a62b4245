using System.Globalization;
using HomeStage.Core.Catalogue;
using HomeStage.Core.Editing;
using HomeStage.Core.Editing.Words;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Striking;

/// <summary>All that goes in a strike, line by line, each as it is proposed or as somebody said otherwise.</summary>
internal sealed class StrikeLines
{
    private const int MostNamed = 4;

    // What stands at the end of a key, where a channel has several lines of a group.
    private const string Own = "/own";
    private const string Loops = "/loops";
    private const string Unsectioned = "/gone";
    private const string Elsewhere = "/elsewhere";

    private const string ItsTemplates = "the template that the song began from has it";
    private const string StayedThere = "stayed in the project";

    private readonly StruckSong _struck;
    private readonly StrikeWish _wish;
    private readonly HashSet<string> _otherwise;
    private readonly List<PrintOf> _prints;
    private readonly Dictionary<string, Edit[]> _taking = new(StringComparer.Ordinal);

    public StrikeLines(StruckSong struck, StrikeWish wish)
    {
        (_struck, _wish, _otherwise) = (struck, wish, wish.Otherwise.ToHashSet(StringComparer.Ordinal));
        _prints = [.. PrintOf.In(Song)];
        // Prints first: the print of a take is no take.
        var prints = _prints.Select(p => p.Print.Id).ToHashSet();
        Groups = [.. TakeGroup.In(Song.Channels.Where(c => c is { Kind: ChannelKind.Audio, Spare: false } && !prints.Contains(c.Id) && struck.Prepared(c) is null))];
        Lines = [.. Takes(), .. Prints(), .. Sounds(), .. Notes(), .. Curves(), .. Inserts(), .. Woken()];
        Lines = [.. Lines, .. Returns()];
        Lines = [.. Lines, .. Levels()];
    }

    public IReadOnlyList<TakeGroup> Groups { get; }

    public IReadOnlyList<StrikeLine> Lines { get; }

    private Template Song => _struck.Song;

    /// <returns>Channels that go.</returns>
    public HashSet<ChannelId> Gone => [.. Lines.Where(l => l is { Goes: true, Group: StrikeGroup.Takes or StrikeGroup.Prints or StrikeGroup.Returns }).Select(l => l.Channels[0])];

    private StrikeLine Line(StrikeGroup of, Channel channel, string words, string why, int count = 1, bool proposed = true, bool mayTurn = true, string part = "", IEnumerable<Edit>? taking = null)
    {
        var key = $"{of.ToString().ToLowerInvariant()}/{channel.Id}{part}";
        if (taking is not null)
            _taking[key] = [.. taking];
        return new(key, of, [channel.Id], words, why, count, mayTurn && _otherwise.Contains(key) ? !proposed : proposed, mayTurn);
    }

    private IEnumerable<StrikeLine> Takes() =>
        from g in Groups
        from other in g.Others
        select Line(StrikeGroup.Takes, other, other.Name, $"{g.Kept.Name} carries {g.Stem} on");

    private IEnumerable<StrikeLine> Prints() =>
        from p in _prints
        where !IsPrepared(p)
        select Line(StrikeGroup.Prints, p.Print, p.Print.Name, p.Channel.Kind == ChannelKind.Main ? "a print of the whole" : $"a print of {p.Channel.Name}");

    private IEnumerable<StrikeLine> Sounds()
    {
        foreach (var channel in Song.Channels)
        {
            var own = _struck.Prepared(channel)?.Starters ?? [];
            foreach (var (part, sounds) in channel.Starters.GroupBy(s => own.Contains(s) ? Own : IsRecorded(s) ? "" : Loops).Select(g => (g.Key, g.ToList())))
                yield return Line(StrikeGroup.Sounds, channel, $"{channel.Name}: {Named(part == Loops ? "loop" : "recording", sounds.ConvertAll(s => s.Name))}", part == Own ? ItsTemplates : "", sounds.Count, proposed: part == "" || (part == Loops && !_wish.Starters), part: part, taking: sounds.Select(x => new RemoveStarter(channel.Id, x.Name)));
        }

        foreach (var held in _struck.Elsewhere.Where(h => h.Clips > 0 && Song.Channels.Contains(h.Channel)))
            yield return Line(StrikeGroup.Sounds, Song.Channels[held.Channel], $"{Song.Channels[held.Channel].Name}: {Wording.Count(held.Clips, "clip")}", StayedThere, held.Clips, mayTurn: false, part: Elsewhere);
    }

    /// <summary>A loop is a starter; what sounds once is a recording.</summary>
    private static bool IsRecorded(Media.AudioStarter sound) => sound.Through || !sound.Loops;

    private IEnumerable<StrikeLine> Notes() =>
        from channel in Song.Channels
        let own = _struck.Prepared(channel)?.Patterns ?? []
        from patterns in channel.Patterns.GroupBy(p => own.Contains(p) ? Own : "")
        let forOthers = Leftovers.PlaysForOthers(channel)
        select Line(
            StrikeGroup.Notes, channel, $"{channel.Name}: {Named("pattern", [.. patterns.Select(p => p.Name)])}",
            patterns.Key == Own ? ItsTemplates : forOthers ? "it steers or counts, and is not heard" : "", patterns.Count(), proposed: patterns.Key == "" && !_wish.Starters && !forOthers, part: patterns.Key, taking: patterns.Select(p => new RemovePattern(channel.Id, p.Name)));

    private IEnumerable<StrikeLine> Curves()
    {
        var sections = _struck.TimelineAfter(_wish).Sections.Select(s => s.Id).ToHashSet(StringComparer.Ordinal);
        foreach (var channel in Song.Channels)
        {
            var own = _struck.Prepared(channel)?.Shapes ?? [];
            foreach (var (part, curves) in channel.Shapes.GroupBy(s => !sections.Contains(s.Section) ? Unsectioned : own.Contains(s) ? Own : "").Select(g => (g.Key, g.ToList())))
                yield return Line(StrikeGroup.Curves, channel, $"{channel.Name}: {Wording.Count(curves.Count, "curve")}", part == Own ? ItsTemplates : part == Unsectioned ? "their sections go" : "", curves.Count, proposed: part != Own, mayTurn: part != Unsectioned, part: part, taking: curves.Select(c => new RemoveShape(channel.Id, c.Target, c.Section)));
        }

        foreach (var held in _struck.Elsewhere.Where(h => h.Curves > 0 && Song.Channels.Contains(h.Channel)))
            yield return Line(StrikeGroup.Curves, Song.Channels[held.Channel], $"{Song.Channels[held.Channel].Name}: {Wording.Count(held.Curves, "curve")}", StayedThere, held.Curves, mayTurn: false, part: Elsewhere);
    }

    /// <summary>What is done on channels, line by line; that some of them go is done after it.</summary>
    public IEnumerable<Edit> Edits => Lines.Where(l => l.Goes).SelectMany(l => _taking.GetValueOrDefault(l.Key) ?? []);

    private IEnumerable<StrikeLine> Inserts() =>
        from channel in Song.Channels
        from place in Enumerable.Range(1, Math.Max(0, channel.Inserts.Count - 1))
        let insert = channel.Inserts[place]
        where IsDoubleOf(insert, channel.Inserts[place - 1])
        select Line(StrikeGroup.Inserts, channel, $"{channel.Name}: {insert.Title()}", "the one before it is the same, set the same", part: $"/{insert.Id}", taking: [new RemoveInsert(channel.Id, insert.Id)]);

    private static bool IsDoubleOf(Insert insert, Insert before) => before with { Id = insert.Id, Notes = insert.Notes, Off = insert.Off, ParkedIn = insert.ParkedIn } == insert;

    private IEnumerable<StrikeLine> Woken() =>
        from p in _prints
        where p.Channel.Kind != ChannelKind.Main && (!Stays(p) || p.Print.Starters.Any(IsRecorded))
        group p.Print by p.Channel.Id into prints
        let channel = Song.Channels[prints.Key]
        let waking = Waking(channel, [.. prints]).ToList()
        where waking.Count > 0
        select Line(StrikeGroup.Woken, channel, channel.Name, $"it {(channel.Muted ? "was muted" : "rested")} while {prints.First().Name} sounded in its place", taking: waking);

    /// <summary>Whether a channel for prints was set up: the template had it that the song began from, or nothing was printed to it yet.</summary>
    private bool IsPrepared(PrintOf print) => _struck.Prepared(print.Print) is not null || (print.Channel.PrintTwin == print.Print.Id && print.Print.Starters.Count == 0);

    private bool Stays(PrintOf print) => IsPrepared(print) || _otherwise.Contains($"prints/{print.Print.Id}");

    /// <summary>What brings an instrument back, and its prints to where the template had them; what that had set up so stays so.</summary>
    private IEnumerable<Edit> Waking(Channel channel, IReadOnlyList<Channel> prints)
    {
        var had = _struck.Prepared(channel);
        if (channel.Muted && had is not { Muted: true })
            yield return new SetMute(channel.Id, false);
        var everywhere = StrikeCounts.IsEverywhere(Song, channel, StageState.InTheWings);
        foreach (var act in Song.Acts.Where(a => channel.StageIn(a.Id) == StageState.InTheWings && (everywhere || prints.Any(p => p.StageIn(a.Id) != StageState.InTheWings))))
            if ((had?.StageIn(act.Id) ?? StageState.OnStage) is var state and not StageState.InTheWings)
            {
                yield return new SetStage(channel.Id, act.Id, state);
                foreach (var print in prints)
                    if (_struck.Prepared(print)?.StageIn(act.Id) is { } there && there != print.StageIn(act.Id))
                        yield return new SetStage(print.Id, act.Id, there);
            }
    }

    private IEnumerable<StrikeLine> Levels()
    {
        var gone = Gone;
        return from channel in Song.Channels
               where !_wish.Levels && !gone.Contains(channel.Id)
               // One that was muted for its print is told of where it comes back.
               let edits = Resting.Edits(channel, channel, _struck.Prepared(channel)).Where(e => !IsWaking(channel, e)).ToList()
               where edits.Count > 0
               select Line(StrikeGroup.Levels, channel, $"{channel.Name}: {string.Join(", ", edits.Select(e => Said(channel, e)))}", _struck.Prepared(channel) is null ? "" : "to where the template had it", taking: edits);
    }

    private bool IsWaking(Channel channel, Edit edit) => edit is SetMute { Muted: false } && _taking.GetValueOrDefault($"woken/{channel.Id}")?.Contains(edit) == true;

    /// <summary>What goes, with what comes in its place where that is not plain rest.</summary>
    private static string Said(Channel channel, Edit edit) => edit switch
    {
        SetLevel e => $"{Level(channel.Level)}{(e.Level.Value == 0 ? "" : $" → {Level(e.Level)}")}",
        SetPan e => $"{Wording.Pan(channel.Pan)}{(e.Pan == 0 ? "" : $" → {Wording.Pan(e.Pan)}")}",
        SetMute { Muted: true } => "open → muted",
        _ => "muted",
    };

    private static string Level(Decibels level) => level.IsSilence ? "silent" : string.Create(CultureInfo.InvariantCulture, $"{level.Value:+0.#;−0.#;0} dB");

    /// <summary>A return that only takes and prints were sent to is unused without them.</summary>
    private IEnumerable<StrikeLine> Returns()
    {
        var gone = Gone;
        var used = Song.Channels.Where(c => !gone.Contains(c.Id)).SelectMany(c => c.Sends.Select(s => s.To)).Concat(Groups.SelectMany(g => g.Others).SelectMany(c => c.Sends.Select(s => s.To))).ToHashSet();
        return Song.Channels.Where(c => c.Kind == ChannelKind.Return && !used.Contains(c.Id) && _struck.Prepared(c) is null).Select(c => Line(StrikeGroup.Returns, c, c.Name, "nothing is sent to it"));
    }

    private static string Named(string what, IReadOnlyList<string> names) =>
        $"{Wording.Count(names.Count, what)} ({string.Join(", ", names.Take(MostNamed))}{(names.Count > MostNamed ? $" and {names.Count - MostNamed} more" : "")})";
}
