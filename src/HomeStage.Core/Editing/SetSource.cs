using HomeStage.Core.Editing.Rules;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Editing;

/// <summary>Changes what a channel takes its sound from.</summary>
public sealed record SetSource(ChannelId Channel, Source? Source) : ChannelEdit(Channel)
{
    public override bool ChangesRouting => true;

    protected override EditResult Change(Template template, Channel channel)
    {
        var after = template.Replace(channel with { Source = Source });
        return (SourceRules.Check(after, after.Channels[Channel]) ?? InputWidthRules.Check(after.Channels[Channel])) is { } wrong ? wrong
            : SplitRules.Stranded(after, Channel) is { } stranded ? stranded
            : new EditResult.Applied(after, InputWidthRules.Check(channel) is null ? new SetSource(Channel, channel.Source) : new RestoreChannels([new(channel, null)], []));
    }
}
