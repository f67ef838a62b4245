using System.Globalization;
using HomeStage.Core.Kits;
using HomeStage.Core.Roles;

namespace HomeStage.Core.Machines;

/// <summary>A kit as somebody types it: "Kick in/out, Snare top/bottom, Tom 1–3, Loop stereo, Overheads".</summary>
/// <remarks>Items stand between commas, semicolons or line ends. A range at the end counts up, words between slashes are microphones at one
/// piece, or, for left and right, two sides of one. What follows an equals sign is the note. Overheads and rooms hear everything.</remarks>
public static class PieceList
{
    public const int LongestText = 10_000;

    /// <param name="Pieces">In the order of the list.</param>
    /// <param name="Far">Far microphones, in the order of the list.</param>
    /// <param name="NotUnderstood">Items that are no piece, as they were typed.</param>
    public sealed record Listed(Sequence<ListedPiece> Pieces, Sequence<ListedFar> Far, Sequence<string> NotUnderstood);

    /// <param name="Microphones">Names of those at it, at least two; none for what leaves by itself.</param>
    /// <param name="Note">In [0, 127]; null where the list does not say.</param>
    public sealed record ListedPiece(string Name, string Family, ChannelFormat Format, Sequence<string> Microphones, int? Note);

    public sealed record ListedFar(string Name, string Family, FarPlace Place, ChannelFormat Format);

    /// <param name="text">What is beyond <see cref="LongestText"/> characters is not read.</param>
    public static Listed Read(string text)
    {
        var (pieces, far, strange) = (new List<ListedPiece>(), new List<ListedFar>(), new List<string>());
        var taken = new HashSet<string>(StringComparer.OrdinalIgnoreCase);
        foreach (var item in text[..Math.Min(text.Length, LongestText)].Split([',', ';', '\n', '\r'], StringSplitOptions.TrimEntries | StringSplitOptions.RemoveEmptyEntries))
        {
            if (Item(item) is not { } read)
            {
                strange.Add(item);
                continue;
            }

            foreach (var name in read.Names)
            {
                var free = taken.Add(name) ? name : Numbering.Next(name, taken.Contains);
                taken.Add(free);
                if (FarOf(free, read) is { } microphone)
                    far.Add(microphone);
                else
                    pieces.Add(new(free, PieceFamilies.Of(free), read.Format, read.Microphones, read.Names.Count == 1 ? read.Note : read.Note + pieces.Count(p => read.Names.Contains(p.Name))));
            }
        }

        return new(pieces.ToSequence(), far.ToSequence(), strange.ToSequence());
    }

    private static ListedFar? FarOf(string name, ReadItem item)
    {
        if (item.Note is not null || item.Microphones.Count > 0)
            return null;
        var format = item.Sided || !item.SaysMono ? ChannelFormat.Stereo : ChannelFormat.Mono;
        return RoleReader.Read(name).Role switch
        {
            "overhead" => new(name, "drums/overheads", FarPlace.Overhead, format),
            "room" => new(name, "drums/rooms", FarPlace.Hall, format),
            _ => null,
        };
    }

    private static ReadItem? Item(string item)
    {
        int? note = null;
        if (item.Split('=', 2, StringSplitOptions.TrimEntries) is [var before, var number])
        {
            if (!int.TryParse(number, NumberStyles.None, CultureInfo.InvariantCulture, out var said) || said > 127)
                return null;
            (item, note) = (before, said);
        }

        var words = item.Split(' ', StringSplitOptions.RemoveEmptyEntries).ToList();
        var (mono, stereo) = (Take(words, "mono"), Take(words, "stereo"));
        var beside = words.FindLastIndex(w => w.Contains('/', StringComparison.Ordinal));
        var microphones = beside < 0 ? [] : words[beside].Split('/', StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries);
        if (beside >= 0)
            words.RemoveAt(beside);
        var sided = microphones.Length == 2 && IsSide(microphones[0]) && IsSide(microphones[1]);
        var name = string.Join(' ', words);
        if (!name.Any(char.IsLetterOrDigit) || (microphones.Length == 1) || microphones.Distinct(StringComparer.OrdinalIgnoreCase).Count() < microphones.Length || microphones.Length > KitRules.MostMicrophones)
            return null;
        var names = Counted(name);
        return names.Count == 0 || names.Exists(n => TextRules.Name("A piece's name", n) is not null)
            ? null
            : new(names, stereo || sided ? ChannelFormat.Stereo : ChannelFormat.Mono, sided ? [] : microphones.ToSequence(), note, sided, mono);
    }

    /// <summary>"Tom 1–3" and "Tom x3" are three.</summary>
    private static List<string> Counted(string name)
    {
        if (RangeOf(name) is { } range)
            return range.To >= range.From && range.To - range.From < KitRules.MostPieces ? [.. Enumerable.Range(range.From, range.To - range.From + 1).Select(n => $"{range.Name} {n}")] : [];
        var last = name.LastIndexOf(' ');
        return last > 0 && name[last + 1] is 'x' or 'X' or '×' && NumberOf(name[(last + 2)..]) is >= 1 and <= KitRules.MostPieces and var count
            ? [.. Enumerable.Range(1, count).Select(n => $"{name[..last].TrimEnd()} {n}")]
            : [name];
    }

    private static (string Name, int From, int To)? RangeOf(string name)
    {
        var dash = name.LastIndexOfAny(['-', '–', '—']);
        if (dash < 0)
            return null;
        var before = name[..dash].TrimEnd();
        var gap = before.LastIndexOf(' ');
        return gap > 0 && NumberOf(before[(gap + 1)..]) is { } from && NumberOf(name[(dash + 1)..].TrimStart()) is { } to ? (before[..gap].TrimEnd(), from, to) : null;
    }

    /// <returns>Null where it is not one to three digits.</returns>
    private static int? NumberOf(string text) =>
        text.Length is >= 1 and <= 3 && text.All(char.IsAsciiDigit) ? int.Parse(text, CultureInfo.InvariantCulture) : null;

    private static bool Take(List<string> words, string word) => words.Count > 1 && words.RemoveAll(w => w.Trim('(', ')').Equals(word, StringComparison.OrdinalIgnoreCase)) > 0;

    private static bool IsSide(string word) => word.ToLowerInvariant() is "l" or "r" or "left" or "right";

    private sealed record ReadItem(List<string> Names, ChannelFormat Format, Sequence<string> Microphones, int? Note, bool Sided, bool SaysMono);
}
