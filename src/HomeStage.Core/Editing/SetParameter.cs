using HomeStage.Core.Templates;

namespace HomeStage.Core.Editing;

/// <summary>Turns one control of a processor; null sets it back to its default.</summary>
public sealed record SetParameter(ChannelId Channel, InsertId Insert, string Parameter, double? Value) : InsertEdit(Channel, Insert)
{
    protected override EditResult ChangeInsert(Template template, Channel channel, int place)
    {
        var insert = channel.Inserts[place];
        double? before = insert.Settings.TryGetValue(Parameter, out var old) ? old : null;
        return With(template, channel, place, insert with { Settings = insert.Settings.Put(Parameter, Value) },
            new SetParameter(Channel, Insert, Parameter, before));
    }
}
