using HomeStage.Core.Catalogue;
using HomeStage.Core.Roles;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Casting;

/// <summary>How what somebody types may go on.</summary>
/// <param name="Text">Takes the place of the last characters before the caret.</param>
/// <param name="Replaces">How many those are.</param>
public sealed record CastCompletion(string Text, int Replaces)
{
    private const int Most = 8;

    private static readonly string[] Headings = ["Drums", "Bass", "Instruments", "Guitars", "Strings", "Voices", "Effects", "Returns", "Triggers", "Around the main", "Sections", "Tempo 120", "Meter 4/4", "Key C minor"];

    private static readonly string[] SaidOfALine =
    [
        "mono", "stereo", "input 1", "inputs 1", "mono jacks", "stereo jacks", "on nine outputs", "on two microphones", "makes room for the beat, 6 dB, back by 1/8", "into ", "by ", "split over 4", "every beat", "off the beat", "-6 dB", "hard left", "hard right",
    ];

    /// <summary>Common practice, and what the demo has not.</summary>
    private static readonly Dictionary<string, string[]> Usual = new(StringComparer.Ordinal)
    {
        ["drums"] = ["eleven pads", "kick", "snare", "hats", "three toms", "overheads", "room"],
        ["percussion"] = ["four pads", "shaker", "tambourine", "congas", "claps"],
        ["bass"] = ["bass", "sub"],
        ["guitars"] = ["acoustic guitar", "two electric guitars"],
        ["instruments"] = ["piano", "keys", "organ", "pad", "strings", "lead synth"],
        ["voices"] = ["two singers", "three answers", "lead voice", "double", "choir × 4", "two spares"],
        ["returns"] = ["hall 2.4 s", "plate 1.2 s", "room 0.5 s", "slap 1/16", "echo 1/8 dotted left, 1/4 right"],
        [""] = ["spare × 2"],
    };

    /// <param name="line">From 0.</param>
    /// <param name="column">Characters of the line before the caret.</param>
    public static IReadOnlyList<CastCompletion> At(Template template, string text, int line, int column)
    {
        var lines = text.Split('\n');
        if (line < 0 || line >= lines.Length || column < 0 || column > lines[line].Length)
            return [];
        var before = lines[line][..column];
        var stop = before.LastIndexOfAny([',', ';', ':', '·']);
        var typed = before[(stop + 1)..].TrimStart();
        // After these stands a name that is there.
        foreach (var (phrase, names) in new[] { ("into ", Takers(template, text)), ("room for ", Steering(template, text)), ("way to ", Steering(template, text)), ("by ", Instruments()) })
            if (typed.LastIndexOf(phrase, StringComparison.OrdinalIgnoreCase) is >= 0 and var at)
                return Beginning(names, typed[(at + phrase.Length)..]);
        var isProperty = before.Contains(';', StringComparison.Ordinal);
        var isHeading = stop < 0 && before.Length == before.TrimStart().Length;
        return Beginning(isProperty ? SaidOfALine : isHeading ? Headings : Items(lines, line, before), typed);
    }

    /// <summary>What usually stands there comes first, then what may be said of it.</summary>
    private static IEnumerable<string> Items(string[] lines, int line, string before)
    {
        var heading = before.IndexOf(':', StringComparison.Ordinal) is > 0 and var colon ? before[..colon]
            : lines.Take(line).LastOrDefault(l => l.Length > 0 && !char.IsWhiteSpace(l[0]))?.Split(':', ';')[0] ?? "";
        var role = ChannelRole.Of(new() { Id = EmptyStage.Main, Name = heading.Trim().Length > 0 ? heading.Trim() : "?", Kind = ChannelKind.Bus });
        var family = role.Role == "return-bus" ? "returns" : role.Family;
        return Usual.GetValueOrDefault(family, Usual[""]).Concat(Usual[""]).Concat(SaidOfALine).Distinct(StringComparer.Ordinal);
    }

    private static IEnumerable<string> Takers(Template template, string text) => CastReader.Read(text).Entries.Where(e => Capabilities.Of(e.Kind).TakesSends).OrderByDescending(e => e.Kind == ChannelKind.Return).Select(e => e.Name)
        .Concat(template.Channels.Where(c => c.Kind == ChannelKind.Return).Select(c => c.Name)).Distinct(StringComparer.OrdinalIgnoreCase);

    private static IEnumerable<string> Steering(Template template, string text)
    {
        var entries = CastReader.Read(text).Entries;
        return entries.Where(e => e.Kind == ChannelKind.Trigger).Select(e => e.Name)
            .Concat(entries.SelectMany(e => e.Pieces?.Split(", ") ?? []))
            .Concat(template.Channels.Where(c => c.Kind == ChannelKind.Trigger).Select(c => c.Name))
            .Concat(template.Channels.SelectMany(c => c.Source is InstrumentSource { Kit: { } kit } ? kit.Pieces.Select(p => p.Name) : []))
            .Append("the beat").Distinct(StringComparer.OrdinalIgnoreCase);
    }

    private static IEnumerable<string> Instruments() => InstrumentCatalogue.All.Select(i => i.Name);

    private static IReadOnlyList<CastCompletion> Beginning(IEnumerable<string> choices, string typed) =>
        [.. choices.Where(c => c.StartsWith(typed, StringComparison.OrdinalIgnoreCase) && c.Length > typed.Length).Take(Most).Select(c => new CastCompletion(c, typed.Length))];
}
