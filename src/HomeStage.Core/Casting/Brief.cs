using System.Globalization;
using HomeStage.Core.Catalogue;
using HomeStage.Core.Roles;
using HomeStage.Core.Writing;

namespace HomeStage.Core.Casting;

/// <summary>A template as a few questions and their answers, which come to a cast list.</summary>
public sealed record Brief
{
    public const int MostOfAKind = 12;
    public const int MostPads = 32;
    public const double DeepestDb = 24;

    /// <summary>Id of an instrument that plays a kit; null for a machine of <see cref="Pads"/>, or no drums.</summary>
    public string? Kit { get; init; }

    /// <summary>How many pads a machine has, in [0, 32]; 0 for none.</summary>
    public int Pads { get; init; }

    /// <summary>Over how many outputs the kit is split, in [0, 64]; 0 for together on one, null for as finely as it can be.</summary>
    public int? SplitOver { get; init; } = 0;

    public int Basses { get; init; }

    public int Keys { get; init; }

    public int SoundPads { get; init; }

    public int Strings { get; init; }

    public int Organs { get; init; }

    public int AcousticGuitars { get; init; }

    public int ElectricGuitars { get; init; }

    public int Singers { get; init; }

    /// <summary>Takes of each singer, in [0, 12]; 0 for a channel without takes.</summary>
    public int TakesEach { get; init; }

    public int Answers { get; init; }

    public int Chorus { get; init; }

    /// <summary>Of <see cref="Spaces"/>.</summary>
    public Sequence<string> Returns { get; init; } = [];

    /// <summary>What makes room, and how deep.</summary>
    public Sequence<BriefRoom> Rooms { get; init; } = [];

    /// <summary>Whether they make room for the kick of the kit rather than for every beat; of no meaning without a kit.</summary>
    public bool ForTheKick { get; init; }

    /// <summary>By which note value they are back, in quarter notes.</summary>
    public double BackQuarters { get; init; } = 0.5;

    /// <summary>"Verse 8, Chorus 8"; empty for what is there.</summary>
    public string Sections { get; init; } = "";

    /// <summary>Under each bus, in [0, 12].</summary>
    public int Spares { get; init; }

    public int References { get; init; }

    public bool CountIn { get; init; }

    /// <summary>The returns to choose from: what each is called, and what a list says of it (common practice).</summary>
    public static IReadOnlyList<(string Id, string Said)> Spaces { get; } =
    [
        ("hall", "hall 2.4 s"), ("plate", "plate 1.2 s"), ("room", "room 0.5 s"), ("slap", "slap 1/16"), ("echo", "echo 1/8 dotted left, 1/4 right"), ("far-echo", "far echo 1/4 dotted, into hall"),
    ];

    /// <summary>The buses that may make room.</summary>
    public static IReadOnlyList<string> Buses { get; } = ["Bass", "Instruments", "Guitars", "Voices"];

    /// <returns>The first thing that is wrong, or null.</returns>
    public Refusal? Check()
    {
        foreach (var (count, what) in new[]
        {
            (Basses, "basses"), (Keys, "keys"), (SoundPads, "pads"), (Strings, "strings"), (Organs, "organs"), (AcousticGuitars, "acoustic guitars"), (ElectricGuitars, "electric guitars"),
            (Singers, "singers"), (TakesEach, "takes"), (Answers, "answers"), (Chorus, "voices of the chorus"), (Spares, "spares"), (References, "references"),
        })
            if (!(count is >= 0 and <= MostOfAKind))
                return new Refusal.OutOfRange($"The number of {what}", count, 0, MostOfAKind, "");
        return !(Pads is >= 0 and <= MostPads) ? new Refusal.OutOfRange("The number of pads", Pads, 0, MostPads, "")
            : SplitOver is not (null or (>= 0 and <= Kits.KitRules.MostOutputs)) ? new Refusal.OutOfRange("The number of outputs", SplitOver.Value, 0, Kits.KitRules.MostOutputs, "")
            : Kit is { } kit && InstrumentCatalogue.Find(kit) is not { Kit: not null } ? new Refusal.Missing("instrument that plays a kit", kit, "in the catalogue")
            : Returns.FirstOrDefault(r => Spaces.All(s => s.Id != r)) is { } strange ? new Refusal.Missing("return", strange, "among those to choose from")
            : Rooms.FirstOrDefault(r => !Buses.Contains(r.Bus)) is { } nobody ? new Refusal.Missing("bus", nobody.Bus, "that may make room")
            : Rooms.FirstOrDefault(r => !(r.DepthDb is >= 1 and <= DeepestDb)) is { } deep ? new Refusal.OutOfRange($"How far {deep.Bus} goes down", deep.DepthDb, 1, DeepestDb, "dB")
            : NoteWords.Of(BackQuarters) is null ? new Refusal.OutOfRange("The note value that they are back by", BackQuarters, 0.0625, 6, "quarter notes")
            : null;
    }

