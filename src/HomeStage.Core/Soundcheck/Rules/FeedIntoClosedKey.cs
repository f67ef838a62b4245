using HomeStage.Core.Catalogue;
using HomeStage.Core.Editing;
using HomeStage.Core.Soundcheck.Findings;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Soundcheck.Rules;

/// <summary>A feed into a key input that is off: the detector hears its own channel instead.</summary>
public sealed class FeedIntoClosedKey : ISoundcheckRule
{
    public string Id => "feed-into-closed-key";

    public string Group => "Sidechains";

    public IEnumerable<Finding> Look(Template template, string act) => KeyFeed.BySource(template, act, f => f.Insert.Key is not { On: true }).Select(of => new Finding(
        Id, Severity.Warning, [of.Key.Id], $"{of.Key.Name} feeds the key of {of.First().Insert.Title()} on {of.First().To.Name}, which is off.",
        [
            new("Switch the key on", of.Select(f => (Edit)new SetKey(f.To.Id, f.Insert.Id, (f.Insert.Key ?? new(false)) with { On = true })).ToSequence()),
            new("Take the feed away", of.Select(f => (Edit)new RemoveFeed(f.From.Id, f.To.Id, f.Insert.Id)).ToSequence()),
        ]));
}
