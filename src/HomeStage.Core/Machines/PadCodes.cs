namespace HomeStage.Core.Machines;

/// <summary>Two capital letters for a pad, as files of one-shots begin with them (common practice, no source).</summary>
/// <remarks>Two letters mean many things. They are read only where a folder has several of them, and spelt out, so that whoever reads the piece knows
/// what was understood.</remarks>
internal static class PadCodes
{
    private const int FewestInAFolder = 3;

    private static readonly Dictionary<string, string> Spoken = new(StringComparer.Ordinal)
    {
        ["BD"] = "Kick",
        ["SD"] = "Snare",
        ["RS"] = "Rim",
        ["CP"] = "Clap",
        ["CH"] = "Hat closed",
        ["PH"] = "Hat foot",
        ["LT"] = "Tom low",
        ["MT"] = "Tom mid",
        ["HT"] = "Tom high",
        ["LC"] = "Conga low",
        ["MC"] = "Conga mid",
        ["HC"] = "Conga high",
        ["CY"] = "Cymbal",
        ["CR"] = "Crash",
        ["RD"] = "Ride",
        ["RC"] = "Ride",
        ["CB"] = "Cowbell",
        ["CL"] = "Claves",
        ["MA"] = "Maracas",
        ["TB"] = "Tambourine",
    };

    /// <summary>The names of one folder with the codes spelt out.</summary>
    /// <param name="names">Each by its words, as they were written.</param>
    public static List<IReadOnlyList<string>> SpeltOut(IReadOnlyList<IReadOnlyList<string>> names)
    {
        var codes = names.Where(n => n.Count > 0).Select(n => n[0]).Where(Spoken.ContainsKey).ToHashSet(StringComparer.Ordinal);
        if (codes.Count < FewestInAFolder)
            return [.. names];
        return [.. names.Select(n => n.Count > 0 && WordsFor(n[0], codes) is { } spelt ? [.. spelt.Split(' '), .. n.Skip(1)] : n)];
    }

    /// <summary>What is beside a closed hat is the open one; elsewhere these two letters are overheads.</summary>
    private static string? WordsFor(string code, HashSet<string> codes) =>
        code == "OH" ? (codes.Contains("CH") ? "Hat open" : null) : Spoken.GetValueOrDefault(code);
}
