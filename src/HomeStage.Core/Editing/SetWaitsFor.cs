using HomeStage.Core.Templates;

namespace HomeStage.Core.Editing;

/// <summary>Says what an insert waits for; null for nothing.</summary>
public sealed record SetWaitsFor(ChannelId Channel, InsertId Insert, WaitsFor? WaitsFor) : InsertEdit(Channel, Insert)
{
    protected override EditResult ChangeInsert(Template template, Channel channel, int place)
    {
        var insert = channel.Inserts[place];
        return With(template, channel, place, insert with { WaitsFor = WaitsFor }, new SetWaitsFor(Channel, Insert, insert.WaitsFor));
    }
}
