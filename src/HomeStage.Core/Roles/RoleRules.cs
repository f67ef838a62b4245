namespace HomeStage.Core.Roles;

/// <summary>Which role a name's words come to.</summary>
/// <remarks>What a name is about is decided by the strongest word in it: a trigger of a kick is a trigger, a reverb for voices is a reverb, a bus
/// of guitars is a bus. Only then comes the instrument itself.</remarks>
internal static class RoleRules
{
    // A name of one bare letter, or one that leans on a word with many meanings, is worth asking about.
    private const double Sure = 1.0;
    private const double Likely = 0.7;
    private const double Faint = 0.4;

    private static readonly string[] Drums = ["kick", "snare", "clap", "hat", "tom", "cymbal", "room", "percussion"];

    public static (string Role, double Sureness) Decide(SaidWords said)
    {
        if (IsTrigger(said))
            return ("trigger", Sure);
        if (said.Has("take"))
            return ("take", Sure);
        if (Effect(said) is { } effect)
            return (effect, Sure);
        if (said.Has("reference"))
            return ("reference", Sure);
        // The click of a kick or of a rim is a part of its sound.
        if (said.Has("click") && !said.HasAny("kick", "snare", "bass"))
            return ("count-in", Sure);
        if (Sum(said) is { } sum)
            return (sum, Sure);
        return Sound(said);
    }

    /// <summary>The instrument that sounds, whatever is said of where or through what.</summary>
    public static (string Role, double Sureness) Sound(SaidWords said) => Plural(said) is { } plural ? (plural, Sure) : Instrument(said);

    /// <summary>"Key" is a key signal beside a drum or alone with "in", and a keyboard otherwise.</summary>
    private static bool IsTrigger(SaidWords said) =>
        said.Has("trigger")
        || (said.Has("pump") && !said.Has("organ"))
        || (said.Has("silent") && said.HasAny("kick", "pulse"))
        || (said.Has("key") && (said.HasAny("kick", "snare", "pulse") || said.HasWord("in")));

    private static string? Effect(SaidWords said)
    {
        if (said.Has("send"))
            return null;
        if (IsReverb(said))
            return "reverb";
        if (said.Has("delay") || (said.Has("slap") && !said.HasAny("bass", "percussion", "bell", "drum", "snare", "kick", "tom")))
            return "delay";
        if (said.Has("return") || (said.HasAny("bus", "section", "sub") && said.Has("fx") && !said.HasWord("boom")))
            return "return-bus";
        return said.HasAny("reversed", "rev") && said.Has("cymbal") ? "effect" : null;
    }

    private static bool IsReverb(SaidWords said)
    {
        if (said.HasAny("reverb", "tail"))
            return true;
        if (said.Has("rev"))
            return !said.Has("cymbal");
        if (said.IsOfAMicrophone || said.HasAny("drum", "drums", "bus"))
            return false;
        // Nobody records one drum in a hall of its own: that is what it is sent to.
        return (said.HasAny("room", "hall") && (said.IsOfASpace || said.HasAny("voice", "voices", "lv", "bv"))) || (said.Has("hall") && said.HasAny("kick", "snare", "tom", "clap"));
    }

    private static string? Sum(SaidWords said)
    {
        var isBus = said.Has("bus");
        if (said.Has("premaster") || (isBus && said.Has("print")) || (said.Has("mix") && (isBus || said.HasWord("mixbus") || said.HasOnly("mix", "sub"))) || (said.HasOnly("bus", "stereo") && (said.HasWord("2") || said.HasWord("sum") || said.Has("stereo")) && isBus))
            return "mix-bus";
        if ((isBus || IsSubmix(said) || said.HasOnly("mix", "drum") || said.HasOnly("mix", "drums")) && BusOf(said) is { } bus)
            return bus;
        return said.HasAny("main", "out") && (said.HasOnly("main") || said.HasOnly("out") || said.HasOnly("main", "out", "stereo", "mix", "bus")) ? "main" : null;
    }

    // A sub of basses or kicks is a sound; of anything else it is a sum.
    private static bool IsSubmix(SaidWords said) => said.Has("sub") && said.HasAny("mix", "drums", "guitar", "guitars", "voice", "voices", "bv", "instruments", "strings", "winds", "synth", "keys");

    private static string? BusOf(SaidWords said) =>
        said.HasAny("drums", "drum", "kick", "snare", "clap", "hat", "tom", "cymbal", "percussion") ? "drum-bus"
        : said.HasAny("bass", "basses", "sub") && !said.HasAny("guitar", "guitars", "voice", "voices", "instruments", "strings", "winds", "synth", "keys") ? "bass-bus"
        : said.HasAny("guitar", "guitars", "agtr", "egtr", "acoustic", "electric") ? "guitar-bus"
        : said.HasAny("voice", "voices", "lv", "bv", "harmony") ? "voice-bus"
        : said.HasAny("instruments", "synth", "keys", "strings", "winds", "piano", "organ", "pad") ? "instrument-bus"
        : null;

