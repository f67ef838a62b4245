using HomeStage.Core.Templates;

namespace HomeStage.Core.Editing;

/// <summary>Takes uploaded sound off a channel. The sound itself stays on the shelf.</summary>
public sealed record RemoveStarter(ChannelId Channel, string Name) : ChannelEdit(Channel)
{
    protected override EditResult Change(Template template, Channel channel) =>
        channel.Starters.FirstOrDefault(s => s.Name == Name) is { } old
            ? With(template, channel with { Starters = channel.Starters.Where(s => s.Name != Name).ToSequence() }, new PutStarter(Channel, old))
            : new Refusal.Missing("sound", Name, $"on {channel.Name}");
}
