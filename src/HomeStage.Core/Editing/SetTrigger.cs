using HomeStage.Core.Automation;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Editing;

/// <summary>Says what restarts a note-driven ducker and what it draws; null for the plain curve on every quarter.</summary>
public sealed record SetTrigger(ChannelId Channel, InsertId Insert, NoteTrigger? Trigger) : InsertEdit(Channel, Insert)
{
    protected override EditResult ChangeInsert(Template template, Channel channel, int place)
    {
        var insert = channel.Inserts[place];
        return With(template, channel, place, insert with { Trigger = Trigger }, new SetTrigger(Channel, Insert, insert.Trigger));
    }
}
