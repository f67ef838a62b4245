using System.Globalization;
using System.Text;
using CsvHelper;
using CsvHelper.Configuration;
using HomeStage.Core.Kits;

namespace HomeStage.Formats.Csv;

/// <summary>The pieces of a kit as a table: name, note, family, output, in any order of columns; format, importance and microphone
/// where they are there.</summary>
/// <remarks>RFC 4180 with a header line; comma, semicolon or tab. A far microphone has no note and says where it stands.</remarks>
public static class KitCsv
{
    public const int MostBytes = 256 * 1024;
    private static readonly string[] Needed = ["name", "note", "family", "output"];

    /// <param name="current">The kit whose outputs the pieces leave by; an output beyond them adds pairs.</param>
    public static FormatResult<Kit> Read(byte[] bytes, Kit current)
    {
        if (bytes.Length > MostBytes)
            return Refused("too-large", $"A table of pieces may have {MostBytes / 1024} kB.");
        string text;
        try
        {
            text = new UTF8Encoding(false, throwOnInvalidBytes: true).GetString(bytes).TrimStart('\uFEFF');
        }
        catch (DecoderFallbackException)
        {
            return Refused("not-text", "This is not a table in UTF-8 text.");
        }

        try
        {
            return ReadRows(text, current);
        }
        catch (CsvHelperException e)
        {
            return Refused("damaged", $"Line {e.Context?.Parser?.Row ?? 1} of the table cannot be read: a quotation mark is not closed or a column is missing.");
        }
    }

    /// <summary>With a header line and lines that end as RFC 4180 has them.</summary>
    public static byte[] Write(Kit kit)
    {
        using var text = new StringWriter(CultureInfo.InvariantCulture);
        using (var csv = new CsvWriter(text, new CsvConfiguration(CultureInfo.InvariantCulture) { NewLine = "\r\n" }))
        {
            foreach (var column in Needed.Concat(["format", "importance", "microphone"]))
                csv.WriteField(column);
            foreach (var piece in kit.Pieces)
            {
                csv.NextRecord();
                csv.WriteField(FormulaText.Guarded(piece.Name));
                csv.WriteField(piece.Note);
                csv.WriteField(FormulaText.Guarded(piece.Family));
                csv.WriteField(piece.Output);
                csv.WriteField(piece.Format.ToString().ToLowerInvariant());
                csv.WriteField(piece.Importance);
                csv.WriteField(piece.Hears == Microphone.Close ? "" : piece.Hears.ToString().ToLowerInvariant());
            }

            csv.NextRecord();
        }

        return Encoding.UTF8.GetBytes(text.ToString());
    }

    private static T Said<T>(CsvReader csv, string column, T otherwise = default)
        where T : struct, Enum =>
        csv.TryGetField<string>(column, out var text) && Enum.TryParse<T>(text, ignoreCase: true, out var value) && Enum.IsDefined(value) ? value : otherwise;

    private static int Importance(CsvReader csv) =>
        csv.TryGetField<int>("importance", out var importance) ? Math.Clamp(importance, 1, Piece.MostImportance) : 1;

    private static FormatResult<Kit> ReadRows(string text, Kit current)
    {
        var configuration = new CsvConfiguration(CultureInfo.InvariantCulture)
        {
            DetectDelimiter = true,
            DetectDelimiterValues = [",", ";", "\t"],
            PrepareHeaderForMatch = args => args.Header.Trim().ToLowerInvariant(),
            TrimOptions = TrimOptions.Trim,
        };
        using var csv = new CsvReader(new StringReader(text), configuration);
        if (!csv.Read() || !csv.ReadHeader())
            return Refused("empty", "The table is empty.");
        var columns = csv.HeaderRecord!.Select(h => h.Trim().ToLowerInvariant()).ToHashSet(StringComparer.Ordinal);
        var missing = Needed.Where(n => !columns.Contains(n)).ToList();
        if (missing.Count > 0)
            return Refused("columns", $"The table's first line must name the columns name, note, family and output; it lacks {string.Join(" and ", missing)}.");
        var pieces = new List<Piece>();
        while (csv.Read())
        {
            if (pieces.Count == KitRules.MostPieces)
                return Refused("too-many", $"A kit has room for {KitRules.MostPieces} pieces.");
            var hears = Said<Microphone>(csv, "microphone");
            if (!int.TryParse(csv.GetField("note"), NumberStyles.Integer, CultureInfo.InvariantCulture, out var note) && hears == Microphone.Close)
                return Refused("number", $"Line {csv.Parser.Row}: the note must be a whole number from 0 to 127.");
            if (!int.TryParse(csv.GetField("output"), NumberStyles.Integer, CultureInfo.InvariantCulture, out var output))
                return Refused("number", $"Line {csv.Parser.Row}: the output must be a whole number from 1.");
            var (name, family) = (FormulaText.Plain(csv.GetField("name")!), FormulaText.Plain(csv.GetField("family")!));
            var piece = hears == Microphone.Close ? new Piece(name, note, family, output, SoundNames.Guess(name, family, note)) : Piece.Far(name, family, output, hears);
            pieces.Add(piece with { Format = Said(csv, "format", piece.Format), Importance = Importance(csv) });
        }

        var kit = new Kit(pieces.ToSequence(), Outputs(current, pieces), current.FirstReserved);
        return KitRules.Check(kit) is { } wrong ? Refused(wrong.Code, wrong.Sentence) : new FormatResult<Kit>.Read(kit);
    }

    private static Sequence<KitOutput> Outputs(Kit current, List<Piece> pieces)
    {
        var last = Math.Min(KitRules.MostOutputs, pieces.Select(p => p.Output).DefaultIfEmpty(1).Max());
        var added = Enumerable.Range(current.Outputs.Count + 1, Math.Max(0, last - current.Outputs.Count))
            .Select(number => new KitOutput($"Output {number}", ChannelFormat.Stereo));
        return current.Outputs.Concat(added).ToSequence();
    }

    private static FormatResult<Kit>.Refused Refused(string code, string sentence) => new(code, sentence);
}
