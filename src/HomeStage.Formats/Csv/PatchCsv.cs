using System.Globalization;
using CsvHelper;
using HomeStage.Core.Patching;
using HomeStage.Core.Templates;

namespace HomeStage.Formats.Csv;

/// <summary>Patching as tables: the input list, and where splits and last sums come from and go. Either is read back, in any order of columns.</summary>
/// <remarks>RFC 4180 with a header line. Columns of the input list: channel, input ("5", or "5+6" for a pair), name, second name, heard, armed. Of the output
/// patching: channel, instrument, output, pair ("3+4"), name. A cell that is empty takes an input or a name away; a column that is missing changes nothing. The
/// instrument is there to be read, and is not read back. Pairs are written with a plus, since spreadsheets make a date of 5-6; they are read with a dash or a slash as well.</remarks>
public static class PatchCsv
{
    public const int MostBytes = 1024 * 1024;
    public const int MostRows = 5000;
    private static readonly string[] OfInputs = ["channel", "input", "name", "second name", "heard", "armed"];
    private static readonly string[] OfOutputs = ["channel", "instrument", "output", "pair", "name"];

    public static byte[] Inputs(Template template) => CsvTable.Write(PatchRow.OfInputs(template).Select(r => (IEnumerable<string>)
        [FormulaText.Guarded(r.Channel), string.Join('+', r.Inputs!), FormulaText.Guarded(r.InputName!), FormulaText.Guarded(r.SecondInputName!), Word(r.Monitored), Word(r.Armed)]).Prepend(OfInputs));

    public static byte[] Outputs(Template template)
    {
        string InstrumentOf(string channel) => template.Channels.First(c => c.Name == channel).Source is OutputSource split ? template.Channels[split.Instrument].Name : "";
        return CsvTable.Write(PatchRow.OfOutputs(template).Select(r => (IEnumerable<string>)
            [FormulaText.Guarded(r.Channel), FormulaText.Guarded(InstrumentOf(r.Channel)), Text(r.Output), r.Pair is { } pair ? $"{Text(2 * pair - 1)}+{Text(2 * pair)}" : "", FormulaText.Guarded(r.PairName ?? "")]).Prepend(OfOutputs));
    }

    /// <returns>The rows, with what was not read, a sentence each.</returns>
    public static FormatResult<PatchTable> Read(byte[] bytes) => CsvTable.Read(bytes, MostBytes, "patching", isWhole: false, ReadRows);

    private static FormatResult<PatchTable> ReadRows(CsvReader csv)
    {
        if (!csv.Read() || !csv.ReadHeader() || csv.HeaderRecord is not { } header)
            return Refused("empty", "The table is empty.");
        var columns = header.Select(h => h.Trim().ToLowerInvariant()).ToList();
        if (!columns.Contains("channel") || !columns.Exists(c => c is "input" or "output" or "pair"))
            return Refused("columns", "The table’s first line must name the columns: channel, and input, output or pair.");
        var (rows, left) = (new List<PatchRow>(), new LeftOut());
        foreach (var unknown in columns.Where(c => c.Length > 0 && !OfInputs.Contains(c) && !OfOutputs.Contains(c)))
            left.Add($"The column {TextRules.Cleaned(unknown, TextRules.LongestSection)} is not known.");
        while (csv.Read())
        {
            if (rows.Count == MostRows)
                return Refused("too-many", $"A table of patching may have {MostRows:N0} lines.");
            var cells = new Cells(csv, columns);
            if (cells.Text("channel").Length == 0)
                left.Add($"Line {csv.Parser.Row} names no channel.");
            else if (cells.Row() is { } row)
                rows.Add(row);
            else
                left.Add($"Line {csv.Parser.Row}: {cells.Wrong}");
        }

        return new FormatResult<PatchTable>.Read(new(rows, left.Words));
    }

    private static FormatResult<PatchTable>.Refused Refused(string code, string sentence) => new(code, sentence);

    private static string Text(int? number) => number?.ToString(CultureInfo.InvariantCulture) ?? "";

    private static string Word(bool? yes) => yes switch { true => "yes", false => "no", null => "" };

    /// <summary>One line of the table.</summary>
    private sealed class Cells(CsvReader csv, List<string> columns)
    {
        private static readonly char[] Between = ['-', '–', '/', '+', '&', ' '];

        /// <summary>What cannot be read; null where all can.</summary>
        public string? Wrong { get; private set; }

        public string Text(string column) => TextRules.Cleaned(FormulaText.Plain(csv.TryGetField<string>(column, out var text) ? text ?? "" : ""), TextRules.LongestName);

        /// <returns>Null where something cannot be read.</returns>
        public PatchRow? Row()
        {
            var isOfInputs = columns.Contains("input");
            var (inputs, output, pair) = (Numbers("input"), Numbers("output"), Numbers("pair"));
            // A pair is said by its two outputs; by one number where somebody counts pairs' left sides.
            if (pair is { Count: > 0 } && !(pair[0] % 2 == 1 && (pair.Count == 1 || (pair.Count == 2 && pair[1] == pair[0] + 1))))
                Wrong ??= $"“{Text("pair")}” is no pair: 1+2, 3+4 and so on.";
            if (output is { Count: > 1 })
                Wrong ??= $"“{Text("output")}” is more than one output.";
            var row = new PatchRow(Text("channel"))
            {
                Line = csv.Parser.Row,
                Inputs = inputs,
                InputName = isOfInputs && columns.Contains("name") ? Text("name") : null,
                SecondInputName = columns.Contains("second name") ? Text("second name") : null,
                Monitored = Yes("heard"),
                Armed = Yes("armed"),
                Output = output is { Count: > 0 } ? output[0] : null,
                Pair = pair is { Count: > 0 } ? (pair[0] + 1) / 2 : null,
                PairName = !isOfInputs && pair is { Count: > 0 } && columns.Contains("name") ? Text("name") : null,
            };
            return Wrong is null ? row : null;
        }

        /// <returns>Null where the table has no such column.</returns>
        private Sequence<int>? Numbers(string column)
        {
            if (!columns.Contains(column))
                return null;
            var numbers = new List<int>();
            foreach (var part in Text(column).Split(Between, StringSplitOptions.RemoveEmptyEntries))
            {
                if (int.TryParse(part, NumberStyles.None, CultureInfo.InvariantCulture, out var number) && number is > 0 and < 1000)
                    numbers.Add(number);
                else
                    Wrong ??= $"“{Text(column)}” in the column {column} is no number of an input or output.";
            }

            return numbers.ToSequence();
        }

        private bool? Yes(string column) => Text(column).ToLowerInvariant() switch
        {
            "" => null,
            "yes" or "y" or "true" or "1" or "on" or "x" => true,
            "no" or "n" or "false" or "0" or "off" => false,
            var other => Unread(column, other),
        };

        private bool? Unread(string column, string text)
        {
            Wrong ??= $"“{text}” in the column {column} is neither yes nor no.";
            return null;
        }
    }
}

/// <param name="LeftOut">What was not read, a sentence each.</param>
public sealed record PatchTable(IReadOnlyList<PatchRow> Rows, IReadOnlyList<string> LeftOut);
