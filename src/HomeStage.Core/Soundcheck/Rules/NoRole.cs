using HomeStage.Core.Roles;
using HomeStage.Core.Soundcheck.Findings;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Soundcheck.Rules;

/// <summary>A channel that sounds and of which nobody knows what it is for: a swap or a set piece could not find it.</summary>
/// <remarks>Only a person can say, so there is no mend.</remarks>
public sealed class NoRole : ISoundcheckRule
{
    public string Id => "no-role";

    public string Group => "Order";

    /// <summary>A print is for what its instrument is for.</summary>
    public IEnumerable<Finding> Look(Template template, string act) =>
        from channel in template.Channels
        where channel is { Kind: ChannelKind.Audio, Spare: false } && ChannelRole.Of(channel).Role == RoleNames.Unknown && !template.IsPrintChannel(channel)
        select new Finding(Id, Severity.Hint, [channel.Id], $"Neither its name nor anybody says what {channel.Name} is for; choose a role.", []);
}
