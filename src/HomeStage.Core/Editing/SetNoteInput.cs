using HomeStage.Core.Notes;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Editing;

/// <summary>Says how an instrument or notes channel is played; null for any device with nothing kept out.</summary>
public sealed record SetNoteInput(ChannelId Channel, NoteInput? Input) : ChannelEdit(Channel)
{
    protected override EditResult Change(Template template, Channel channel) =>
        With(template, channel with { NoteInput = Input }, new SetNoteInput(Channel, channel.NoteInput));
}
