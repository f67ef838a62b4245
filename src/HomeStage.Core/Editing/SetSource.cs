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
        var stranded = after.Channels
            .Where(c => c.Source is OutputSource split && split.Instrument == Channel)
            .Select(c => SourceRules.Check(after, c))
            .FirstOrDefault(wrong => wrong is not null);
        return stranded is not null ? stranded : new EditResult.Applied(after, new SetSource(Channel, channel.Source));
    }
}
