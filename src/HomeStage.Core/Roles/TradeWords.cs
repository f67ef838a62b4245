namespace HomeStage.Core.Roles;

/// <summary>The abbreviations of the trade and what they stand for (common practice, no source).</summary>
internal static class TradeWords
{
    private static readonly Dictionary<string, string> Meanings = Build(
        "kick: kick kik kck kicks bd bassdrum kickdrum deepdrum beater",
        "k: k",
        "snare: snare snares sn snr snrs sd sidedrum sidestick crossstick xstick rimclick rim rimshot",
        "clap: clap claps clp handclap handclaps snap snaps fingersnaps",
        "hat: hat hats hh hihat hihats hi-hat hht ohh chh phh",
        "tom: tom toms ft floortom racktom",
        "tom place: rack floor flr rk",
        "cymbal: cymbal cymbals cym cyms crash crashes crsh ride rides rd china splash sizzle",
        "overhead: oh ohs overhead overheads overs ovh ovhd",
        "over: over",
        "room: room rooms rm rms amb ambience ambient far crotch knee",
        "hall: hall halls",
        "tail: tail tails",
        "percussion: perc percs percussion tambour tambours clapper clappers prc shaker shakers shkr shk tamb tambourine tambourines tambo conga congas cng bongo bongos cowbell woodblock triangle cabasa maraca maracas guiro timbale timbales timpani kettle kettles kettledrum kettledrums clave claves djembe cajon tabla darbuka udu surdo pandeiro cuica taiko bodhran agogo caxixi egg castanets sleigh rainstick rattle stomp stomps block blocks sandblock steeldrum gong guica chimes windchimes vibraslap dumbek doumbek dholak dhol repinique tamborim ganza chocalho ashiko quinto bata guira ratchet flexatone washboard spoons crotales frame framedrum",
        "bell: bell bells",
        "drums: drums drm drms kit drumset drumkit shells",
        "drum: drum",
        "sub: sub subs subby 808 808s",
        "bass: bass bs bss bas bgtr ebass fretless reese",
        "basses: basses lowend lows",
        "guitar: gtr guitar git guit gt gtar",
        "guitars: gtrs guitars guits",
        "agtr: agtr ag acgtr acgt uke ukulele mandolin mando mandola banjo lute bouzouki",
        "egtr: egtr eg elgtr",
        "acoustic: acoustic ac acou acous acst nylon steel gut",
        "electric: electric elec el e distorted dist clean crunch crunchy drive driven solo",
        "piano: piano pno pianos pf grand upright toypiano",
        "keys: keys keyboard keyboards kbd kbds ep epiano clav celeste celesta harpsichord vibes vibraphone marimba glock glockenspiel xylo xylophone kalimba mbira mallets musicbox",
        "key: key",
        "organ: organ org drawbar drawbars reedorgan harmonium accordion accordeon accord melodica concertina squeezebox bandoneon",
        "synth: synth syn synths snth arp arps arpeggio pluck plucks seq saw",
        "lead: lead ld",
        "pad: pad pads drone drones atmos atmo texture textures",
        "chord: chord chords stab stabs",
        "instruments: instruments inst insts instr music instrument band melodics",
        "strings: strings string str violin violins vln vlns viola violas vla vlas cello celli vc vcs contrabass fiddle fiddles viol viols gamba hurdy psaltery harp pizz quartet qtet",
        "winds: winds wind flute flutes fl flugel sax saxophone tpt trumpet trumpets trombone tbn bone bones horn horns hrn hrns brass clarinet clar oboe bassoon tuba picc piccolo recorder whistle harmonica",
        "voice: vox vocal vocals voc vocs voice vx narrator narration singer speech spoken rap rapper vo whisper whispers adlib adlibs",
        "voices: voices vocalists singers singing",
        "lv: lv lvox leadvox leadvocal ldvox",
        "bv: bv bvs bvox bgv bgvs bgs bvoc backing backings background bkg bkgs choir chant chants gang crowd shout ooh oohs aah aahs ahh ahhs stack stacks",
        "harmony: harm harms harmony harmonies",
        "chorus: chorus",
        "back: back",
        "double: dbl double doubles dub dbls doubler",
        "take: take tk takes",
        "fx: fx sfx riser risers rise impact impacts whoosh sweep sweeps downer downlifter uplifter hit hits noise boom foley transition glitch",
        "reversed: reverse reversed",
        "rev: rev",
        "reverb: reverb verb verbs plate rvb vrb spring chamber shimmer cathedral church wash",
        "delay: dly delay delays echo echoes slapback pingpong throw throws",
        "slap: slap slaps",
        "return: return returns rtn rtns rets aux",
        "send: send snd",
        "bus: bus buss grp group sum submix stem busses buses all",
        "section: section",
        "mix: mix mixbus",
        "premaster: premaster premain premix submaster prefinal 2bus",
        "main: main master mstr",
        "out: out output outs",
        "stereo: stereo lr",
        "print: print",
        "reference: ref refs reference references rough roughmix",
        "click: click clk metronome metro countin countoff precount count tick pips beep",
        "pulse: pulse tone signal",
        "silent: silent ghost muted mute",
        "trigger: trig trigger trg triggers sidechain sc duck ducker ducking keyer",
        "pump: pump pumping");

    // They say which one it is, not what it is.
    private static readonly HashSet<string> Neutral = new(StringComparer.Ordinal)
    {
        "l", "r", "left", "right", "lr", "m", "mono", "in", "inside", "outside", "top", "bot", "bottom", "btm", "hi", "high", "mid", "middle", "low", "lo", "di", "amp", "mic", "mics", "close",
        "open", "closed", "edge", "bow", "chick", "foot", "pedal", "near", "wide", "warm", "big", "small", "long", "short", "loop", "dry", "wet", "track", "tr", "trk", "comp", "main", "new", "old", "alt",
        "verse", "bridge", "intro", "outro", "hook", "strum", "rhythm", "rhy", "alto", "tenor", "soprano", "baritone", "hand", "wood", "upright", "ping", "pong", "side", "the", "and", "a", "b", "up", "down", "reed", "deep", "hard", "soft", "brush", "slap", "cab", "front", "ext", "hole", "arco", "muted", "parallel", "st", "nd", "th",
    };

    /// <returns>What the word stands for; null for a word that says nothing here.</returns>
    /// <remarks>Several of a thing are that thing, unless the trade means something else by them: two basses are a bus.</remarks>
    public static string? MeaningOf(string word) =>
        Meanings.TryGetValue(word, out var meaning) ? meaning
        : word.Length > 3 && word.EndsWith('s') && Meanings.TryGetValue(word[..^1], out var ofOne) ? ofOne
        : null;

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
