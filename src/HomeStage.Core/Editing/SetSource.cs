using HomeStage.Core.Editing.Rules;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Editing;

/// <summary>Changes what a channel takes its sound from. Two hardware inputs make it stereo, so that neither is lost.</summary>
public sealed record SetSource(ChannelId Channel, Source? Source) : ChannelEdit(Channel)
{
    public override bool ChangesRouting => true;

    protected override EditResult Change(Template template, Channel channel)
    {
        var widens = Source is InputSource { Second: not null } && channel.Format == ChannelFormat.Mono;
        var after = template.Replace(channel with { Source = Source, Format = widens ? ChannelFormat.Stereo : channel.Format });
        var stranded = after.Channels
            .Where(c => c.Source is OutputSource split && split.Instrument == Channel)
            .Select(c => SourceRules.Check(after, c))
            .FirstOrDefault(wrong => wrong is not null);
        if (stranded is not null)
            return stranded;
        return new EditResult.Applied(after, widens ? new RestoreChannels([new(channel, null)], []) : new SetSource(Channel, channel.Source));
    }
}
