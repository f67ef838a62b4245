using HomeStage.Core.Templates;

namespace HomeStage.Core.Editing;

/// <summary>Says of several channels whether their hardware inputs are heard and armed; what takes none is passed over.</summary>
/// <param name="Monitored">Null for as it is.</param>
/// <param name="Armed">Null for as it is.</param>
public sealed record MonitorInputs(Sequence<ChannelId> Channels, bool? Monitored, bool? Armed = null) : ManyChannelsEdit
{
    protected override ManyResult Change(Template template) =>
        Unknown(template, Channels) is { } unknown ? unknown
        : Channels.Distinct().Select(id => template.Channels[id]).Where(c => c.Source is InputSource).Aggregate(template, (after, channel) =>
        {
            var was = (InputSource)channel.Source!;
            var now = was with { Monitored = Monitored ?? was.Monitored, Armed = Armed ?? was.Armed };
            return now == was ? after : after.Replace(channel with { Source = now });
        });
}
