using System.Globalization;
using CsvHelper;
using HomeStage.Core.Kits;
using HomeStage.Core.Media;

namespace HomeStage.Formats.Csv;

/// <summary>One line of a table of pieces as it is read.</summary>
/// <param name="sounds">Finds a sound by its content.</param>
/// <param name="left">Takes what is left out, in words.</param>
internal sealed class KitCells(CsvReader csv, Func<string, MediaRef?> sounds, LeftOut left)
{
    /// <exception cref="FormatException">A cell does not say what it must; the message says which.</exception>
    public KitRow Row()
    {
        var (name, family) = (FormulaText.Plain(csv.GetField("name")!), FormulaText.Plain(csv.GetField("family")!));
        var far = Text("note").Length == 0 ? Said<FarPlace>("microphone") : null;
        int? note = far is null ? Whole("note", "the note must be a whole number from 0 to 127, or, for a far microphone, nothing") : null;
        var microphone = new Microphone(far is null ? FormulaText.Plain(Text("microphone")) : name, Whole("output", "the output must be a whole number from 1"), Number("pan") ?? 0)
        {
            Format = Said<ChannelFormat>("format") ?? (far is null ? ChannelFormat.Mono : ChannelFormat.Stereo),
            Importance = (int)Math.Clamp(Number("importance") ?? 1, 1, Microphone.MostImportance),
            Stay = Said<PieceStay>("place") ?? PieceStay.ByPlan,
            AlsoOnFirst = Text("first-too").Equals("yes", StringComparison.OrdinalIgnoreCase),
            NeighboursDb = Number("neighbours-db"),
        };
        return far is null ? Close(name, note!.Value, family, microphone) : new(name, null, family, far, null, microphone, null, []);
    }

    private KitRow Close(string name, int note, string family, Microphone microphone)
    {
        var softest = Text("sound") is { Length: > 0 } content ? Sound(name, content) : null;
        var harder = Text("harder").Split(' ', StringSplitOptions.RemoveEmptyEntries).Select(l => Layer(name, l)).OfType<SampleLayer>().ToList();
        // With the softest gone the next one plays from the softest stroke on.
        if (softest is null && harder.Count > 0)
            (softest, harder) = (harder[0].Sample, harder[1..]);
        return new(name, note, family, null, Said<DrumSound>("voice"), microphone, softest, harder.ToSequence());
    }

    private SampleLayer? Layer(string name, string text)
    {
        var parts = text.Split(':');
        if (parts.Length != 2 || !int.TryParse(parts[0], NumberStyles.None, CultureInfo.InvariantCulture, out var from))
            throw new FormatException($"a sound for harder strokes is written as a velocity, a colon and its content, not as “{Short(text)}”.");
        return Sound(name, parts[1]) is { } sound ? new(from, sound) : null;
    }

    private MediaRef? Sound(string name, string content)
    {
        var found = sounds(content);
        if (found is null)
            left.Add($"{Short(name)}: the sound {Short(content, 12)} is not on the shelf, so the stand-in's voice plays.");
        return found;
    }

    private int Whole(string column, string must) =>
        int.TryParse(Text(column), NumberStyles.Integer, CultureInfo.InvariantCulture, out var number) ? number : throw new FormatException($"{must}.");

    private double? Number(string column) => Text(column) is not { Length: > 0 } text ? null
        : double.TryParse(text, NumberStyles.Float, CultureInfo.InvariantCulture, out var number) && double.IsFinite(number) ? number
        : throw new FormatException($"“{Short(text)}” in the column {column} is no number.");

    private T? Said<T>(string column)
        where T : struct, Enum => Text(column) is not { Length: > 0 } text ? null
        : Enum.GetNames<T>().FirstOrDefault(n => n.Equals(text, StringComparison.OrdinalIgnoreCase)) is { } name ? Enum.Parse<T>(name)
        : throw new FormatException($"“{Short(text)}” in the column {column} is none of {string.Join(", ", Enum.GetNames<T>().Select(n => n.ToLowerInvariant()))}.");

    private string Text(string column) => csv.TryGetField<string>(column, out var text) ? text?.Trim() ?? "" : "";

    private static string Short(string text, int most = 40) => text.Length <= most ? text : $"{text[..most]}…";
}
