using HomeStage.Core.Templates;

namespace HomeStage.Core.Editing;

/// <summary>Moves a processor within its strip.</summary>
/// <param name="Place">Where it shall stand, in [0, count).</param>
public sealed record MoveInsert(ChannelId Channel, InsertId Insert, int Place) : InsertEdit(Channel, Insert)
{
    public override bool ChangesRouting => true;

    protected override EditResult ChangeInsert(Template template, Channel channel, int place)
    {
        if (!(Place >= 0 && Place < channel.Inserts.Count))
            return new Refusal.OutOfRange($"The place in the strip of {channel.Name}", Place, 0, channel.Inserts.Count - 1, "");
        var moved = channel.Inserts.RemoveAt(place).Insert(Place, channel.Inserts[place]);
        return With(template, channel with { Inserts = moved }, new MoveInsert(Channel, Insert, place));
    }
}
