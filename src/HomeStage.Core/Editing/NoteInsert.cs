using HomeStage.Core.Templates;

namespace HomeStage.Core.Editing;

/// <summary>Leaves a note on an insert or on one of its controls.</summary>
/// <param name="Parameter">Id of the control; null for the insert itself.</param>
/// <param name="Text">Up to 400 characters; empty takes the note away.</param>
public sealed record NoteInsert(ChannelId Channel, InsertId Insert, string? Parameter, string Text) : InsertEdit(Channel, Insert)
{
    protected override EditResult ChangeInsert(Template template, Channel channel, int place)
    {
        var insert = channel.Inserts[place];
        var about = Parameter ?? "";
        var notes = Text.Length == 0 ? insert.Notes.Without(about) : insert.Notes.With(about, Text);
        return With(template, channel, place, insert with { Notes = notes }, new NoteInsert(Channel, Insert, Parameter, insert.Notes.TryGetValue(about, out var was) ? was : ""));
    }
}
