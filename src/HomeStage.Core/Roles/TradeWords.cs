namespace HomeStage.Core.Roles;

/// <summary>The abbreviations of the trade and what they stand for (common practice, no source).</summary>
internal static class TradeWords
{
    private static readonly Dictionary<string, string> Meanings = Build(
        "kick: kick kik kck kicks bd bassdrum kickdrum deepdrum",
        "k: k",
        "snare: snare snares sn snr sd sidedrum sidestick rim rimshot",
        "clap: clap claps clp handclap snap snaps",
        "hat: hat hats hh hihat hihats hi-hat hht",
        "tom: tom toms ft floortom racktom",
        "cymbal: cymbal cymbals cym cyms crash crashes ride china splash",
        "overhead: oh ohs overhead overheads ovh",
        "room: room rooms rm rms hall amb ambience ambient far",
        "percussion: perc percussion prc shaker shakers shk tamb tambourine tambo conga congas bongo bongos cowbell woodblock triangle cabasa maraca maracas guiro timbale timbales clave claves djembe cajon block blocks sandblock bell bells gong guica chimes frame framedrum",
        "drums: drums drm drms",
        "drum: drum",
        "sub: sub subs subby 808 808s",
        "bass: bass bs bss bas",
        "basses: basses",
        "guitar: gtr guitar git guit gt gtar",
        "guitars: gtrs guitars guits",
        "agtr: agtr acgtr acgt",
        "egtr: egtr elgtr",
        "acoustic: acoustic ac acou acous nylon steel",
        "electric: electric elec el e distorted dist clean crunch solo",
        "piano: piano pno pianos grand upright",
        "keys: keys key keyboard keyboards kbd ep epiano wurli clav clavinet",
        "organ: organ org drawbar reedorgan",
        "synth: synth syn synths snth",
        "lead: lead ld",
        "pad: pad pads",
        "chord: chord chords stab stabs",
        "instruments: instruments inst insts instr music instrument",
        "strings: strings string str violin violins vln vlns viola vla vlas cello celli vc contrabass",
        "winds: winds wind flute sax saxophone tpt trumpet trombone tbn horn horns brass clarinet oboe bassoon tuba",
        "voice: vox vocal vocals voc vocs voice vx narrator narration singer speech",
        "voices: voices vocalists singers",
        "lv: lv lvox leadvox leadvocal ldvox",
        "bv: bv bvs bvox bgv bgvs bvoc backing background harm harms harmony harmonies choir chorus",
        "double: dbl double doubles dub dbls doubler",
        "take: take tk takes",
        "fx: fx sfx riser risers impact impacts whoosh sweep sweeps downer uplifter hit",
        "reverb: rev reverb verb plate rvb spring chamber",
        "delay: dly delay delays echo echoes slap slapback pingpong",
        "return: return returns rtn rtns rets aux",
        "send: send snd",
        "bus: bus buss grp group sum submix stem busses buses all section",
        "mix: mix mixbus",
        "premaster: premaster premain prefinal 2bus",
        "main: main master mstr",
        "out: out output outs",
        "stereo: stereo",
        "reference: ref refs reference references",
        "click: click clk metronome metro countin count",
        "trigger: trig trigger trg triggers sidechain sc ducker keyer");

    // They say which one it is, not what it is.
    private static readonly HashSet<string> Neutral = new(StringComparer.Ordinal)
    {
        "l", "r", "left", "right", "lr", "m", "mono", "in", "inside", "outside", "top", "bot", "bottom", "btm", "hi", "high", "mid", "middle", "low", "lo", "di", "amp", "mic", "mics", "close",
        "open", "closed", "foot", "pedal", "near", "wide", "warm", "big", "small", "long", "short", "loop", "dry", "wet", "track", "tr", "trk", "comp", "main", "new", "old", "alt",
        "rhythm", "rhy", "alto", "tenor", "soprano", "baritone", "hand", "wood", "rack", "floor", "upright", "ping", "pong", "side", "pulse", "the", "and", "a", "b", "up", "down", "reed", "deep", "hard", "soft", "brush", "slap",
    };

    /// <returns>What the word stands for; null for a word that says nothing here.</returns>
    public static string? MeaningOf(string word) => Meanings.GetValueOrDefault(word);

    public static bool IsNeutral(string word) => Neutral.Contains(word) || word.All(char.IsDigit);

    private static Dictionary<string, string> Build(params string[] lines)
    {
        var meanings = new Dictionary<string, string>(StringComparer.Ordinal);
        foreach (var line in lines)
        {
            var (meaning, words) = (line[..line.IndexOf(':')], line[(line.IndexOf(':') + 1)..]);
            foreach (var word in words.Split(' ', StringSplitOptions.RemoveEmptyEntries))
                meanings.TryAdd(word, meaning);
        }

        return meanings;
    }
}
