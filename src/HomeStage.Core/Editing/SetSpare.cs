using HomeStage.Core.Templates;

namespace HomeStage.Core.Editing;

/// <summary>Makes a channel a spare that waits in the wings of every act, or an ordinary one that stays where it is.</summary>
public sealed record SetSpare(ChannelId Channel, bool Spare) : ManyChannelsEdit
{
    protected override ManyResult Change(Template template)
    {
        if (!template.Channels.TryGet(Channel, out var channel))
            return new Refusal.UnknownChannel(Channel);
        if (Spare && !Capabilities.Of(channel.Kind).MayBeSpare)
            return new Refusal.WrongPlace(channel.Name, "is of a kind that cannot wait as a spare; an audio or instrument channel can");
        var waiting = Map<StageState>.From(template.Acts.Select(a => KeyValuePair.Create(a.Id, StageState.InTheWings)));
        return template.Replace(channel with { Spare = Spare, Stages = Spare ? waiting : channel.Stages });
    }
}