    private static string? Plural(SaidWords said) =>
        said.HasOnly("drums") ? "drum-bus"
        : said.HasOnly("basses") ? "bass-bus"
        : said.HasOnly("guitars") ? "guitar-bus"
        : said.HasOnly("voices") ? "voice-bus"
        : said.HasOnly("instruments") ? "instrument-bus"
        : null;

    // A harmony or a chorus of an instrument is that instrument; of nothing that is named it is one of voices.
    private static (string Role, double Sureness) Instrument(SaidWords said) =>
        Voice(said) ?? Drum(said) ?? Stringed(said) ?? Keyed(said) ?? Blown(said) ?? Leftover(said);

    private static (string, double)? Voice(SaidWords said)
    {
        var voice = said.HasAny("voice", "voices", "lv", "bv");
        if (voice && said.Has("double"))
            return ("double-voice", Sure);
        if (said.Has("bv") || (voice && said.HasAny("back", "harmony")))
            return ("harmony-voice", Sure);
        return voice ? ("lead-voice", Sure) : null;
    }

    private static (string, double)? Drum(SaidWords said)
    {
        if (said.HasAny("guitar", "guitars", "agtr", "egtr", "piano") && said.HasAny("room", "hall") && !said.HasAny("drum", "drums"))
            return null;
        if (said.Has("overhead"))
            return ("overhead", Sure);
        // The rim of another drum.
        var rimOfAnother = said.HasWord("rim") && said.HasAny("tom", "percussion");
        foreach (var drum in Drums)
            if (said.Has(drum) && !(drum == "snare" && rimOfAnother))
                return (drum, Sure);
        if (said.Has("hall"))
            return ("room", Likely);
        if (said.Has("bell") && !said.HasAny("synth", "keys", "pad"))
            return ("percussion", Sure);
        if (said.Has("k"))
            return ("kick", Faint);
        return said.HasOnly("tom place") ? ("tom", Likely) : null;
    }

    private static (string, double)? Stringed(SaidWords said)
    {
        if (said.Has("agtr") || (said.HasAny("guitar", "guitars") && said.Has("acoustic")))
            return ("acoustic-guitar", Sure);
        // A bass guitar is a bass; a bass clarinet is none.
        if (said.Has("bass") && !said.Has("winds"))
            return (said.Has("sub") ? "sub" : "bass", Sure);
        if (said.HasAny("egtr", "guitar", "guitars"))
            return ("electric-guitar", said.HasAny("electric", "egtr") ? Sure : Likely);
        // The strings of a guitar: twelve of them, of nylon, of gut.
        if (said.Has("strings") && (said.Has("acoustic") || said.HasWord("12")))
            return ("acoustic-guitar", Likely);
        return null;
    }

    private static (string, double)? Keyed(SaidWords said)
    {
        if (said.Has("piano"))
            return (said.Has("electric") ? "keys" : "piano", Sure);
        if (said.Has("pad"))
            return ("synth-pad", Sure);
        if (said.Has("chord"))
            return ("synth-chord", Sure);
        if (said.Has("synth"))
            return ("synth-lead", said.Has("lead") ? Sure : Likely);
        if (said.HasAny("keys", "key"))
            return ("keys", Sure);
        return said.Has("organ") ? ("organ", Sure) : said.Has("sub") && !said.Has("fx") ? ("sub", Sure) : null;
    }

    private static (string, double)? Blown(SaidWords said) => said.Has("winds") ? ("winds", Sure) : said.Has("strings") ? ("strings", Sure) : null;

    /// <summary>Names that lean on a word which is mostly said of something else.</summary>
    private static (string, double) Leftover(SaidWords said)
    {
        if (said.HasAny("fx", "reversed"))
            return ("effect", Sure);
        if (said.HasAny("drum", "drums"))
            return ("percussion", Faint);
        if (said.HasOnly("double", "lead"))
            return said.Has("double") ? ("double-voice", Likely) : ("lead-voice", Faint);
        if (said.HasAny("harmony", "chorus"))
            return ("harmony-voice", said.Has("harmony") ? Sure : Likely);
        if (said.HasOnly("over"))
            return ("overhead", Likely);
        if (said.HasOnly("acoustic"))
            return ("acoustic-guitar", Likely);
        if (said.HasOnly("electric") && said.HasSide)
            return ("electric-guitar", Likely);
        return said.Has("lead") ? ("lead-voice", Faint) : (RoleNames.Unknown, 0);
    }
}
