using System.Text.RegularExpressions;

namespace HomeStage.Formats.Sfz;

/// <summary>The regions of an SFZ text, each with what its group, its master and the whole say before it.</summary>
internal static partial class SfzRegions
{
    public const int MostRegions = 20_000;

    private static readonly string[] Levels = ["global", "master", "group", "region"];

    /// <returns>Opcodes by region, and those of the control headers.</returns>
    public static (IReadOnlyList<IReadOnlyDictionary<string, string>> Regions, IReadOnlyDictionary<string, string> Control) Of(string text)
    {
        var said = Levels.Select(_ => new Dictionary<string, string>(StringComparer.OrdinalIgnoreCase)).ToArray();
        var control = new Dictionary<string, string>(StringComparer.OrdinalIgnoreCase);
        var regions = new List<IReadOnlyDictionary<string, string>>();
        foreach (Match section in Section().Matches(text))
        {
            var header = section.Groups["header"].Value;
            var opcodes = Opcodes(section.Groups["body"].Value);
            var level = Array.IndexOf(Levels, header);
            if (header == "control")
                foreach (var (name, value) in opcodes)
                    control[name] = value;
            if (level < 0)
                continue;
            said[level] = opcodes;
            foreach (var below in said.Skip(level + 1))
                below.Clear();
            if (level < Levels.Length - 1)
                continue;
            if (regions.Count == MostRegions)
                throw new InvalidDataException($"It has more than {MostRegions:N0} regions.");
            regions.Add(said.SelectMany(s => s).GroupBy(o => o.Key, StringComparer.OrdinalIgnoreCase).ToDictionary(g => g.Key, g => g.Last().Value, StringComparer.OrdinalIgnoreCase));
        }

        return (regions, control);
    }

    /// <summary>A value goes on to the next name with an equals sign after it, so that paths may have blanks.</summary>
    private static Dictionary<string, string> Opcodes(string body)
    {
        var opcodes = new Dictionary<string, string>(StringComparer.OrdinalIgnoreCase);
        foreach (var line in body.Split('\n'))
        {
            var names = Name().Matches(line);
            for (var i = 0; i < names.Count; i++)
            {
                var start = names[i].Index + names[i].Length;
                var end = i + 1 < names.Count ? names[i + 1].Index : line.Length;
                opcodes[names[i].Groups["name"].Value] = line[start..end].Trim();
            }
        }

        return opcodes;
    }

    [GeneratedRegex(@"<(?<header>[a-z]+)>(?<body>[^<]*)", RegexOptions.IgnoreCase, matchTimeoutMilliseconds: 1000)]
    private static partial Regex Section();

    [GeneratedRegex(@"(?<=^|\s)(?<name>[A-Za-z0-9_]+)=", RegexOptions.None, matchTimeoutMilliseconds: 1000)]
    private static partial Regex Name();
}
