using HomeStage.Core.Templates;

namespace HomeStage.Core.Editing;

/// <summary>Makes a channel a spare that waits in the wings of every act, or an ordinary one that stays where it is.</summary>
public sealed record SetSpare(ChannelId Channel, bool Spare) : ManyChannelsEdit
{
    protected override ManyResult Change(Template template)
    {
        if (!template.Channels.TryGet(Channel, out var channel))
            return new Refusal.UnknownChannel(Channel);
        if (Spare && channel.Kind is ChannelKind.Main or ChannelKind.Bus or ChannelKind.Return)
            return new Refusal.WrongPlace(channel.Name, "sums others, so it cannot wait as a spare");
        var waiting = Map<StageState>.From(template.Acts.Select(a => KeyValuePair.Create(a.Id, StageState.InTheWings)));
        return template.Replace(channel with { Spare = Spare, Stages = Spare ? waiting : channel.Stages });
    }
}
