using System.Globalization;
using HomeStage.Core.Roles;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Casting;

/// <summary>Reads a cast list: a line is a bus with what stands under it.</summary>
/// <remarks><c>Voices: two singers, three answers; mono; input 1</c>. What stands under a bus may follow in lines that are set in. Parts are
/// parted by commas or dots in the middle, what is said of all of a line follows a semicolon. Rows of a spreadsheet are read as well
/// (<see cref="CastRows"/>). What is not understood is marked and left alone; nothing is refused.</remarks>
public static class CastReader
{
    /// <param name="text">What is beyond <see cref="CastSheet.LongestText"/> characters or <see cref="CastSheet.MostLines"/> lines is not read.</param>
    public static CastSheet Read(string text)
    {
        var lines = text[..Math.Min(text.Length, CastSheet.LongestText)].Split('\n').Take(CastSheet.MostLines).Select(l => l.TrimEnd('\r', ' ', '\t')).ToList();
        return new Reading(CastRows.Lines(lines)).Sheet();
    }

    /// <summary>One part of a line: names that stand there, and what is said of them.</summary>
    private sealed record Part(CastSpan At, IReadOnlyList<string> Names, bool Quoted, CastDetails Said);

    private sealed class Reading(IReadOnlyList<CastLine> lines)
    {
        private readonly List<CastEntry> _entries = [];
        private readonly List<CastMark> _marks = [];
        private readonly Dictionary<string, int> _buses = new(StringComparer.OrdinalIgnoreCase);
        private readonly HashSet<string> _taken = new(StringComparer.OrdinalIgnoreCase);
        private readonly Stack<(int Indent, CastPlace Place)> _around = new();
        private readonly CastTimeline _timeline = new();

        public CastSheet Sheet()
        {
            for (var i = 0; i < lines.Count && _entries.Count < CastSheet.MostEntries; i++)
                if (!_timeline.Read(lines[i]))
                    Line(lines[i], lines.Skip(i + 1).FirstOrDefault() is { } next && next.Indent > lines[i].Indent);
            return new(_entries.ToSequence(), [.. _timeline.Marks, .. _marks], _timeline.TempoBpm, _timeline.Meter, _timeline.Key, _timeline.Sections);
        }

        private void Line(CastLine line, bool hasLinesUnder)
        {
            while (_around.TryPeek(out var top) && top.Indent >= line.Indent)
                _around.Pop();
            var outer = _around.TryPeek(out var around) ? around.Place : CastPlace.Stage;
            var parts = CastCuts.Parted(line.Text, ';').Select(CastCuts.Trimmed).ToList();
            var (start, first) = parts[0];
            var colon = CastCuts.Find(first, 0, ':');
            var separate = CastCuts.Find(first, 0, ',', '·') >= 0;
            var isHead = colon >= 0 || line.Indent == 0 || (hasLinesUnder && !separate);
            var all = Properties(line, parts.Skip(1));
            if (!isHead)
            {
                Stand(outer, Items(line, start, first, outer), all);
                return;
            }

            if (colon < 0 && separate && !hasLinesUnder)
            {
                // Several buses in one line.
                foreach (var bus in CastCuts.Parted(first, ',', '·').Where(b => b.Text.Trim().Length > 0))
                    Headed(line, (start + bus.Start, bus.Text), outer, all);
                return;
            }

            var heading = colon >= 0 ? first[..colon] : first;
            var items = colon >= 0 ? first[(colon + 1)..] : "";
            var place = Headed(line, (start, heading), outer, items.Trim().Length > 0 ? OfTheBus(all) : all);
            if (place is null)
                return;
            _around.Push((line.Indent, place));
            Stand(place, Items(line, start + colon + 1, items, place), all with { RoomFor = null, RoomDb = null, BackQuarters = null });
        }

        /// <summary>What a line says of its bus rather than of what stands under it.</summary>
        private static CastDetails OfTheBus(CastDetails all) => CastDetails.None with { RoomFor = all.RoomFor, RoomDb = all.RoomDb, BackQuarters = all.BackQuarters };

