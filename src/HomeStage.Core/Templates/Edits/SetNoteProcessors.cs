using HomeStage.Core.Notes;

namespace HomeStage.Core.Templates.Edits;

/// <summary>Says what notes pass through before the instrument hears them.</summary>
public sealed record SetNoteProcessors(ChannelId Channel, Sequence<NoteProcessor> Processors) : ChannelEdit(Channel)
{
    protected override EditResult Change(Template template, Channel channel) =>
        With(template, channel with { NoteProcessors = Processors }, new SetNoteProcessors(Channel, channel.NoteProcessors));
}
