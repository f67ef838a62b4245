using System.Globalization;
using CsvHelper;
using HomeStage.Core.Kits;
using HomeStage.Core.Media;

namespace HomeStage.Formats.Csv;

/// <summary>A kit as a table, a line for each microphone: name, note, family and output, in any order of columns, and everything else
/// where its column is there.</summary>
/// <remarks>RFC 4180 with a header line; comma, semicolon or tab. A far microphone has no note and says where it stands. Sounds are known by
/// their content, 64 hexadecimal digits.</remarks>
public static class KitCsv
{
    public const int MostBytes = 256 * 1024;
    private const string Needed = "name note family output";
    private const string Besides = "microphone format importance pan place first-too neighbours-db voice sound harder";

    /// <param name="current">The kit whose outputs it leaves by; an output beyond them adds more of their kind.</param>
    /// <param name="sounds">Finds a sound by its content; those of the kit itself are found without it.</param>
    public static FormatResult<KitTable> Read(byte[] bytes, Kit current, Func<string, MediaRef?>? sounds = null) =>
        CsvTable.Read(bytes, MostBytes, "pieces", isWhole: true, csv => ReadRows(csv, current, sounds ?? (_ => null)));

    /// <summary>With a header line and lines that end as RFC 4180 has them.</summary>
    public static byte[] Write(Kit kit) => CsvTable.Write(KitRow.Of(kit).Select(Cells).Prepend($"{Needed} {Besides}".Split(' ')));

    /// <summary>In the order of the columns.</summary>
    private static IEnumerable<string> Cells(KitRow row)
    {
        var microphone = row.Microphone;
        yield return FormulaText.Guarded(row.Name);
        yield return row.Note?.ToString(CultureInfo.InvariantCulture) ?? "";
        yield return FormulaText.Guarded(row.Family);
        yield return microphone.Output.ToString(CultureInfo.InvariantCulture);
        yield return row.Far is { } far ? Word(far) : FormulaText.Guarded(microphone.Name);
        yield return Word(microphone.Format);
        yield return microphone.Importance.ToString(CultureInfo.InvariantCulture);
        yield return microphone.Pan.ToString("R", CultureInfo.InvariantCulture);
        yield return Word(microphone.Stay);
        yield return microphone.AlsoOnFirst ? "yes" : "";
        yield return microphone.NeighboursDb?.ToString("R", CultureInfo.InvariantCulture) ?? "";
        yield return row.Voice is { } voice ? Word(voice) : "";
        yield return row.Sample?.Content ?? "";
        yield return string.Join(' ', row.Layers.Select(l => string.Create(CultureInfo.InvariantCulture, $"{l.FromVelocity}:{l.Sample.Content}")));
    }

    private static FormatResult<KitTable> ReadRows(CsvReader csv, Kit current, Func<string, MediaRef?> sounds)
    {
        if (!csv.Read() || !csv.ReadHeader())
            return Refused("empty", "The table is empty.");
        var columns = csv.HeaderRecord!.Select(h => h.Trim().ToLowerInvariant()).ToHashSet(StringComparer.Ordinal);
        var missing = Needed.Split(' ').Where(n => !columns.Contains(n)).ToList();
        if (missing.Count > 0)
            return Refused("columns", $"The table's first line must name the columns name, note, family and output; it lacks {string.Join(" and ", missing)}.");
        var (rows, left) = (new List<KitRow>(), new LeftOut());
        MediaRef? Sound(string content) => UsedIn(current, content) ?? sounds(content);
        while (csv.Read())
        {
            if (rows.Count == KitRules.MostLines)
                return Refused("too-many", $"A kit has room for {KitRules.MostPieces} pieces and {KitRules.MostLines} microphones.");
            try
            {
                rows.Add(new KitCells(csv, Sound, left).Row());
            }
            catch (FormatException e)
            {
                return Refused("number", $"Line {csv.Parser.Row}: {e.Message}");
            }
        }

        var kit = KitRow.Kit(rows, current);
        return KitRules.Check(kit) is { } wrong ? Refused(wrong.Code, wrong.Sentence) : new FormatResult<KitTable>.Read(new(kit, left.Words));
    }

    private static MediaRef? UsedIn(Kit kit, string content) =>
        kit.Pieces.SelectMany(p => p.Layers.Select(l => l.Sample).Append(p.Sample)).FirstOrDefault(s => s?.Content == content);

    private static string Word<T>(T value)
        where T : struct, Enum => value.ToString().ToLowerInvariant();

    private static FormatResult<KitTable>.Refused Refused(string code, string sentence) => new(code, sentence);
}
