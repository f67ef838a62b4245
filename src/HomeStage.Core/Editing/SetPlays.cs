using HomeStage.Core.Notes;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Editing;

/// <summary>Says what a notes channel plays: instruments here, a device outside.</summary>
public sealed record SetPlays(ChannelId Channel, Sequence<ChannelId> Plays, MidiPort? MidiOut) : ChannelEdit(Channel)
{
    protected override EditResult Change(Template template, Channel channel) =>
        With(template, channel with { Plays = Plays, MidiOut = MidiOut }, new SetPlays(Channel, channel.Plays, channel.MidiOut));
}
