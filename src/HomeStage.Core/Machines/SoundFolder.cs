using HomeStage.Core.Kits;
using HomeStage.Core.Media;
using HomeStage.Core.Roles;

namespace HomeStage.Core.Machines;

/// <summary>The pieces that a folder of sounds makes, read from the names of its files.</summary>
/// <remarks>Files that differ in how hard the stroke was are layers of one piece; two single sides are one piece with two sides; of several strokes
/// alike the first plays. A piece stands in the family that its name says, or else in that of its folder, where that says nothing besides. What says
/// neither is not placed.</remarks>
/// <param name="Pieces">In the order of the family tree, then of their names, numbers by their value.</param>
/// <param name="Further">Sounds that were left alone because another says the same: each with what it is, in words.</param>
/// <param name="Unplaced">Sounds whose names do not say what they are, as files, in words.</param>
public sealed record SoundFolder(Sequence<SoundFolder.SoundPiece> Pieces, Sequence<string> Further, Sequence<string> Unplaced)
{
    public const int MostSounds = 128;

    private const string Pads = "pads";

    /// <param name="Layers">By ascending velocity, the first one from 1 on; at least one.</param>
    public sealed record SoundPiece(string Name, string Family, Sequence<SoundLayer> Layers);

    /// <param name="FromVelocity">In [1, 127].</param>
    /// <param name="Right">The other side; null where the sound is one file.</param>
    public sealed record SoundLayer(int FromVelocity, MediaRef Sound, MediaRef? Right = null);

    /// <param name="all">Whether sounds whose names say nothing become pieces too, in a family "pads".</param>
    public static SoundFolder Of(IReadOnlyList<FolderSound> sounds, bool all)
    {
        var (further, unplaced) = (new List<string>(), new List<string>());
        var read = Distinct(sounds.Zip(SoundFileName.OfAll([.. sounds.Select(s => s.Path)]), (sound, name) => new Named(sound, name)), further);
        var pieces = new List<SoundPiece>();
        var taken = new HashSet<string>(StringComparer.OrdinalIgnoreCase);
        foreach (var group in Grouped(read))
        {
            var name = SoundFileName.Spoken(group.Words);
            var family = FamilyOf(name, group.Members[0].Name.Folder);
            if (family.Length == 0 && !all)
            {
                unplaced.AddRange(group.Members.Select(m => $"{m.Sound.Path}: its name does not say what it is"));
                continue;
            }

            var free = name.Length > TextRules.LongestName ? name[..TextRules.LongestName].TrimEnd() : name;
            free = taken.Add(free) ? free : Numbering.Next(free, taken.Contains);
            taken.Add(free);
            pieces.Add(new(free, family.Length == 0 ? Pads : family, Layers(group.Members, free, further)));
        }

        var order = FamilyTree.Order([.. pieces.Select(p => p.Family)]);
        return new(order.Select(i => pieces[i]).ToSequence(), further.ToSequence(), unplaced.ToSequence());
    }

    private static List<Named> Distinct(IEnumerable<Named> read, List<string> further)
    {
        var (kept, contents) = (new List<Named>(), new Dictionary<string, string>(StringComparer.Ordinal));
        foreach (var one in read.OrderBy(r => r.Name.InOrder, StringComparer.OrdinalIgnoreCase))
        {
            if (contents.TryAdd(one.Sound.Sound.Content, one.Sound.Path))
                kept.Add(one);
            else
                further.Add($"{one.Sound.Path}: the same sound as {contents[one.Sound.Sound.Content]}");
        }

        return kept;
    }

    /// <summary>Files that are one piece. What was taken out of a name stays in it where nothing beside it differs in just that.</summary>
    private static IEnumerable<(IReadOnlyList<string> Words, List<Named> Members)> Grouped(List<Named> read)
    {
        foreach (var alike in read.GroupBy(r => (r.Name.Folder, Base: string.Join(' ', r.Name.Base).ToUpperInvariant())))
        {
            var members = alike.ToList();
            var isOne = members.Count > 1 && members.Select(m => m.Name.Stroke?.IsNumber).Distinct().Count() == 1 && Sides(members) != SidesOf.Apart;
            if (isOne)
                yield return (members[0].Name.Base, members);
            else
                foreach (var one in members)
                    yield return (one.Name.Whole, [one]);
        }
    }

    /// <summary>Two sides are one sound where each stroke has both, each a single file of the same rate.</summary>
    private static SidesOf Sides(List<Named> members)
    {
        if (members.TrueForAll(m => m.Name.Side is null))
            return members.Count == members.Select(m => (m.Name.Stroke, m.Name.Turn)).Distinct().Count() ? SidesOf.None : SidesOf.Apart;
        var pairs = members.GroupBy(m => (m.Name.Stroke, m.Name.Turn)).ToList();
        return pairs.TrueForAll(p => p.Count() == 2 && p.All(m => m.Sound.Sound.Lanes == 1) && p.Select(m => m.Name.Side).Distinct().Count() == 2 && p.All(m => m.Name.Side is not null)
            && p.Select(m => m.Sound.Sound.SampleRateHz).Distinct().Count() == 1)
            ? SidesOf.Together
            : SidesOf.Apart;
    }

    private static Sequence<SoundLayer> Layers(List<Named> members, string piece, List<string> further)
    {
        var strokes = members.GroupBy(m => m.Name.Stroke).OrderBy(g => g.Key?.Rank ?? 0).ToList();
        var starts = Starts([.. strokes.Select(s => s.Key)]);
        return strokes.Select((stroke, i) =>
        {
            var turns = stroke.GroupBy(m => m.Name.Turn).OrderBy(t => t.Key).ToList();
            further.AddRange(turns.Skip(1).SelectMany(t => t).Select(m => $"{m.Sound.Path}: another stroke of {piece}, which plays its first"));
            var first = turns[0].OrderBy(m => m.Name.Side, StringComparer.Ordinal).ToList();
            return new SoundLayer(starts[i], first[0].Sound.Sound, first.Count > 1 ? first[1].Sound.Sound : null);
        }).ToSequence();
    }

    /// <summary>Where each layer begins. Numbers of which the highest is 127 are where layers end, of which the lowest is 0 or 1 where they begin;
    /// anything else is spread evenly.</summary>
    private static IReadOnlyList<int> Starts(IReadOnlyList<Stroke?> strokes)
    {
        var count = strokes.Count;
        var numbers = strokes.Select(s => s is { IsNumber: true } said ? said.Rank : -1).ToList();
        if (count > 1 && numbers[^1] == 127 && numbers[0] > 1)
            return [.. numbers.Take(count - 1).Select(n => n + 1).Prepend(1)];
        if (count > 1 && numbers[0] is 0 or 1 && numbers[^1] is > 16 and < 127)
            return [.. numbers.Skip(1).Prepend(1)];
        return [.. Enumerable.Range(0, count).Select(i => 1 + 127 * i / count)];
    }

    private static string FamilyOf(string name, string folder)
    {
        var own = RoleReader.IsFaint(name) ? "" : PieceFamilies.Of(name);
        // A folder that is called after more than what is in it may be the name of the whole kit.
        return own.Length > 0 || RoleReader.Read(folder).Confidence < 1 ? own : PieceFamilies.Of(folder);
    }

    private enum SidesOf
    {
        None,
        Together,
        Apart,
    }

    private sealed record Named(FolderSound Sound, SoundFileName Name);
}
