using HomeStage.Core.Automation;
using HomeStage.Core.Catalogue;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Editing;

/// <summary>Takes a prepared curve away.</summary>
public sealed record RemoveShape(ChannelId Channel, Target Target, string Section) : ChannelEdit(Channel)
{
    protected override EditResult Change(Template template, Channel channel)
    {
        var place = channel.Shapes.IndexWhere(s => s.Target == Target && s.Section == Section);
        return place < 0
            ? new Refusal.Missing("shape", Section, $"of that value on {channel.Name}")
            : With(template, channel with { Shapes = channel.Shapes.RemoveAt(place) }, Back(channel, channel.Shapes[place]));
    }

    /// <summary>An older document may hold a curve on what stands still, which nobody may put there anew.</summary>
    private Edit Back(Channel channel, Shape shape) =>
        shape.Target.ParameterOn(channel) is { StandsStill: not null } ? new RestoreChannels([new(channel, null)], []) : new PutShape(Channel, shape);
}
