namespace HomeStage.Core.Casting;

/// <summary>Rows of a spreadsheet, parted by tabs or commas, as lines of a cast list.</summary>
/// <remarks>Without a heading the first cell is the bus, and what follows stands under it. With a heading (bus, name, width, input, instrument,
/// level, pan) each row is one channel. An empty cell of the bus means the one above.</remarks>
internal static class CastRows
{
    private static readonly (string Column, string[] Called)[] Columns =
    [
        ("bus", ["bus", "group", "under", "folder"]), ("name", ["name", "channel", "track", "part"]), ("width", ["width", "format", "mono/stereo"]), ("input", ["input", "in"]),
        ("instrument", ["instrument", "played by"]), ("db", ["level", "db", "fader"]), ("pan", ["pan"]), ("kind", ["kind", "type"]),
    ];

    /// <returns>The lines that say something.</returns>
    public static IReadOnlyList<CastLine> Lines(IReadOnlyList<string> lines)
    {
        var said = lines.Select((text, number) => (Text: text.TrimStart(), Number: number, Indent: text.Length - text.TrimStart().Length)).Where(l => l.Text.Length > 0 && l.Text[0] != '#').ToList();
        if (said.Count == 0)
            return [];
        var columns = HeadingOf(said[0].Text);
        var rows = new List<CastLine>();
        var bus = "";
        foreach (var (text, number, indent) in columns is null ? said : said.Skip(1))
        {
            var whole = columns is null ? text : lines[number];
            if (columns is null && IsOfAList(text, indent))
            {
                rows.Add(new(number, indent, text.Replace('\t', ' ')));
                continue;
            }

            var cells = Cells(whole);
            bus = Cell(cells, columns, "bus", 0) is { Length: > 0 } named ? named : bus;
            var stands = columns is null ? string.Join(", ", cells.Skip(1).Where(c => c.Length > 0)) : Row(cells, columns);
            rows.Add(new(number, 0, $"{CastCuts.Sayable(bus)}: {stands}", lines[number].Length));
        }

        return rows;
    }

    private static bool IsOfAList(string text, int indent)
    {
        if (CastCuts.Find(text, 0, ':') >= 0 || CastTimeline.Says(text))
            return true;
        var comma = CastCuts.Find(text, 0, ',', '\t');
        return !text.Contains('\t', StringComparison.Ordinal) && (indent > 0 || comma < 0 || CastCuts.Find(text, 0, ';') is >= 0 and var properties && properties < comma);
    }

    private static string Row(IReadOnlyList<string> cells, IReadOnlyList<string?> columns)
    {
        var name = Cell(cells, columns, "name", -1);
        if (name.Length == 0)
            return "";
        string Said(string column, Func<string, string> phrase) => Cell(cells, columns, column, -1) is { Length: > 0 } cell ? $", {phrase(cell)}" : "";
        // A name of a spreadsheet is meant as it stands.
        return CastCuts.Quoted(name)
            + (Cell(cells, columns, "kind", -1) is { Length: > 0 } kind ? $" ({kind.ToLowerInvariant()})" : "")
            + Said("width", w => w.ToLowerInvariant()) + Said("input", i => Inputs(i.TrimStart([.. "inputINPUTs ".ToCharArray()])))
            + Said("instrument", i => $"by {i}") + Said("db", d => d.Contains("db", StringComparison.OrdinalIgnoreCase) ? d : $"{d} dB") + Said("pan", p => $"pan {p}");
    }

    private static string Inputs(string numbers) => numbers.Any(c => c is '-' or '–' or '+') ? $"inputs {numbers}" : $"input {numbers}";

    private static IReadOnlyList<string?>? HeadingOf(string text)
    {
        var cells = Cells(text).Select(c => Columns.FirstOrDefault(k => k.Called.Contains(c.ToLowerInvariant())).Column).ToList();
        return cells.Contains("name") && cells.Count(c => c is not null) >= 2 ? cells : null;
    }

    private static string Cell(IReadOnlyList<string> cells, IReadOnlyList<string?>? columns, string column, int otherwise)
    {
        var at = columns is null ? otherwise : columns.ToList().IndexOf(column);
        return at >= 0 && at < cells.Count ? cells[at] : "";
    }

    private static List<string> Cells(string text) =>
        [.. CastCuts.Parted(text, text.Contains('\t', StringComparison.Ordinal) ? '\t' : ',').Select(p => CastCuts.Unquoted(p.Text).Trim())];
}