        /// <summary>The bus that a heading names, or the place that it means; null where it names nothing.</summary>
        private CastPlace? Headed(CastLine line, (int Start, string Text) heading, CastPlace outer, CastDetails all)
        {
            var (start, text) = CastCuts.Trimmed(heading);
            var (said, left) = CastPhrases.Off(text, _ => false);
            var quoted = CastCuts.IsQuoted(left);
            if (!quoted && outer == CastPlace.Stage && CastPlace.Of(left) is { } known)
                return known;
            var name = quoted ? CastCuts.Unquoted(left) : Capitals.AtFirst(left);
            var at = line.At(start, text.Length);
            if (TextRules.Name("A name", name) is { } wrong)
            {
                Mark(at, wrong.Sentence);
                return null;
            }

            if (outer.Kind is not null)
            {
                Mark(at, "Nothing stands under what goes around the main, or is not heard.");
                return null;
            }

            var details = said is { RoomFor: not null, RoomDb: null } ? Also(said, all) : said.Over(all);
            if (!_buses.TryGetValue(name, out var index))
            {
                index = _entries.Count;
                _buses[name] = index;
                _taken.Add(name);
                _entries.Add(new(at, name, said.Kind ?? ChannelKind.Bus, outer.Under, details) { UnderMain = outer.UnderMain });
            }
            else
            {
                _entries[index] = _entries[index] with { Details = _entries[index].Details.Over(details) };
            }

            return new(index, name);
        }

        private CastDetails Properties(CastLine line, IEnumerable<(int Start, string Text)> parts)
        {
            var all = CastDetails.None;
            foreach (var (start, text) in parts)
            {
                var (said, left) = CastPhrases.Off(text, _ => true);
                if (left.Length > 0)
                    Mark(line.At(start, left.Length), $"“{left}” is not understood here: a semicolon parts what is said of the whole line, commas part channels.");
                all = Also(all, said);
            }

            return all;
        }

        private List<Part> Items(CastLine line, int offset, string text, CastPlace place)
        {
            var items = new List<Part>();
            foreach (var part in CastCuts.Parted(text, ',', '·'))
            {
                var (start, item) = CastCuts.Trimmed(part);
                if (item.Length == 0)
                    continue;
                var at = line.At(offset + start, item.Length);
                var (said, left) = CastPhrases.Off(item, name => IsEffect(name, place));
                if (left.Length > 0 && items is [.., { Said.Kind: ChannelKind.Return }] && CastPhrases.Off(item, _ => true) is { Left: "" } more)
                    (said, left) = more;
                if (left.Length == 0 && items.Count > 0)
                    items[^1] = items[^1] with { Said = Also(items[^1].Said, said) };
                else if (left.Length == 0 || CastNumbers.Named(left) is not { } names)
                    Mark(at, left.Length == 0 ? "It is not said of whom." : $"At most {CastNumbers.Most} at once.");
                else
                    items.Add(new(at, CastCuts.IsQuoted(left) ? [CastCuts.Unquoted(left)] : names, CastCuts.IsQuoted(left), said));
            }

            return items;
        }

        private static bool IsEffect(string name, CastPlace place) =>
            place.IsOfReturns || CastPhrases.SaysDecay(name) || name.Contains("(return", StringComparison.OrdinalIgnoreCase) || RoleReader.Read(name).Role is "delay" or "reverb";

        /// <summary>What is said afterwards of the same: a level after making room is the depth.</summary>
        private static CastDetails Also(CastDetails before, CastDetails said) =>
            before.RoomFor is not null && said is { Db: { } db, RoomFor: null } ? said.Over(before) with { Db = before.Db, RoomDb = Math.Abs(db) }
            : before.Into is [.., var last] && said is { Db: { } level, Into.Count: 0 } ? said.Over(before) with { Db = before.Db, Into = [.. before.Into.SkipLast(1), last with { Db = level }] }
            : said.Over(before);

