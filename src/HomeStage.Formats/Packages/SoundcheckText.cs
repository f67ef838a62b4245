using System.Globalization;
using System.Text;
using HomeStage.Core.Soundcheck;
using HomeStage.Core.Soundcheck.Findings;
using HomeStage.Core.Templates;

namespace HomeStage.Formats.Packages;

/// <summary>What the soundcheck finds, act by act, as plain text.</summary>
internal static class SoundcheckText
{
    /// <returns>UTF-8; a finding that is there in several acts stands in each.</returns>
    public static byte[] Write(Template template, Surroundings around)
    {
        var text = new StringBuilder();
        text.Append(CultureInfo.InvariantCulture, $"{template.Name}: soundcheck\n");
        foreach (var act in template.Acts)
        {
            var report = Report.Of(template, act.Id, around);
            text.Append(CultureInfo.InvariantCulture, $"\n{act.Name}: {(report.IsProven ? "nothing found" : Counted(report))}\n");
            foreach (var finding in report.Open)
                text.Append(CultureInfo.InvariantCulture, $"  {finding.Severity.ToString().ToLowerInvariant()}, {Report.GroupOf(finding.Rule)}: {finding.Sentence}\n");
            foreach (var finding in report.Accepted)
                text.Append(CultureInfo.InvariantCulture, $"  accepted: {finding.Sentence} ({template.Accepted[finding.Key]})\n");
        }

        return Encoding.UTF8.GetBytes(text.ToString());
    }

    private static string Counted(Report report) => string.Join(", ", report.Open.GroupBy(f => f.Severity).OrderBy(g => g.Key)
        .Select(g => string.Create(CultureInfo.InvariantCulture, $"{g.Count()} {g.Key.ToString().ToLowerInvariant()}{(g.Count() == 1 ? "" : "s")}")));
}
