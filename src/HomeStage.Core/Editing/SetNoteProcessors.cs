using HomeStage.Core.Notes;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Editing;

/// <summary>Says what notes pass through before the instrument hears them.</summary>
public sealed record SetNoteProcessors(ChannelId Channel, Sequence<NoteProcessor> Processors) : ChannelEdit(Channel)
{
    protected override EditResult Change(Template template, Channel channel) =>
        With(template, channel with { NoteProcessors = Processors }, new SetNoteProcessors(Channel, channel.NoteProcessors));
}
