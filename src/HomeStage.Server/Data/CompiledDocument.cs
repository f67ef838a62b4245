using System.Collections.Concurrent;
using HomeStage.Core.Compiling;
using HomeStage.Core.Levels;
using HomeStage.Core.Soundcheck;
using HomeStage.Core.Soundcheck.Findings;
using HomeStage.Core.Templates;

namespace HomeStage.Server.Data;

/// <summary>What is worked out of a document at one revision, once for everybody who asks: the compiled template, findings, levels.
/// Safe for several threads.</summary>
/// <param name="before">The revision before; what the edit did not touch is taken from it. Null for none.</param>
public sealed class CompiledDocument(Template template, CompiledDocument? before = null)
{
    private readonly ConcurrentDictionary<string, (Surroundings Around, Report Report)> _reports = new(StringComparer.Ordinal);
    private readonly ConcurrentDictionary<string, LevelBudget> _levels = new(StringComparer.Ordinal);

    public CompiledTemplate Template { get; } = new(template, before?.Template);

    /// <param name="around">What of the template's surroundings is missing now; it may change while the revision stays.</param>
    public Report ReportIn(string act, Surroundings around)
    {
        if (_reports.TryGetValue(act, out var known) && known.Around.IsLike(around))
            return known.Report;
        var report = Report.Of(template, act, around);
        _reports[act] = (around, report);
        return report;
    }

    /// <exception cref="ArgumentException">The template has no such act.</exception>
    public LevelBudget LevelsIn(string act) => _levels.GetOrAdd(act, a => LevelBudget.Of(Template.In(a)));
}
