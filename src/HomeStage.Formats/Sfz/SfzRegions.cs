using System.Text.RegularExpressions;

namespace HomeStage.Formats.Sfz;

/// <summary>The regions of an SFZ text, and its control headers.</summary>
/// <param name="Control">What control headers say, the last of each.</param>
/// <param name="Opcodes">Every name that any header uses.</param>
internal sealed partial record SfzRegions(IReadOnlyList<SfzRegion> Regions, IReadOnlyDictionary<string, string> Control, IReadOnlySet<string> Opcodes)
{
    public const int MostRegions = 20_000;
    private const int MostNames = 4096;

    // From the nearest to a region to the farthest.
    private static readonly string[] Levels = ["region", "group", "master", "global"];
    private static readonly IReadOnlyDictionary<string, string> Nothing = new Dictionary<string, string>();

    /// <exception cref="InvalidDataException">There are too many regions or names.</exception>
    public static SfzRegions Of(string text, ReadingBudget budget)
    {
        var said = Levels.Select(_ => Nothing).ToArray();
        var control = new Dictionary<string, string>(StringComparer.OrdinalIgnoreCase);
        var names = new HashSet<string>(StringComparer.OrdinalIgnoreCase);
        var regions = new List<SfzRegion>();
        for (var match = Section().Match(text); match.Success; match = match.NextMatch())
        {
            budget.Spend(match.Length);
            var header = match.Groups["header"].Value.ToLowerInvariant();
            var level = Array.IndexOf(Levels, header);
            if (level < 0 && header != "control")
                continue;
            var opcodes = OpcodesOf(match.Groups["body"].Value);
            names.UnionWith(opcodes.Keys);
            if (names.Count > MostNames)
                throw new InvalidDataException("It uses too many names.");
            if (level < 0)
            {
                foreach (var (name, value) in opcodes)
                    control[name] = value;
                continue;
            }

            said[level] = opcodes;
            Array.Fill(said, Nothing, 0, level);
            if (level > 0)
                continue;
            if (regions.Count == MostRegions)
                throw new InvalidDataException($"It has more than {MostRegions:N0} regions.");
            regions.Add(new([.. said]));
        }

        return new(regions, control, names);
    }

    /// <summary>A value goes on to the next name with an equals sign after it, so that paths may have blanks.</summary>
    private static Dictionary<string, string> OpcodesOf(string body)
    {
        var opcodes = new Dictionary<string, string>(StringComparer.OrdinalIgnoreCase);
        foreach (var line in body.Split('\n'))
        {
            for (var name = Name().Match(line); name.Success;)
            {
                var next = name.NextMatch();
                opcodes[name.Groups["name"].Value] = line[(name.Index + name.Length)..(next.Success ? next.Index : line.Length)].Trim();
                name = next;
            }
        }

        return opcodes;
    }

    [GeneratedRegex(@"<(?<header>[a-z]+)>(?<body>[^<]*)", RegexOptions.IgnoreCase, matchTimeoutMilliseconds: 1000)]
    private static partial Regex Section();

    [GeneratedRegex(@"(?<=^|\s)(?<name>[A-Za-z0-9_]+)=", RegexOptions.None, matchTimeoutMilliseconds: 1000)]
    private static partial Regex Name();
}
