using System.Globalization;

namespace HomeStage.Core.Roles;

/// <summary>Reads a role from a name as people write them: abbreviations, camel case, numbers, sides.</summary>
/// <remarks>What a name is about is decided by the strongest word in it: a trigger of a kick is a trigger, a reverb for
/// voices is a reverb, a bus of guitars is a bus. Only then comes the instrument itself.</remarks>
public static class RoleReader
{
    // A name of one bare letter, or one that leans on a word with many meanings, is worth asking about.
    private const double Sure = 1.0;
    private const double Likely = 0.7;
    private const double Faint = 0.4;

    // What is said of most things that are struck; it tells two of them not apart.
    private static readonly string[] Vague = [RoleNames.Unknown, "percussion", "drum-bus"];

    /// <returns>The role of a name that says something particular; null for one that could be anything among drums.</returns>
    public static string? ParticularOf(string name) => Read(name).Role is var role && Vague.Contains(role) ? null : role;

    public static RoleGuess Read(string name)
    {
        var words = Joined(NameWords.Of(name));
        var meanings = words.Select(TradeWords.MeaningOf).OfType<string>().ToHashSet(StringComparer.Ordinal);
        var (role, sureness) = Decide(meanings, words);
        var strange = words.Count(w => TradeWords.MeaningOf(w) is null && !TradeWords.IsNeutral(w));
        var confidence = role == RoleNames.Unknown ? 0 : sureness / (1 + 0.25 * strange);
        return new(role, RoleNames.FamilyOf(role), Math.Round(confidence, 2), SideOf(words), NumberOf(words));
    }

    private static (string Role, double Sureness) Decide(HashSet<string> said, IReadOnlyList<string> words)
    {
        bool Has(params ReadOnlySpan<string> any)
        {
            foreach (var meaning in any)
                if (said.Contains(meaning))
                    return true;
            return false;
        }

        var voice = Has("voice", "voices", "lv", "bv");
        var isBus = Has("bus");
        if (Has("trigger"))
            return ("trigger", Sure);
        if (Has("take"))
            return ("take", Sure);
        if (Has("return") || (isBus && Has("fx")))
            return ("return-bus", Sure);
        if (!Has("send") && Has("reverb"))
            return ("reverb", Sure);
        if (!Has("send") && Has("delay"))
            return ("delay", Sure);
        if (Has("reference"))
            return ("reference", Sure);
        if (Has("click"))
            return ("count-in", Sure);
        if (Has("premaster") || (Has("mix") && (isBus || words.Contains("mixbus"))) || (isBus && words.Contains("2") && said.Count == 1))
            return ("mix-bus", Sure);
        if (isBus && BusOf(said) is { } bus)
            return (bus, Sure);
        if (Has("main", "out") && (said.Count == 1 ? Has("main") : said.IsSubsetOf(["main", "out", "stereo", "mix", "bus"])))
            return ("main", Sure);
        return PluralOf(said) is { } plural ? (plural, Sure) : InstrumentOf(said, voice);
    }

    private static string? BusOf(HashSet<string> said) =>
        said.Contains("drums") || said.Contains("drum") ? "drum-bus"
        : said.Contains("bass") || said.Contains("basses") ? "bass-bus"
        : said.Contains("guitar") || said.Contains("guitars") ? "guitar-bus"
        : said.Contains("voice") || said.Contains("voices") ? "voice-bus"
        : said.Overlaps(["instruments", "synth", "keys"]) ? "instrument-bus"
        : null;

    private static string? PluralOf(HashSet<string> said) =>
        said.SetEquals(["drums"]) ? "drum-bus"
        : said.SetEquals(["basses"]) ? "bass-bus"
        : said.SetEquals(["guitars"]) ? "guitar-bus"
        : said.SetEquals(["voices"]) ? "voice-bus"
        : said.SetEquals(["instruments"]) ? "instrument-bus"
        : null;

    private static (string Role, double Sureness) InstrumentOf(HashSet<string> said, bool voice)
    {
        bool Has(string meaning) => said.Contains(meaning);
        if (voice && Has("double"))
            return ("double-voice", Sure);
        if (Has("bv"))
            return ("harmony-voice", Sure);
        if (voice)
            return ("lead-voice", Sure);
        if (Has("overhead"))
            return ("overhead", Sure);
        foreach (var drum in new[] { "kick", "snare", "clap", "hat", "tom", "cymbal", "room", "percussion" })
            if (Has(drum))
                return (drum, Sure);
        if (Has("k"))
            return ("kick", Faint);
        if (Has("agtr") || ((Has("guitar") || Has("guitars")) && Has("acoustic")))
            return ("acoustic-guitar", Sure);
        // A bass guitar is a bass.
        if (Has("bass"))
            return (Has("sub") ? "sub" : "bass", Sure);
        if (Has("egtr") || Has("guitar") || Has("guitars"))
            return ("electric-guitar", Has("electric") ? Sure : Likely);
        if (Has("piano"))
            return (Has("electric") ? "keys" : "piano", Sure);
        if (Has("pad"))
            return ("synth-pad", Sure);
        if (Has("chord"))
            return ("synth-chord", Sure);
        if (Has("synth"))
            return ("synth-lead", Has("lead") ? Sure : Likely);
        foreach (var other in new[] { "keys", "organ", "sub", "winds" })
            if (Has(other))
                return (other, Sure);
        if (Has("acoustic") && Has("strings"))
            return ("acoustic-guitar", Likely);
        if (Has("strings"))
            return ("strings", Sure);
        if (Has("fx"))
            return ("effect", Sure);
        if (Has("drum") || Has("drums"))
            return ("percussion", Faint);
        return Has("lead") ? ("lead-voice", Faint) : (RoleNames.Unknown, 0);
    }

    /// <summary>Pairs that the trade writes as two words and means as one.</summary>
    private static List<string> Joined(IReadOnlyList<string> words)
    {
        var joined = new List<string>();
        for (var i = 0; i < words.Count; i++)
        {
            var pair = i + 1 < words.Count ? words[i] + words[i + 1] : "";
            if (IsPair(words, i, pair))
            {
                joined.Add(pair);
                i++;
            }
            else
            {
                joined.Add(words[i]);
            }
        }

        return joined;
    }

    private static bool IsPair(IReadOnlyList<string> words, int i, string pair) =>
        pair is "bassdrum" or "kickdrum" or "deepdrum" or "sidedrum" or "sidestick" or "handclap" or "hihat" or "overhead" or "overheads"
            or "floortom" or "racktom" or "woodblock" or "sandblock" or "framedrum" or "pingpong" or "countin" or "sidechain" or "reedorgan" or "mixbus" or "bvox" or "bvoc"
        || (pair is "epiano" or "egtr" or "agtr" && words[i].Length == 1);

    private static string? SideOf(IReadOnlyList<string> words) =>
        words.Contains("l") || words.Contains("left") ? words.Contains("r") || words.Contains("right") ? null : "left"
        : words.Contains("r") || words.Contains("right") ? "right"
        : null;

    private static int? NumberOf(IReadOnlyList<string> words)
    {
        // 808 names a sound, not the eight hundred and eighth of anything.
        var digits = words.LastOrDefault(w => w != "808" && w.Length <= 4 && w.All(char.IsAsciiDigit));
        return digits is null ? null : int.Parse(digits, CultureInfo.InvariantCulture);
    }
}
