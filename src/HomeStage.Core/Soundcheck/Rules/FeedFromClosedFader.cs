using HomeStage.Core.Catalogue;
using HomeStage.Core.Editing;
using HomeStage.Core.Soundcheck.Findings;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Soundcheck.Rules;

/// <summary>A feed after a fader that is all the way down: nothing goes out of it.</summary>
public sealed class FeedFromClosedFader : ISoundcheckRule
{
    public string Id => "feed-from-closed-fader";

    public string Group => "Sidechains";

    public IEnumerable<Finding> Look(Template template, string act) => KeyFeed
        .BySource(template, act, f => f is { Insert.Key.On: true, Feed.Tap: TapPoint.Post, From.Muted: false } && f.From.Level.IsSilence && f.From.StageIn(act) != StageState.InTheWings)
        .Select(of => new Finding(Id, Severity.Warning, [of.Key.Id], $"{of.Key.Name} steers {of.First().Insert.Title()} on {of.First().To.Name} after its fader, which is down.",
            [new("Take it before the fader", of.Select(f => (Edit)new PutFeed(f.From.Id, f.Feed with { Tap = TapPoint.Pre })).ToSequence())]));
}
