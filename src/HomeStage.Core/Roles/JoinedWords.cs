namespace HomeStage.Core.Roles;

/// <summary>Pairs that the trade writes as two words and means as one.</summary>
internal static class JoinedWords
{
    private static readonly HashSet<string> Pairs = new(StringComparer.Ordinal)
    {
        "bassdrum", "kickdrum", "deepdrum", "sidedrum", "sidestick", "crossstick", "xstick", "rimclick", "handclap", "fingersnaps", "hihat", "overhead", "overheads", "floortom", "racktom",
        "woodblock", "sandblock", "framedrum", "steeldrum", "pingpong", "countin", "countoff", "sidechain", "reedorgan", "mixbus", "premaster", "premain", "premix", "submaster", "lowend", "bvox",
        "bvoc", "adlib", "adlibs", "leadvox", "toypiano", "windchimes", "roughmix", "musicbox",
    };

    // A single letter before an instrument, and a slash within an abbreviation.
    private static readonly HashSet<string> Lettered = new(StringComparer.Ordinal) { "epiano", "egtr", "agtr", "bgtr", "oh", "ebass" };

    // They say what they are only with a number behind them: "T2", "AG 1".
    private static readonly Dictionary<string, string> Numbered = new(StringComparer.Ordinal)
    {
        ["t"] = "tom",
        ["rt"] = "tom",
        ["rack"] = "tom",
        ["ft"] = "tom",
        ["floor"] = "tom",
        ["ag"] = "agtr",
        ["eg"] = "egtr",
        ["cr"] = "crash",
        ["bg"] = "bv",
        ["g"] = "gtr",
    };

    private static readonly string[] Ordinals = ["st", "nd", "rd", "th"];

    public static IReadOnlyList<string> Of(IReadOnlyList<string> words)
    {
        var joined = new List<string>();
        for (var i = 0; i < words.Count; i++)
        {
            var next = i + 1 < words.Count ? words[i + 1] : "";
            if (Pairs.Contains(words[i] + next) || (words[i].Length == 1 && Lettered.Contains(words[i] + next)) || (IsNumber(words[i]) && Ordinals.Contains(next)))
            {
                joined.Add(IsNumber(words[i]) ? words[i] : words[i] + next);
                i++;
            }
            else
            {
                joined.Add(IsNumber(next) && Numbered.TryGetValue(words[i], out var meant) ? meant : words[i]);
            }
        }

        return joined;
    }

    private static bool IsNumber(string word) => word.Length > 0 && word.All(char.IsAsciiDigit);
}
