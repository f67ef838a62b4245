using HomeStage.Core.Editing;
using HomeStage.Core.Soundcheck.Findings;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Soundcheck.Rules;

/// <summary>A starter that plays in sections alone which are gone.</summary>
public sealed class PlaysNowhere : ISoundcheckRule
{
    public string Id => "plays-nowhere";

    public string Group => "Order";

    public IEnumerable<Finding> Look(Template template, string act)
    {
        var sections = template.Timeline.Sections.Select(s => s.Id).ToHashSet(StringComparer.Ordinal);
        bool Nowhere(Sequence<string> wanted) => wanted.Count > 0 && !wanted.Any(sections.Contains);
        foreach (var channel in template.Channels)
        {
            var patterns = channel.Patterns.Where(p => Nowhere(p.Sections)).ToList();
            var sounds = channel.Starters.Where(s => Nowhere(s.Sections)).ToList();
            if (patterns.Count + sounds.Count == 0)
                continue;
            var names = string.Join(", ", patterns.Select(p => p.Name).Concat(sounds.Select(s => s.Name)));
            yield return new(Id, Severity.Hint, [channel.Id], $"{names} on {channel.Name} plays nowhere: the sections that it was for are gone.",
                [
                    new("Let it play in every section", Edits(
                        patterns.Select(p => new PutPattern(channel.Id, p with { Sections = [] })), sounds.Select(s => new PutStarter(channel.Id, s with { Sections = [] })))),
                    new("Take it away", Edits(
                        patterns.Select(p => new RemovePattern(channel.Id, p.Name)), sounds.Select(s => new RemoveStarter(channel.Id, s.Name)))),
                ]);
        }
    }

    private static Sequence<Edit> Edits(IEnumerable<Edit> patterns, IEnumerable<Edit> sounds) => patterns.Concat(sounds).ToSequence();
}
