using HomeStage.Core.Soundcheck.Findings;

namespace HomeStage.Server.Data.Summaries;

/// <summary>How many findings of the soundcheck are open in any act, each once.</summary>
public sealed record FindingCounts(int Blockers, int Warnings, int Hints)
{
    public static FindingCounts Of(OpenDocument document)
    {
        var open = document.Template.Acts.SelectMany(a => document.Compiled.ReportIn(a.Id, Surroundings.Whole).Open).DistinctBy(f => f.Key).ToLookup(f => f.Severity);
        return new(open[Severity.Blocker].Count(), open[Severity.Warning].Count(), open[Severity.Hint].Count());
    }
}
