using HomeStage.Core.Catalogue;
using HomeStage.Core.Editing;
using HomeStage.Core.Soundcheck.Findings;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Soundcheck.Rules;

/// <summary>A key input that is on and that nothing feeds: its detector hears silence and never works.</summary>
public sealed class KeyWithoutFeed : ISoundcheckRule
{
    public string Id => "key-without-feed";

    public string Group => "Sidechains";

    public IEnumerable<Finding> Look(Template template, string act)
    {
        var fed = template.Channels.SelectMany(c => c.Feeds.Select(f => (f.Channel, f.Insert))).ToHashSet();
        foreach (var channel in template.Channels.Where(c => c.StageIn(act) != StageState.InTheWings))
        {
            var deaf = channel.Inserts.Where(i => i.Key is { On: true } && i.IsLiveIn(template, act) && !fed.Contains((channel.Id, i.Id))).ToList();
            if (deaf.Count > 0)
                yield return new(Id, Severity.Warning, [channel.Id], $"{deaf[0].Title()} on {channel.Name} listens to a key that nothing feeds, so it never works.",
                    [new("Let it hear its own channel", deaf.Select(i => (Edit)new SetKey(channel.Id, i.Id, i.Key! with { On = false })).ToSequence())]);
        }
    }
}
