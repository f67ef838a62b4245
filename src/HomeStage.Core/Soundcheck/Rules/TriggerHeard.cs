using HomeStage.Core.Editing;
using HomeStage.Core.Roles;
using HomeStage.Core.Soundcheck.Findings;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Soundcheck.Rules;

/// <summary>A channel that is called a trigger, steers others, and is heard in the mix as well. One of the kind that is made for it cannot be.</summary>
public sealed class TriggerHeard : ISoundcheckRule
{
    public string Id => "trigger-heard";

    public string Group => "Sidechains";

    public IEnumerable<Finding> Look(Template template, string act) =>
        from channel in template.Channels
        where channel is { Muted: false, Level.IsSilence: false, Destination: not null, Feeds.Count: > 0 }
            && channel.StageIn(act) != StageState.InTheWings && ChannelRole.Of(channel).Role == "trigger"
        select new Finding(Id, Severity.Warning, [channel.Id], $"{channel.Name} steers others and is heard as well.", [new("Fader down, and steer before it", Unheard(channel))]);

    private static Sequence<Edit> Unheard(Channel channel) =>
    [
        new SetLevel(channel.Id, Decibels.Silence),
        .. channel.Feeds.Where(f => f.Tap == TapPoint.Post).Select(f => new PutFeed(channel.Id, f with { Tap = TapPoint.Pre })),
        .. channel.Sends.Where(s => s is { Open: true, Tap: TapPoint.Pre }).Select(s => new PutSend(channel.Id, s with { Open = false })),
    ];
}
