using System.Collections.Concurrent;
using HomeStage.Core.Compiling;
using HomeStage.Core.Levels;
using HomeStage.Core.Soundcheck;
using HomeStage.Core.Soundcheck.Findings;
using HomeStage.Core.Studios;
using HomeStage.Core.Templates;

namespace HomeStage.Server.Data;

/// <summary>What is worked out of a document at one revision, once for everybody who asks: the compiled template, findings, levels.
/// Safe for several threads.</summary>
/// <param name="before">The revision before; what the edit did not touch is taken from it. Null for none.</param>
public sealed class CompiledDocument(Template template, CompiledDocument? before = null)
{
    private readonly ConcurrentDictionary<string, (Surroundings Around, Report Report)> _reports = new(StringComparer.Ordinal);
    private readonly ConcurrentDictionary<(string Act, CompiledTemplate Of), LevelBudget> _levels = new();

    // Not what it came from as a whole: revisions do not hang on one another like a chain.
    private readonly CompiledTemplate? _earlier = before?._standing?.Compiled ?? before?._earlier;
    private volatile Standing? _standing;

    /// <summary>The template with the figures of a studio.</summary>
    /// <param name="studio">Null for none. The same object is known again.</param>
    public CompiledTemplate In(Studio? studio)
    {
        if (_standing is { } known && ReferenceEquals(known.Studio, studio))
            return known.Compiled;
        var compiled = new CompiledTemplate(InStudio.Of(template, studio), _standing?.Compiled ?? _earlier);
        _standing = new(studio, compiled);
        return compiled;
    }

    /// <param name="around">What of the template's surroundings is missing now; it may change while the revision stays.</param>
    public Report ReportIn(string act, Surroundings around)
    {
        if (_reports.TryGetValue(act, out var known) && known.Around.IsLike(around))
            return known.Report;
        var report = Report.Of(template, act, around with { Compiled = In(around.Studio) });
        _reports[act] = (around, report);
        return report;
    }

    /// <exception cref="ArgumentException">The template has no such act.</exception>
    public LevelBudget LevelsIn(string act, Studio? studio) => _levels.GetOrAdd((act, In(studio)), x => LevelBudget.Of(x.Of.In(x.Act)));

    private sealed record Standing(Studio? Studio, CompiledTemplate Compiled);
}
