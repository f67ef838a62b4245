using HomeStage.Core.Media;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Editing;

/// <summary>Lays uploaded sound on a channel, or changes the starter of the same name.</summary>
public sealed record PutStarter(ChannelId Channel, AudioStarter Starter) : ChannelEdit(Channel)
{
    protected override EditResult Change(Template template, Channel channel)
    {
        var old = channel.Starters.FirstOrDefault(s => s.Name == Starter.Name);
        var starters = ConnectionOrder.Sort(channel.Starters.Where(s => s.Name != Starter.Name).Append(Starter));
        return With(template, channel with { Starters = starters },
            old is null ? new RemoveStarter(Channel, Starter.Name) : new PutStarter(Channel, old));
    }
}