    /// <returns>The list that it comes to; nothing where nothing is asked for.</returns>
    public string List()
    {
        var lines = new List<string>();
        Bus(lines, "Drums", Drums());
        Bus(lines, "Bass", [Several("bass line", Basses)]);
        Bus(lines, "Instruments", [Several("keyboard", Keys), Several("pad", SoundPads), Several("string part", Strings), Several("organ", Organs)]);
        Bus(lines, "Guitars", [Several("acoustic guitar", AcousticGuitars), Several("electric guitar", ElectricGuitars)]);
        Bus(lines, "Voices", [TakesEach == 0 ? Several("singer", Singers) : "", Several("answer", Answers)], Singers + Answers + Chorus > 0);
        if (TakesEach > 0)
            lines.AddRange(Enumerable.Range(1, Singers).Select(n => string.Create(CultureInfo.InvariantCulture, $"  {(Singers == 1 ? "Singer" : $"Singer {n}")}: {Several("take", TakesEach)}")));
        if (Chorus > 0)
            lines.Add($"  Chorus: {Several("chorus voice", Chorus)}");
        var returns = Spaces.Where(s => Returns.Contains(s.Id)).Select(s => Returns.Contains("hall") ? s.Said : s.Said.Replace(", into hall", "", StringComparison.Ordinal)).ToList();
        if (returns.Count > 0)
            lines.Add($"Returns: {string.Join(", ", returns)}");
        var around = new[] { Several("reference", References), CountIn ? "count-in" : "" }.Where(a => a.Length > 0).ToList();
        if (around.Count > 0)
            lines.Add($"Around the main: {string.Join(", ", around)}");
        if (Sections.Trim().Length > 0)
            lines.Add($"Sections: {Sections.Trim().ReplaceLineEndings(", ")}");
        return string.Concat(lines.Select(l => $"{l}\n"));
    }

    private void Bus(List<string> lines, string name, IEnumerable<string> parts, bool always = false)
    {
        var stands = parts.Where(p => p.Length > 0).ToList();
        if (stands.Count == 0 && !always)
            return;
        if (Spares > 0 && name != "Drums")
            stands.Add(Several("spare", Spares));
        var room = Rooms.FirstOrDefault(r => r.Bus == name) is { } makes
            ? string.Create(CultureInfo.InvariantCulture, $"; makes room for {Whom()}, {makes.DepthDb:0.#} dB, back by {NoteWords.Of(BackQuarters)}")
            : "";
        lines.Add($"{name}{(stands.Count > 0 ? $": {string.Join(", ", stands)}" : "")}{room}");
    }

    private string[] Drums()
    {
        if (Kit is { } id)
        {
            var name = InstrumentCatalogue.Find(id)!.Name;
            return [string.Create(CultureInfo.InvariantCulture, $"{name} by {name}{(SplitOver switch { null => ", split fully", 0 => "", { } over => $", split over {over}" })}")];
        }

        return Pads == 0 ? [] : [Pads == 1 ? "drum" : string.Create(CultureInfo.InvariantCulture, $"{Pads} pads, mono jacks{(SplitOver is { } outputs and > 0 ? $", split over {outputs}" : "")}")];
    }

    /// <summary>The kick as this kit calls it; the beat where there is none.</summary>
    private string Whom()
    {
        var pieces = !ForTheKick ? [] : Kit is { } id ? InstrumentCatalogue.Find(id)!.Kit!.Pieces.Select(p => p.Name) : Pads > 1 ? CommonPieces.First(Pads) : [];
        return pieces.FirstOrDefault(p => RoleReader.ParticularOf(p) == "kick") is { } kick ? CastCuts.Sayable(kick) : "the beat";
    }

    private static string Several(string name, int count) => count switch
    {
        0 => "",
        1 => name,
        _ => string.Create(CultureInfo.InvariantCulture, $"{name} × {count}"),
    };
}

/// <summary>A bus that makes room.</summary>
/// <param name="DepthDb">In [1, 24].</param>
public sealed record BriefRoom(string Bus, double DepthDb);
