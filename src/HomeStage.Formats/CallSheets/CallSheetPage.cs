using System.Globalization;
using System.Net;
using System.Text;
using HomeStage.Formats.DawProject;

namespace HomeStage.Formats.CallSheets;

/// <summary>A call sheet as one HTML page that needs nothing else, to be read and printed: good pages on A4 and Letter.</summary>
public static class CallSheetPage
{
    private const string Style = """
        @page { margin: 14mm }
        body { font: 10.5pt/1.35 Georgia, serif; color: #1b201c; background: #fff; margin: 0 auto; max-width: 1000px; padding: 12px }
        h1 { font-size: 22pt; margin: 0 } h2 { font-size: 14pt; margin: 16pt 0 4pt } h3 { font-size: 11pt; margin: 8pt 0 2pt } h2, h3 { break-after: avoid }
        table { border-collapse: collapse; width: 100%; font: 8.5pt/1.3 sans-serif } th { text-align: left; font-weight: 600 }
        th, td { border-bottom: 1px solid #c9c6bb; padding: 2pt 6pt 2pt 0; vertical-align: top } tr, li { break-inside: avoid } thead { display: table-header-group }
        ul.work { list-style: none; padding: 0; margin: 0; display: grid; grid-template-columns: 1fr 1fr; gap: 0 18pt; font: 9pt/1.35 sans-serif } ul.work li::before { content: "☐ "; }
        .channels th:nth-child(4), .channels th:nth-child(5) { width: 20% } .short { break-inside: avoid } .note { white-space: pre-line } .number { text-align: right; white-space: nowrap }
        """;

    /// <summary>Rows that stay together on paper; longer tables go over the page.</summary>
    private const int FitsOnAPage = 24;

    private static readonly (HandworkKind Kind, string Title)[] Works =
        [(HandworkKind.PutIn, "Put in"), (HandworkKind.Patch, "Patch"), (HandworkKind.Connect, "Connect"), (HandworkKind.Set, "Set"), (HandworkKind.Draw, "Draw")];

    /// <returns>UTF-8, the same for the same sheet.</returns>
    public static byte[] Write(CallSheet sheet)
    {
        var page = new StringBuilder();
        page.Append(CultureInfo.InvariantCulture, $"<!doctype html>\n<html lang=\"en\"><head><meta charset=\"utf-8\"><title>{Text(sheet.Name)}: call sheet</title>\n<style>{Style}</style></head>\n<body>\n");
        page.Append(CultureInfo.InvariantCulture, $"<h1>{Text(sheet.Name)}</h1>\n<p><b>{sheet.TempoBpm:0.###} BPM</b> {Text(sheet.Meter)} · {Text(sheet.KeyName ?? "no key yet")} · {Length(sheet)}<br>\n");
        page.Append(CultureInfo.InvariantCulture, $"{string.Join(" · ", sheet.Sections.Select(s => $"{Text(s.Name)} {s.Bars}"))} bars</p>\n");
        if (sheet.Note.Length > 0)
            page.Append(CultureInfo.InvariantCulture, $"<p class=\"note\">{Text(sheet.Note)}</p>\n");
        Handwork(page, sheet);
        Channels(page, sheet);
        Pads(page, sheet);
        return Encoding.UTF8.GetBytes(page.Append("</body></html>\n").ToString());
    }

    private static void Handwork(StringBuilder page, CallSheet sheet)
    {
        if (sheet.Handwork.Count == 0)
            return;
        page.Append(CultureInfo.InvariantCulture, $"<h2>By hand ({sheet.Handwork.Count})</h2>\n");
        foreach (var (kind, title) in Works)
            if (sheet.Handwork.Where(w => w.Kind == kind).ToList() is { Count: > 0 } lines)
                page.Append(CultureInfo.InvariantCulture, $"<h3>{title} ({lines.Count})</h3>\n<ul class=\"work\">\n{string.Concat(lines.Select(w => $"<li>{Text(w.Words)}</li>\n"))}</ul>\n");
    }

    private static void Channels(StringBuilder page, CallSheet sheet)
    {
        page.Append("<h2>Channels</h2>\n<table class=\"channels\"><thead><tr><th>Name<th>From<th>To<th>Inserts<th>Sends<th>Keys<th>Level<th>Pan</tr></thead>\n<tbody>\n");
        foreach (var c in sheet.Channels)
        {
            page.Append(CultureInfo.InvariantCulture, $"<tr><td style=\"padding-left:{c.Depth * 8}pt\">{Text(c.Name)}<td>{Text(c.ComesFrom)}<td>{Text(c.GoesTo ?? "")}<td>{List(c.Inserts)}<td>{Text(string.Join("; ", c.Sends))}<td>{List(c.Keys)}<td class=\"number\">{Text(c.Level.ToString())}<td class=\"number\">{Pan(c.Pan)}</tr>\n");
            if (c.InsertSettings.Count > 0)
                page.Append(CultureInfo.InvariantCulture, $"<tr><td style=\"padding-left:{c.Depth * 8 + 8}pt\" colspan=\"8\">{Text(string.Join("; ", c.InsertSettings))}</tr>\n");
            foreach (var note in c.InsertNotes.Prepend(c.Note).Where(n => n.Length > 0))
                page.Append(CultureInfo.InvariantCulture, $"<tr><td style=\"padding-left:{c.Depth * 8 + 8}pt\" colspan=\"8\" class=\"note\"><i>{Text(note)}</i></tr>\n");
        }

        page.Append("</tbody></table>\n");
    }

    private static void Pads(StringBuilder page, CallSheet sheet)
    {
        if (sheet.Patches.Count == 0)
            return;
        page.Append(CultureInfo.InvariantCulture, $"<section{(sheet.Patches.Count <= FitsOnAPage ? " class=\"short\"" : "")}>\n<h2>Pads</h2>\n<table><thead><tr><th>Instrument<th>Pad<th>Note<th>Jack<th>Channel<th>Bus</tr></thead>\n<tbody>\n");
        foreach (var p in sheet.Patches)
            page.Append(CultureInfo.InvariantCulture, $"<tr><td>{Text(p.Player)}<td>{Text(p.Name)}<td>{p.Note}<td>{Text(p.Jack)}<td>{Text(p.Taker ?? "nobody takes it")}<td>{Text(p.Bus ?? "")}</tr>\n");
        page.Append("</tbody></table>\n</section>\n");
    }

    private static string Length(CallSheet sheet)
    {
        var seconds = (int)Math.Round(sheet.Sections.Sum(s => s.Seconds));
        return string.Create(CultureInfo.InvariantCulture, $"{seconds / 60}:{seconds % 60:00}");
    }

    private static string Pan(double pan) => pan == 0 ? "centre" : string.Create(CultureInfo.InvariantCulture, $"{Math.Abs(pan) * 100:0} % {(pan < 0 ? "left" : "right")}");

    private static string List(IReadOnlyList<string> words) => Text(string.Join(", ", words));

    private static string Text(string text) => WebUtility.HtmlEncode(text);
}
