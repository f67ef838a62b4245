using HomeStage.Core.Templates;

namespace HomeStage.Core.Editing;

/// <summary>Writes a channel's prompt note.</summary>
public sealed record SetNote(ChannelId Channel, string Note) : ChannelEdit(Channel)
{
    protected override EditResult Change(Template template, Channel channel) =>
        With(template, channel with { Note = Note }, new SetNote(Channel, channel.Note));
}
