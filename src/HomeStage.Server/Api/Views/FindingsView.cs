using HomeStage.Core.Media;
using HomeStage.Core.Soundcheck;
using HomeStage.Core.Soundcheck.Findings;
using HomeStage.Core.Templates;
using HomeStage.Server.Data;

namespace HomeStage.Server.Api.Views;

/// <summary>What the soundcheck found at one revision.</summary>
/// <param name="Open">In the act that was asked for, blockers first.</param>
/// <param name="Alike">The open ones as they are said: many of one rule once.</param>
/// <param name="Acts">How each act stands: proven means proven in every one.</param>
public sealed record FindingsView(
    int Revision, string Act, IReadOnlyList<FindingView> Open, IReadOnlyList<AlikeView> Alike, IReadOnlyList<AcceptedView> Accepted, IReadOnlyList<ActStanding> Acts)
{
    /// <param name="around">What of its surroundings is missing.</param>
    public static FindingsView Of(OpenDocument document, string act, Surroundings around)
    {
        var template = document.Template;
        var reports = template.Acts.ToDictionary(a => a.Id, a => document.Compiled.ReportIn(a.Id, around));
        return new(document.Revision, act,
            [.. reports[act].Open.Select(f => ViewOf(template, f))],
            [.. Core.Soundcheck.Findings.Alike.Of(reports[act].Open).Select(a => new AlikeView([.. a.Findings.Select(f => f.Key)], a.Together))],
            [.. reports[act].Accepted.Select(f => new AcceptedView(ViewOf(template, f), template.Accepted[f.Key]))],
            [.. template.Acts.Select(a => new ActStanding(a.Id, a.Name, reports[a.Id].Open.Count))]);
    }

    private static FindingView ViewOf(Template template, Finding finding) =>
        new(finding.Key, finding.Rule, Report.GroupOf(finding.Rule), finding.Severity, finding.Sentence,
            [.. finding.Channels.Select(id => new NamedChannel(id.Value, template.Channels[id].Name))], finding.Mends, finding.Sounds);
}

/// <param name="Sounds">Uploaded sounds whose return would mend it.</param>
/// <param name="Channels">What it is about, the one to look at first; empty where it is about the whole.</param>
public sealed record FindingView(
    string Key, string Rule, string Group, Severity Severity, string Sentence, IReadOnlyList<NamedChannel> Channels, IReadOnlyList<Mend> Mends, IReadOnlyList<MediaRef> Sounds);

/// <param name="Keys">Of the findings that are said together; one where it is said alone.</param>
/// <param name="Mend">Removes all of them; null where there is none for all, and for one alone.</param>
public sealed record AlikeView(IReadOnlyList<string> Keys, Mend? Mend);

/// <param name="Reason">Why it is as intended.</param>
public sealed record AcceptedView(FindingView Finding, string Reason);

public sealed record NamedChannel(string Id, string Name);

/// <param name="Open">How many findings count in it.</param>
public sealed record ActStanding(string Id, string Name, int Open);