        private void Stand(CastPlace place, List<Part> items, CastDetails all)
        {
            if (items.Count > 0 && (all.MachineJacks ?? items.Select(i => i.Said.MachineJacks).FirstOrDefault(j => j is not null)) is { } jacks && !items.Exists(i => ArePads(i, place, all)))
            {
                // What has jacks is one machine, and what is named are its pieces.
                var at = items[0].At with { Length = items[^1].At.Start + items[^1].At.Length - items[0].At.Start };
                var pieces = items.SelectMany(i => i.Names).ToList();
                var count = items.Select(i => i.Said.JackCount).FirstOrDefault(c => c is not null) ?? all.JackCount;
                Machine(place, at, MachineName(place), pieces, items[^1].Said.Over(all) with { Jacks = jacks, JackCount = count });
                return;
            }

            var turn = 0;
            var voices = items.Sum(i => Voiced(i).Count());
            foreach (var item in items)
                if (ArePads(item, place, all))
                    Machine(place, item.At, MachineName(place), CommonPieces.First(item.Names.Count), item.Said.Over(all));
                else
                    foreach (var (name, within) in Voiced(item).Select((n, i) => (n, i)))
                        Add(place, item, name, item.Said.Over(all), item.Said.Input is null ? turn++ : within, isAlone: (item.Said.Input is null ? voices : Voiced(item).Count()) == 1);
        }

        private static string MachineName(CastPlace place) => $"{(place.Name.Length > 0 ? CastNumbers.Single(place.Name) : "Drum")} machine";

        private static bool ArePads(Part item, CastPlace place, CastDetails all) =>
            item is { Quoted: false, Names.Count: > 1 } && NameWords.Of(item.Names[0]) is [.., "pad", "1"] && (place.IsOfDrums || (item.Said.MachineJacks ?? all.MachineJacks) is not null || (item.Names.Count >= FewestOfAMachine && !place.IsOfInstruments));

        /// <summary>Several microphones at one thing are as many channels.</summary>
        private static IEnumerable<string> Voiced(Part item) => item.Said.Microphones is { } count
            ? item.Names.SelectMany(n => Enumerable.Range(1, count).Select(m => string.Create(CultureInfo.InvariantCulture, $"{n} {m}")))
            : item.Names;

        private void Machine(CastPlace place, CastSpan at, string name, IReadOnlyList<string> pieces, CastDetails said) =>
            _entries.Add(new(at, Taken(name), ChannelKind.Instrument, place.Under, said) { UnderMain = place.UnderMain, Pieces = string.Join(", ", pieces), PieceCount = pieces.Count });

        private void Add(CastPlace place, Part item, string name, CastDetails said, int turn, bool isAlone)
        {
            var words = NameWords.Of(name);
            var spare = !item.Quoted && words.Contains("spare");
            // A take is one of somebody's, and a spare waits with its own kind.
            var full = !item.Quoted && place.Name.Length > 0 && (spare || RoleReader.Read(name).Role == "take") && words[0] is "take" or "tk" or "spare"
                ? $"{place.Name} {char.ToLowerInvariant(name[0])}{name[1..]}"
                : name;
            if (TextRules.Name("A name", full) is { } wrong)
            {
                Mark(item.At, wrong.Sentence);
                return;
            }

            // Two inputs that are said of one channel are its sides; else they are taken in turn.
            if (said.InTurn && said.Input is { } input && !(said.SecondInput is not null && isAlone))
                said = said with { Input = input + turn <= InputSource.Last ? input + turn : null, SecondInput = null };

            var kind = place.KindOf(full, said);
            if (_entries.Count >= CastSheet.MostEntries)
                return;
            _entries.Add(new(item.At, item.Quoted ? full : Taken(full), kind, place.Under, said with { Role = place.RoleOf(full, kind, said), Instrument = said.Instrument ?? place.InstrumentOf(full, kind), Spare = said.Spare || spare }) { UnderMain = place.UnderMain });
            if (item.Quoted)
                _taken.Add(full);
        }

        private string Taken(string name)
        {
            var free = Numbering.Free(name, _taken.Contains);
            _taken.Add(free);
            return free;
        }

        /// <summary>So many pads are those of a machine wherever they stand, but for the keys, where they are sounds.</summary>
        private const int FewestOfAMachine = 5;

        private void Mark(CastSpan at, string sentence) => _marks.Add(new(at, sentence));
    }
}
