using HomeStage.Core.Roles;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Outside;

/// <summary>Which channel the name of a file says that it is.</summary>
/// <remarks>Files are called as workstations call them (common practice): numbered, with the song before or the take behind: "03 Kick.wav",
/// "Night Ferry - Kick_01.wav", "Kick-bip.wav".</remarks>
public sealed class SaidChannel
{
    private readonly IReadOnlyList<(ChannelId Id, IReadOnlyList<string> Words)> _channels;

    /// <param name="among">Channels that a file may be of.</param>
    public SaidChannel(Template template, IEnumerable<ChannelId> among) => _channels = [.. among.Select(c => (c, NameWords.Of(template.Channels[c].Name)))];

    /// <returns>For each file the channels that it may be, all alike; none where its name says nothing.</returns>
    public IReadOnlyList<IReadOnlyList<ChannelId>> Of(IReadOnlyList<string> files)
    {
        var words = files.Select(Words).ToList();
        var shared = Shared(words);
        return [.. words.Select(w => Of(w, shared))];
    }

    private List<ChannelId> Of(IReadOnlyList<string> words, int shared)
    {
        IReadOnlyList<string>[] ways = [words, [.. words.Skip(shared)], Bare(words), Bare([.. words.Skip(shared)])];
        // Some programs leave the blanks out, "Tomlow.wav"; a name that is written whole goes before that.
        foreach (var isSaid in (Func<IReadOnlyList<string>, IReadOnlyList<string>, bool>[])[Enumerable.SequenceEqual, IsGlued])
            foreach (var way in ways)
                if (_channels.Where(c => isSaid(way, c.Words)).Select(c => c.Id).ToList() is { Count: > 0 } called)
                    return called;
        // The longest name that stands in it; of several as long, the last.
        var within = _channels.Where(c => c.Words.Count > 0).Select(c => (c.Id, c.Words.Count, At: LastPlace(words, c.Words))).Where(c => c.At >= 0).ToList();
        return within.Count == 0 ? [] : [.. within.GroupBy(c => (c.Count, c.At)).OrderByDescending(g => g.Key.Count).ThenByDescending(g => g.Key.At).First().Select(c => c.Id)];
    }

    private static IReadOnlyList<string> Words(string file) => NameWords.Of(TakeName.Read(Path.GetFileNameWithoutExtension(file)).Stem);

    /// <summary>Without the numbers before and behind, and what says that it is a file of its kind.</summary>
    private static IReadOnlyList<string> Bare(IReadOnlyList<string> words)
    {
        var (from, to) = (0, words.Count);
        while (from < to - 1 && words[from].All(char.IsAsciiDigit))
            from++;
        while (to > from + 1 && (words[to - 1].All(char.IsAsciiDigit) || words[to - 1] is "stem" or "wav" or "stereo" or "mono" or "bip"))
            to--;
        return [.. words.Take(to).Skip(from)];
    }

    /// <summary>How many words all begin with: the song's name.</summary>
    private static int Shared(List<IReadOnlyList<string>> files)
    {
        if (files.Count < 2)
            return 0;
        var shared = 0;
        while (files.TrueForAll(f => f.Count > shared + 1 && f[shared] == files[0][shared]))
            shared++;
        return shared;
    }

    private static bool IsGlued(IReadOnlyList<string> words, IReadOnlyList<string> name) => name.Count > 0 && string.Concat(words) == string.Concat(name);

    private static int LastPlace(IReadOnlyList<string> words, IReadOnlyList<string> name)
    {
        if (name.Count > 1 && words.ToList().LastIndexOf(string.Concat(name)) is >= 0 and var glued)
            return glued;
        for (var at = words.Count - name.Count; at >= 0; at--)
            if (name.Select((w, i) => words[at + i] == w).All(same => same))
                return at;
        return -1;
    }
}
