using HomeStage.Core.Kits;
using HomeStage.Core.Outputs;
using HomeStage.Core.Roles;

namespace HomeStage.Core.Machines;

/// <summary>Notes for pieces that nobody has given one.</summary>
public static class OfferedNotes
{
    // A word in common says more than all that comes after it, a role more than a family; then as the map and the list have it.
    private const long OfWord = 1_000_000;
    private const long OfRole = 100_000;
    private const long OfFamily = 10_000;
    private const long OfTheFirstOfItsKind = 2_000;

    // Of several kicks, snares, crashes and rides the one that everybody begins with (common practice).
    private static readonly int[] First = [36, 38, 49, 51];

    /// <summary>By General MIDI's percussion map, each piece what is most like it; what is like nothing there gets the notes above the map, then
    /// those below.</summary>
    /// <param name="taken">Notes that are given already.</param>
    /// <returns>By piece, all different; null for what no note is left for.</returns>
    public static IReadOnlyList<int?> ByGeneralMidi(IReadOnlyList<(string Name, string Family)> pieces, IReadOnlySet<int> taken)
    {
        var map = Enumerable.Range(GeneralMidiPercussion.FirstNote, GeneralMidiPercussion.LastNote - GeneralMidiPercussion.FirstNote + 1).Where(n => !taken.Contains(n))
            .Select(n => (Note: n, GeneralMidiPercussion.At(n)!.Value.Name, GeneralMidiPercussion.At(n)!.Value.Family)).ToList();
        var (read, known) = (pieces.Select(p => Read(p.Name)).ToList(), map.ConvertAll(m => Read(m.Name)));
        var best = Assignment.Best(pieces.Count, map.Count, (p, m) =>
            Likeness(read[p], pieces[p].Family, known[m], map[m].Family) is var like and > 0 ? like + OfFamily + (First.Contains(map[m].Note) ? OfTheFirstOfItsKind : 0) - 10 * Math.Abs(p - m) - m : 0);
        var left = new Queue<int>(Enumerable.Range(GeneralMidiPercussion.LastNote + 1, 127 - GeneralMidiPercussion.LastNote)
            .Concat(Enumerable.Range(0, GeneralMidiPercussion.FirstNote).Reverse()).Concat(best.Contains(-1) ? map.Where((_, m) => !best.Contains(m)).Select(m => m.Note) : [])
            .Where(n => !taken.Contains(n)));
        return [.. best.Select(m => m >= 0 ? map[m].Note : left.TryDequeue(out var note) ? note : (int?)null)];
    }

    /// <param name="from">The first note, in [0, 127].</param>
    /// <returns>By piece, ascending; null for what no note is left for.</returns>
    public static IReadOnlyList<int?> Ascending(int count, int from, IReadOnlySet<int> taken)
    {
        var notes = Enumerable.Range(from, Math.Max(0, 128 - from)).Where(n => !taken.Contains(n)).Take(count).ToList();
        return [.. Enumerable.Range(0, count).Select(i => i < notes.Count ? notes[i] : (int?)null)];
    }

    private static (string Role, HashSet<string> Words) Read(string name) =>
        (RoleReader.Read(name).Role, NameWords.Of(name).Where(w => !w.All(char.IsDigit)).Select(w => w is "hi" ? "high" : w is "lo" ? "low" : w is "foot" ? "pedal" : w).ToHashSet(StringComparer.Ordinal));

    private static long Likeness((string Role, HashSet<string> Words) piece, string family, (string Role, HashSet<string> Words) known, string knownFamily)
    {
        var sameRole = piece.Role == known.Role && piece.Role is not (RoleNames.Unknown or "percussion");
        var sameFamily = family.Length > 0 && family.Equals(knownFamily, StringComparison.OrdinalIgnoreCase);
        var words = piece.Words.Count(known.Words.Contains);
        // A word alone, "high", makes a bell no tom.
        return sameRole || sameFamily || (words > 0 && piece.Role == known.Role) ? words * OfWord + (sameRole ? OfRole : 0) + (sameFamily ? OfFamily : 0) : 0;
    }
}
