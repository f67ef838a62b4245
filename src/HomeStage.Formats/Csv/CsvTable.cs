using System.Globalization;
using System.Text;
using CsvHelper;
using CsvHelper.Configuration;

namespace HomeStage.Formats.Csv;

/// <summary>Tables as text: RFC 4180 with a header line; comma, semicolon or tab; in any encoding that <see cref="BroughtText"/> knows.</summary>
internal static class CsvTable
{
    /// <param name="mostBytes">More is refused.</param>
    /// <param name="what">What it is a table of, for sentences: "devices".</param>
    /// <param name="isWhole">Whether a line that lacks a column, or holds a stray quotation mark, is damage; else it is read as far as it goes.</param>
    /// <param name="rows">Reads the header and the lines.</param>
    public static FormatResult<T> Read<T>(byte[] bytes, int mostBytes, string what, bool isWhole, Func<CsvReader, FormatResult<T>> rows)
    {
        if (bytes.Length > mostBytes)
            return new FormatResult<T>.Refused("too-large", $"A table of {what} may have {mostBytes / 1024} kB.");
        try
        {
            if (BroughtText.Of(bytes) is not { } text)
                return new FormatResult<T>.Refused("not-text", "This is no text, so it is no table. A spreadsheet saves one as CSV.");
            using var csv = new CsvReader(new StringReader(text), Manner(isWhole));
            return rows(csv);
        }
        catch (CsvHelperException e)
        {
            return new FormatResult<T>.Refused("damaged", $"Line {e.Context?.Parser?.Row ?? 1} of the table cannot be read: a quotation mark is not closed or a column is missing.");
        }
    }

    /// <param name="lines">The header first. What stands in a cell is a person's text or a number as it is.</param>
    /// <returns>With lines that end as RFC 4180 has them.</returns>
    public static byte[] Write(IEnumerable<IEnumerable<string>> lines)
    {
        using var text = new StringWriter(CultureInfo.InvariantCulture);
        using (var csv = new CsvWriter(text, new CsvConfiguration(CultureInfo.InvariantCulture) { NewLine = "\r\n" }))
        {
            foreach (var line in lines)
            {
                foreach (var cell in line)
                    csv.WriteField(cell);
                csv.NextRecord();
            }
        }

        return Encoding.UTF8.GetBytes(text.ToString());
    }

    private static CsvConfiguration Manner(bool isWhole)
    {
        var manner = new CsvConfiguration(CultureInfo.InvariantCulture)
        {
            DetectDelimiter = true,
            DetectDelimiterValues = [",", ";", "\t"],
            TrimOptions = TrimOptions.Trim,
            PrepareHeaderForMatch = h => h.Header.Trim().ToLowerInvariant(),
        };
        if (!isWhole)
            (manner.MissingFieldFound, manner.BadDataFound) = (null, null);
        return manner;
    }
}
