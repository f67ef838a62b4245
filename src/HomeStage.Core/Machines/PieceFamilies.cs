using HomeStage.Core.Roles;

namespace HomeStage.Core.Machines;

/// <summary>The family in which a piece stands, as its name tells.</summary>
public static class PieceFamilies
{
    // What rings among percussion, what is rubbed or shaken, what is wood, and what has a skin (common practice).
    private static readonly (string Family, string[] Words)[] OfPercussion =
    [
        ("percussion/shakers", ["shaker", "shakers", "shk", "shkr", "rattle", "rainstick", "tamb", "tambourine", "tambo", "cabasa", "maraca", "maracas", "sand", "sandblock", "egg", "caxixi", "ganza", "chocalho"]),
        ("percussion/metal", ["cowbell", "triangle", "bell", "bells", "gong", "chimes", "agogo", "guica", "metal", "anvil", "tree", "sleigh", "flexatone", "crotales"]),
        ("percussion/wood", ["woodblock", "block", "blocks", "clave", "claves", "guiro", "wood", "stick", "sticks", "castanets", "vibraslap", "ratchet", "guira", "washboard", "spoons"]),
        ("percussion/skins", ["conga", "congas", "bongo", "bongos", "timbale", "timbales", "djembe", "cajon", "tabla", "darbuka", "skin", "cng", "udu", "surdo", "pandeiro", "bodhran", "taiko", "timpani", "dumbek", "doumbek", "dholak", "dhol", "repinique", "tamborim", "ashiko", "quinto", "bata"]),
    ];

    // What pads play besides what is struck: a stab, a chopped voice, a riser.
    private static readonly string[] Sounding = ["bass", "guitars", "instruments", "voices", "effects"];

    /// <returns>A path; empty where the name says nothing that sounds.</returns>
    public static string Of(string name) => RoleReader.Read(name).Role switch
    {
        "kick" => "drums/kick",
        "snare" => "drums/snare",
        "clap" => "drums/hands",
        "hat" => "drums/hats",
        "tom" => "drums/toms",
        "cymbal" => "drums/cymbals",
        "overhead" => "drums/overheads",
        "room" => "drums/rooms",
        "percussion" => Percussion(name),
        var role when Sounding.Contains(RoleNames.FamilyOf(role)) => RoleNames.FamilyOf(role),
        _ => Percussion(name) is var family and not "percussion" ? family : "",
    };

    private static string Percussion(string name)
    {
        var words = NameWords.Of(name);
        var joined = string.Concat(words);
        return OfPercussion.FirstOrDefault(f => f.Words.Any(w => words.Contains(w) || (w.Length > 5 && joined.Contains(w, StringComparison.Ordinal)))).Family ?? "percussion";
    }
}
